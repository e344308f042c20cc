export * from './neck';
