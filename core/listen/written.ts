import type { PitchedNote } from '../lick/types';
import { TICKS } from '../lick/rhythm';
import { checkNumber } from '../errors';
import type { TimedNote } from './score';

const BAR = 4 * TICKS;
/** The grids that notes are put on: sixteenths, and triplets of eighths where a beat fits them better. */
const GRIDS = [TICKS / 4, TICKS / 3];
/** A triplet has to fit so much better. */
const BETTER = 0.6;
/** A note is held so long at most; then comes a rest. */
const LONGEST = 2 * TICKS;

/** Ticks of notes within one beat, on the grid that fits them better. */
function onGrid(at: readonly number[]): number[] {
  const offOf = (grid: number): number => at.reduce((sum, t) => sum + Math.abs(t - Math.round(t / grid) * grid) / grid, 0);
  const [straight, triplet] = GRIDS.map(offOf);
  const grid = at.length > 1 && triplet! < BETTER * straight! ? GRIDS[1] : GRIDS[0];
  return at.map((t) => Math.round(t / grid!) * grid!);
}

/**
 * The last bars of what was heard as written notes, in four quarters at a tempo: the first note that is kept begins the first bar, onsets go to the nearest
 * sixteenth or, where a beat fits them clearly better, triplet; of two at one place the later goes. Notes last until the next one, two beats at most.
 * Heard times in ms, ascending. Empty where nothing was heard.
 * @example writtenLine([{ midi: 60, atMs: 0 }], 120, 1)[0].midi // 60
 */
export function writtenLine(heard: readonly TimedNote[], tempo: number, bars: number): PitchedNote[] {
  checkNumber('BAD_OPTION', 'tempo', tempo, 20, 400);
  checkNumber('BAD_OPTION', 'bars', bars, 1, 32);
  const perTick = 60_000 / tempo / TICKS;
  const last = heard.at(-1);
  if (!last) return [];
  const kept = heard.filter((n) => n.atMs > last.atMs - bars * BAR * perTick);
  const exact = kept.map((n) => (n.atMs - kept[0]!.atMs) / perTick);
  const beats = new Map<number, number[]>();
  exact.forEach((t, k) => {
    // What comes just before a beat belongs to it.
    const beat = Math.floor((t + TICKS / 8) / TICKS);
    beats.set(beat, [...(beats.get(beat) ?? []), k]);
  });
  const starts = new Array<number>(kept.length);
  for (const notes of beats.values()) onGrid(notes.map((k) => exact[k]!)).forEach((t, n) => (starts[notes[n]!] = Math.max(0, t)));
  const apart = [...kept.keys()].filter((k) => k === 0 || starts[k]! > Math.max(...starts.slice(0, k)));
  const end = Math.ceil((starts[apart[apart.length - 1]!]! + 1) / BAR) * BAR;
  return apart.flatMap((k, n): PitchedNote[] => {
    const room = (n + 1 < apart.length ? starts[apart[n + 1]!]! : end) - starts[k]!;
    const held = Math.min(room, LONGEST);
    const rest = room - held;
    return [{ midi: kept[k]!.midi, ticks: held }, ...(rest ? restsOf(rest) : [])];
  });
}

/** A silence as rests of a bar at most. */
const restsOf = (ticks: number): PitchedNote[] =>
  Array.from({ length: Math.ceil(ticks / BAR) }, (_, k) => ({ midi: null, ticks: Math.min(BAR, ticks - k * BAR) }));
