/** What the Map shows only at times: one file, which loads once the first view is there. */
export { EarProblem } from '../listen/EarStatus';
export { GripLine } from '../GripLine';
export { InstrumentBar } from '../InstrumentBar';
export { Problem } from '../Problem';
export { FingerPart } from './FingerPart';
export { FreePlayLine } from './FreePlayLine';
export { HeldRings } from './HeldRings';
export { MapStand } from './MapStand';
