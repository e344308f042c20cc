export * from './rhythm';
export * from './bars';
export * from './sign';
export * from './check';
export * from './line';
export { placeNotes, pitchedNotes } from './place';
