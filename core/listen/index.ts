export * from './score';
