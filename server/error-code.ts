import { fieldsOf } from '../core';

/** The code by which SQLite, the network or the file system names an error; empty where it has none. */
export function codeOf(error: unknown): string {
  const { code } = fieldsOf(error);
  return typeof code === 'string' ? code : '';
}
