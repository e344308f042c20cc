export * from './rhythm';
export * from './bars';
export * from './sign';
export * from './line';
export { placeNotes, pitchedNotes } from './place';
