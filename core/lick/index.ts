export * from './rhythm';
export * from './line';
export { placeNotes, pitchedNotes } from './place';
