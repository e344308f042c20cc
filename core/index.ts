export * from './types';
export * from './errors';
export * from './pitch';
export * from './scale';
export * from './instrument';
export * from './neck';
export { layOut, nameShape, defaultSchool, type LayOutOptions } from './layout';
export { fingerNotes, SCHOOLS } from './fingering';
export * from './ladder';
