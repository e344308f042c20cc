export { connect, connectAll, connecting } from './connect';
export { MOST_WEIGHT, USUAL_WEIGHTS } from './costs';
export { pickStrokes } from './picking';
export { planning, planRoute } from './plan';
export { handPlaces, type HandPlace } from './route';
export { whyStep } from './why';
