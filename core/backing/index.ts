export * from './types';
export { arrange, METER_BEATS, METER_UNITS, type BackingOptions } from './arrange';
export { barQuarters, pulsesOf, sectionEnds, spansOf, type Meter } from './pulses';
