export * from './types';
export { gripsInShape, gripsOf, seekingGrips } from './find';
export { holdGrip, type Held } from './held';
export { gripTravel, leading, leadVoices, type Lead, type LeadOptions } from './lead';
export { moveGrip, type GripMoves } from './move';
