export * from './types';
export { CONNECT_WAYS, MOST_NOTES } from './line-types';
export * from './lick/types';
export * from './transpose/types';
export * from './errors';
export * from './place';
export * from './typed';
export * from './words';
export * from './pitch';
export * from './scale';
export * from './instrument';
export * from './neck';
export {
  anchoredLayout,
  layOut,
  nameShape,
  nearestRoot,
  rootPlaces,
  defaultSchool,
  pinsIn,
  shapeRef,
  MOST_PLACES,
  foldedCopies,
  groupBy,
  groupsWords,
  handGroups,
  type HandGroup,
  hangsOn,
  hungOn,
  jogWords,
  LAYOUT_KINDS,
  onceEach,
  ruleOf,
  stretchWords,
  withStrings,
  type AnyRule,
  type Field,
  type Offer,
  type Shown,
  type Start,
  type PinHere,
  type LayOutOptions,
} from './layout';
export { parseGrip, rootShape, shapeAtRoot, shapesUnder, type RootOptions } from './layout/root-shape';
export {
  checkHand,
  fingerNotes,
  fingersFor,
  pinsThatHold,
  whyFinger,
  SCHOOLS,
  SPAN_MM,
  type FingerOptions,
  type Pin,
  type Why,
} from './fingering';
export { handChoices, type CellChoice, type HandChoice } from './fingering/choice';
export * from './ladder';
export * from './harmony';
export * from './progression';
export * from './backing';
export * from './route';
export * from './lick';
export * from './transpose';
export * from './drill';
export * from './practice';
export * from './listen';
export * from './quiz';
export { drawer } from './random';
