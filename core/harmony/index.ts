export * from './symbol';
export { chordSymbol } from './write';
export * from './stack';
export * from './colour';
export * from './grips';
export * from './name';
export * from './arpeggio';
export { chordParts, movedChord, movedNote } from './moved';
