import { CLICKS, fieldsOf, recordOf, type Click } from '../../core';
import { keptValue } from '../store/kept-value';
import { SOUND_PARTS, type Levels, type SoundPart } from './engine/score';

/** How loud each part is, 0 to 1, which of them are silent for now, and what the click is. */
export interface SoundPrefs extends Levels {
  readonly muted: SoundPart[];
  readonly click: Click;
}
const USUAL = 0.7;
const level = (value: unknown): number => (typeof value === 'number' && value >= 0 && value <= 1 ? value : USUAL);
export const soundPrefs = keptValue('sound', (value): SoundPrefs => {
  const kept = fieldsOf(value);
  const levels = recordOf(SOUND_PARTS, (part) => level(kept[part]));
  const { click, muted } = kept;
  return {
    ...levels,
    muted: SOUND_PARTS.filter((p) => Array.isArray(muted) && muted.includes(p)),
    click: CLICKS.find((c) => c === click) ?? 'wood',
  };
});

/** The levels as they are heard. */
export const levelsOf = (prefs: SoundPrefs): Levels => recordOf(SOUND_PARTS, (part) => (prefs.muted.includes(part) ? 0 : prefs[part]));
