export * from './rhythm';
export * from './bars';
export * from './line';
export { placeNotes, pitchedNotes } from './place';
