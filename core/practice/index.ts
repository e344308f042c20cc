export { checkClimb, climb, CLIMB_RANGE, climbTempos, standingAfter, type Climb, type Climbed, type Rating, type Standing } from './climb';
export { comesBack, dayRating, type DayOf, type DayRating } from './spacing';
export { standOf, today, TODAY, type PlanShape, type PlanState, type PlayedDay, type Said, type Stands, type TodayItem } from './plan';
export { CLICKS, type Click } from './click';
