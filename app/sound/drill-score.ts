import { TICKS, type Click } from '../../core';
import type { Score, SoundEvent } from './engine/score';
import { HELD } from './heard';
import { clickSound, stringSound } from './sounds';

/** What of a drill is heard. */
export type Sounds = 'both' | 'clicks' | 'notes';

/** A drill as far as it is heard. Lists have one entry a note. */
export interface DrillHeard {
  readonly sounds: readonly { readonly midi: number; readonly string: number }[];
  readonly ticks: readonly number[];
  readonly loud: readonly boolean[];
  /** Notes that the fretting hand sounds alone are softer. */
  readonly slurred: readonly boolean[];
  readonly beats: number;
  /** Notes at which what lies under it sounds anew, and its pitches; none: nothing lies under it. */
  readonly returns: readonly number[];
  readonly under: readonly number[];
  /** A backing that goes under it, as long as it. */
  readonly backing: readonly SoundEvent[];
}

const GAIN = { plain: 0.62, loud: 0.9, slurred: 0.5, under: 0.34, click: 0.8 };
/** Channels of what lies under the notes: no string of an instrument. */
const UNDER = 100;
const BAR = 4; // beats

/** One bar of clicks before the first pass. */
export const countIn = (click: Click): Score => ({ beats: BAR, events: clicks(click, BAR, [0]) });

/** So many clicks, a beat apart. */
export const steadyClicks = (click: Click, beats: number): Score => ({ beats, events: clicks(click, beats, []) });

/** One pass: clicks on the beats and, louder and higher, where the loud notes are; the notes; and what lies under them. */
export function drillScore(d: DrillHeard, what: Sounds, click: Click): Score {
  let at = 0;
  const starts = d.ticks.map((t) => ((at += t) - t) / TICKS);
  const notes = what === 'clicks' ? [] : d.sounds.map((s, k) => noteEvent(d, s, k, starts[k]!));
  const under = what === 'clicks' ? [] : underEvents(d, starts);
  const loud = starts.filter((_, k) => d.loud[k]);
  const backing = what === 'clicks' ? [] : d.backing;
  const beats = what === 'notes' ? [] : clicks(click, d.beats, loud);
  return { beats: d.beats, events: [...notes, ...under, ...backing, ...beats].sort((a, b) => a.beat - b.beat) };
}

function noteEvent(
  d: DrillHeard,
  { midi, string }: { readonly midi: number; readonly string: number },
  k: number,
  beat: number,
): SoundEvent {
  const gain = d.slurred[k] ? GAIN.slurred : d.loud[k] ? GAIN.loud : GAIN.plain;
  return { beat, sound: stringSound(string, midi), channel: string, gain, beats: (d.ticks[k]! / TICKS) * HELD };
}

function underEvents(d: DrillHeard, starts: readonly number[]): SoundEvent[] {
  return d.returns.flatMap((k, n) => {
    const until = n + 1 < d.returns.length ? starts[d.returns[n + 1]!] : d.beats;
    return d.under.map((midi, voice): SoundEvent => ({ beat: starts[k]!, sound: stringSound(6, midi), channel: UNDER + voice, gain: GAIN.under, beats: until! - starts[k]! })); // prettier-ignore
  });
}

function clicks(click: Click, beats: number, loud: readonly number[]): SoundEvent[] {
  const accents = new Set(loud);
  const on = Array.from({ length: Math.floor(beats) }, (_, beat) => beat);
  const places = [...on, ...loud.filter((b) => !Number.isInteger(b))];
  return places.map((beat) => ({ beat, sound: clickSound(click, accents.has(beat)), channel: null, gain: GAIN.click, beats: 0, part: 'clicks' as const })); // prettier-ignore
}
