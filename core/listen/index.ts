export * from './score';
export * from './latency';
export * from './weak';
export * from './written';
export * from './met';
export * from './tune';
