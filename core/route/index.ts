export { connect, connectAll, connecting } from './connect';
export { MOST_WEIGHT, USUAL_WEIGHTS } from './weights';
export { pickStrokes } from './picking';
export { planning, planRoute } from './plan';
export { handPlaces, type HandPlace } from './hand-places';
export { whyStep } from './why';
