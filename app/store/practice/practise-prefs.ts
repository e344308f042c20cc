import { fieldsOf } from '../../../core';
import type { Sounds } from '../../sound/drill-score';
import { keptValue } from '../kept-value';

/** How this player likes to practise, kept in the browser for all studies. */
export interface PractisePrefs {
  readonly sounds: Sounds;
  readonly countIn: boolean;
  /** No scoring, minutes only. */
  readonly dry: boolean;
  /** Minutes a day. */
  readonly minutes: number;
  /** A round of questions each day. */
  readonly quiz: boolean;
}
const SOUNDS: readonly Sounds[] = ['both', 'clicks', 'notes'];
export const MINUTES = Object.freeze({ min: 5, max: 180, usual: 22 });

export const practisePrefs = keptValue('practise', (value): PractisePrefs => {
  const { sounds, countIn, dry, minutes, quiz } = fieldsOf(value);
  const whole = typeof minutes === 'number' && Number.isInteger(minutes) && minutes >= MINUTES.min && minutes <= MINUTES.max;
  return {
    sounds: SOUNDS.find((s) => s === sounds) ?? 'both',
    countIn: countIn !== false,
    dry: dry === true,
    minutes: whole ? minutes : MINUTES.usual,
    quiz: quiz === true,
  };
});
export const setPractisePrefs = (fields: Partial<PractisePrefs>): boolean => practisePrefs.set({ ...practisePrefs.get(), ...fields });
