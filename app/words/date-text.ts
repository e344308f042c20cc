/** A moment as the player's own calendar writes it. */
export const dateWords = (at: number): string => new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });

/** The same to the second, where several stand close together. */
export const momentWords = (at: number): string => new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'medium' });

/** A day alone. */
export const dayWords = (at: number): string => new Date(at).toLocaleDateString([], { dateStyle: 'medium' });
