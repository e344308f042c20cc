/** The browser's locks, by which its windows take turns; null where it has none (an old one, or a page that is not trusted). */
export function locks(): LockManager | null {
  const { locks: here }: Partial<Navigator> = typeof navigator === 'undefined' ? {} : navigator;
  return here ?? null;
}
