export * from './types';
export { guideLine, studyLine, type StudyLineOptions } from './lines';
export { MOST_BARS, parseProgression } from './parse';
export { scalesForChord } from './fit';
export { PATH_MOTIONS, PATH_SCHOOLS, scalePath, walking, type PathOptions, type PathStep, type PathWeights, type ScalePath } from './path';
export { targetsFrom } from './targets';
