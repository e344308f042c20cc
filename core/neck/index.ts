export * from './neck';
export * from './place';
