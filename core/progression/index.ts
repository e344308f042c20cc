export * from './types';
export { MOST_BARS, parseProgression } from './parse';
export { scalesForChord } from './fit';
export { targetsFrom } from './targets';
