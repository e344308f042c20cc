/** A way to write dates, made when it is first used: making one takes longer than a list of dates does. */
function writer(options: Intl.DateTimeFormatOptions): (at: number) => string {
  let made: Intl.DateTimeFormat | null = null;
  return (at) => (made ??= new Intl.DateTimeFormat([], options)).format(at);
}

/** A moment as the player's own calendar writes it. */
export const dateWords = writer({ dateStyle: 'medium', timeStyle: 'short' });

/** The same to the second, where several stand close together. */
export const momentWords = writer({ dateStyle: 'medium', timeStyle: 'medium' });

/** A day alone. */
export const dayWords = writer({ dateStyle: 'medium' });
