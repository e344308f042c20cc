/** A moment as the player's own calendar writes it. */
export const dateWords = (at: number): string => new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });

/** A day alone. */
export const dayWords = (at: number): string => new Date(at).toLocaleDateString([], { dateStyle: 'medium' });
