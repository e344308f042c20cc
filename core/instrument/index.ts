export * from './instrument';
export * from './tone';
export * from './tunings';
