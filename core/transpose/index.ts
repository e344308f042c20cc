export { checkLine } from './check';
export { copiesOf, copying, rankCopies, type CopyOptions } from './copies';
export { alongScale, changeDegree, modeShift } from './degrees';
export { movedKey, toKey } from './key';
export { toTuning, type Retuned } from './tuning';
