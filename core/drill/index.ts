export * from './types';
export { ORDERS } from './orders';
export { drillNotes, drillSequence, plainNote, rootClass } from './sequence';
export { rungNotes, rungSequence, type RungMotion, type RungOptions } from './climb';
export { DRILL_ACCENTS, DRILL_RHYTHMS, drillTicks, loudNotes, RHYTHM_TICKS } from './rhythm';
export { ARTICULATIONS } from './articulation';
export { drillLick, drillLine, drillSeconds, MOST_DRILL_NOTES, type DrillManner } from './line';
