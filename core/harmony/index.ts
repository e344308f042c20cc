export * from './chord';
