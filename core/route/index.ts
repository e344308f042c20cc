export { connect, connectAll, connecting, CONNECT_WAYS } from './connect';
export { MOST_WEIGHT, USUAL_WEIGHTS } from './costs';
export { MOST_NOTES } from './line';
export { pickStrokes } from './picking';
export { planning, planRoute } from './plan';
export { handPlaces, type HandPlace } from './route';
export { whyStep } from './why';
