export * from './types';
export { arrange, type BackingOptions } from './arrange';
export { barQuarters, pulsesOf, sectionEnds, spansOf, type Meter } from './pulses';
