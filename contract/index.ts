export * from './instrument';
export * from './study';
export * from './record';
export * from './paths';
