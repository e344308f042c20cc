export * from './types';
export { gripsInShape, gripsOf } from './find';
export { holdGrip, type Held } from './held';
export { gripTravel, leadVoices, type LeadOptions } from './lead';
export { moveGrip, type GripMoves } from './move';
export { GRIP_ROWS } from './costs';
