import { keptValue } from '../store/kept-value';
import { CLICKS, type Click } from './click';

/** How loud, 0 to 1, and what the click is. */
export interface SoundPrefs {
  notes: number;
  clicks: number;
  click: Click;
}
const level = (value: unknown): number => (typeof value === 'number' && value >= 0 && value <= 1 ? value : 0.7);
export const soundPrefs = keptValue('sound', (value): SoundPrefs => {
  const { notes, clicks, click } = (typeof value === 'object' && value !== null ? value : {}) as Record<string, unknown>;
  return { notes: level(notes), clicks: level(clicks), click: CLICKS.find((c) => c === click) ?? 'wood' };
});
