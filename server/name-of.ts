import { fieldsOf } from '../core';
/** The id of what was sent, as far as it has one. */
export const nameOf = (sent: unknown): string => {
  const { id } = fieldsOf(sent);
  return typeof id === 'string' ? id.slice(0, 64) : '';
};
