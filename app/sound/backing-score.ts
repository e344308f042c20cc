import { barQuarters, pulsesOf, type Backing, type Click, type Meter } from '../../core';
import type { Score, SoundEvent } from './engine/score';
import { HELD } from './heard';
import { bassSound, clickSound, drumSound, stringSound } from './sounds';

/** Channels of the backing: no string of an instrument, and none of a drone. */
const BASS = 120;
const COMPING = 121;
/** So that all parts at full level stay below the loudest there is. */
const GAIN = { bass: 0.75, comping: 0.5, drums: 0.6, click: 0.8 };
/** The strings that voices of the comping sound like, lowest first. */
const STRINGS = [5, 4, 3, 2, 1];

/** What a backing sounds like, once through; beats are quarters. */
export function backingScore({ quarters, events }: Backing): Score {
  return {
    beats: quarters,
    events: events.map((e): SoundEvent => {
      const gain = e.gain * GAIN[e.part];
      if (e.part === 'drums') return { beat: e.at, sound: drumSound(e.drum), channel: null, gain, beats: 0, part: 'drums' };
      const held = { beat: e.at, gain, beats: e.length * HELD, part: e.part };
      if (e.part === 'bass') return { ...held, sound: bassSound(e.midi), channel: BASS };
      return { ...held, sound: stringSound(STRINGS[Math.min(e.voice, STRINGS.length - 1)]!, e.midi), channel: COMPING + e.voice };
    }),
  };
}

/** Clicks on the pulses of so many bars, the first of each louder. */
export function clicksOf(meter: Meter, bars: number, click: Click): SoundEvent[] {
  const bar = barQuarters(meter);
  return Array.from(
    { length: bars },
    (_, k) =>
    pulsesOf(meter).map(({ at }): SoundEvent => ({ beat: k * bar + at, sound: clickSound(click, at === 0), channel: null, gain: GAIN.click, beats: 0, part: 'clicks' })), // prettier-ignore
  ).flat();
}

/** One bar that counts in. */
export const barOfClicks = (meter: Meter, click: Click): Score => ({ beats: barQuarters(meter), events: clicksOf(meter, 1, click) });

/** Scores that sound together; as long as the first. */
export const together = (first: Score, ...others: SoundEvent[][]): Score => ({
  ...first,
  events: [first.events, ...others].flat().sort((a, b) => a.beat - b.beat),
});
