export * from './instrument';
export * from './study';
export { MOST_LICK_NOTES, MOST_LICKS, MOST_TAGS, type Lick } from './lick';
export * from './bundle';
export * from './connection';
export * from './record';
export * from './paths';
export type { RungRef } from './parts';
