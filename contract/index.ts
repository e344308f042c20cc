export * from './instrument';
export * from './study';
export * from './connection';
export * from './record';
export * from './paths';
export type { RungRef } from './parts';
