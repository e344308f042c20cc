import { keptValue } from '../kept-value';

/** Milliseconds that this browser's clock is moved by, for trying out a week of a plan: `crow-ladder:clock-shift` in its storage. */
const shift = keptValue('clock-shift', (value): number => (typeof value === 'number' && Number.isFinite(value) ? value : 0));

/** Now, ms since 1970, by the player's clock. */
export const now = (): number => Date.now() + shift.get();

/** The last millisecond of the local day that a time is in. */
export const endOfDay = (ms: number): number => new Date(ms).setHours(23, 59, 59, 999);
