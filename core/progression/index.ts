export * from './types';
export { homeOf } from './home';
export { guideLine, studyLine, type StudyLineOptions } from './lines';
export { changesTo, type ScaleChange, type ScaleMove } from './changes';
export { FORM_NAMES, formIn, type FormName } from './forms';
export { MOST_BARS, movedProgression, parseProgression, rewritten } from './parse';
export { scalesForChord } from './fit';
export { scalePath, walking, type PathOptions, type PathStep, type ScalePath, type ShapeMemory } from './path';
export { targetsFrom } from './targets';
