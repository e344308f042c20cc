export * from './types';
export * from './round';
export * from './grade';
export { placeOfSpot, spotOf } from './make';
