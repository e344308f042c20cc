export { checkLine } from './check';
export { copiesOf, copying } from './copies';
export { alongScale, changeDegree } from './degrees';
export { toKey } from './key';
export { toTuning, type Retuned } from './tuning';
