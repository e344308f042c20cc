import { fieldsOf, recordOf } from '../../../core';
import { keptValue } from '../../store/kept-value';
import { MANNERS, type MannerName } from './manners';

/** Where notes come from. */
export const SOURCES = ['microphone', 'midi', 'simulated'] as const;
export type SourceName = (typeof SOURCES)[number];

/** How this player is listened to, kept in the browser for all studies. */
export interface ListenPrefs {
  /** The source that was used last: what the key turns on. */
  readonly source: SourceName;
  /** Ids of the chosen devices; an empty one: whichever there is. */
  readonly microphone: string;
  readonly midi: string;
  /** From playing to hearing, in ms, as it was measured or set; null: not yet. */
  readonly latency: Record<SourceName, number | null>;
  /** The player wears headphones: what sounds does not come back into the microphone. */
  readonly headphones: boolean;
  /** Early or late by more than this is out of time, in ms; and the share of the notes that has to be right and in time. */
  readonly lateMs: number;
  readonly inTime: number;
  /** What is heard rates the passes. */
  readonly rates: boolean;
  /** How the simulated player plays. */
  readonly manner: MannerName;
  /** It sends MIDI instead of sound. */
  readonly asMidi: boolean;
}

/** Ranges of what can be set. */
export const LATENCY_RANGE = Object.freeze({ min: -200, max: 1000 });
export const LATE_RANGE = Object.freeze({ min: 15, max: 200, usual: 60 });
export const IN_TIME_RANGE = Object.freeze({ min: 50, max: 100, usual: 95 });

const within = (v: unknown, { min, max }: { readonly min: number; readonly max: number }): v is number =>
  typeof v === 'number' && v >= min && v <= max;
const device = (v: unknown): string => (typeof v === 'string' && v.length < 300 ? v : '');

export const listenPrefs = keptValue('listening', (value): ListenPrefs => {
  const kept = fieldsOf(value);
  const latency = fieldsOf(kept.latency);
  const { lateMs, inTime } = kept;
  return {
    source: SOURCES.find((s) => s === kept.source) ?? 'microphone',
    microphone: device(kept.microphone),
    midi: device(kept.midi),
    latency: recordOf(SOURCES, (s) => (within(latency[s], LATENCY_RANGE) ? latency[s] : null)),
    headphones: kept.headphones === true,
    lateMs: within(lateMs, LATE_RANGE) ? lateMs : LATE_RANGE.usual,
    inTime: within(inTime, { min: 0.5, max: 1 }) ? inTime : IN_TIME_RANGE.usual / 100,
    rates: kept.rates !== false,
    manner: MANNERS.find((m) => m === kept.manner) ?? 'learner',
    asMidi: kept.asMidi === true,
  };
});
export const setListenPrefs = (fields: Partial<ListenPrefs>): void => void listenPrefs.set({ ...listenPrefs.get(), ...fields });
