/** The id of what was sent, as far as it has one. */
export const nameOf = (sent: unknown): string => {
  const { id } = (typeof sent === 'object' && sent !== null ? sent : {}) as { readonly id?: unknown };
  return typeof id === 'string' ? id.slice(0, 64) : '';
};
