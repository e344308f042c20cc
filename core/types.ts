export type * from './neck-types';
export type * from './line-types';
