import { chordSounds, parseChord } from '../harmony';
import { chromaOf } from '../pitch';
import { scaleNotes } from '../scale';
import type { ScaleRef } from '../types';
import { SILENT, type Bar } from './types';

/** Scales that a form may be at home in, the commonest first (common practice, no published source). */
const HOMES = ['ionian', 'aeolian', 'mixolydian', 'dorian', 'harmonic minor', 'lydian', 'phrygian', 'phrygian dominant', 'melodic minor', 'locrian']; // prettier-ignore
/** Beats of the chord that a form begins or ends with count so many times: it is where it rests. */
const REST = 2;

/** Whether a form ends with a dominant that falls a fifth to a chord at rest: then it is at home there and nowhere else. */
function closes(symbols: readonly string[]): boolean {
  const [before, last] = symbols.filter((s, k) => s !== symbols[k - 1]).slice(-2);
  if (!last) return false;
  const dominant = (symbol: string): boolean => [4, 10].every((n) => parseChord(symbol).tones.some((t) => t.semitones === n));
  const root = (symbol: string): number => chromaOf(parseChord(symbol).root);
  return dominant(before!) && !dominant(last) && (root(before!) - root(last) + 12) % 12 === FIFTH;
}
const FIFTH = 7;

/**
 * The scale that a form seems to be at home in: on the root of its first chord or of its last (of that alone where a dominant falls into it), the scale that leaves out the least of all its
 * chord tones, each by its beats; the first chord before the last, the commoner scale before the rarer. A guess, to be offered. Null for
 * silence. Example: a twelve-bar in B♭ is at home in B♭ Mixolydian, Dm7 G7 Cmaj7 in C Ionian.
 * @example homeOf(parseProgression('| Dm7 | G7 | Cmaj7 |').bars) // { tonic: 'C', scale: 'ionian' }
 */
export function homeOf(bars: readonly Bar[]): ScaleRef | null {
  const chords = bars.flatMap((b) => b.chords).filter((c) => c.symbol !== SILENT);
  if (!chords.length) return null;
  const ends = [chords[0], chords[chords.length - 1]];
  const weighed = [...chords, ...ends.flatMap((c) => Array.from({ length: REST }, () => c))].map((c) => ({
    sounds: chordSounds(c!.symbol),
    beats: c!.beats,
  }));
  const missing = (ref: ScaleRef): number => {
    const own = new Set(scaleNotes(ref).map((n) => chromaOf(n.name)));
    return weighed.reduce((sum, { sounds, beats }) => sum + beats * sounds.filter((s) => !own.has(s)).length, 0);
  };
  const tonics = [...new Set((closes(chords.map((c) => c.symbol)) ? ends.slice(1) : ends).map((c) => parseChord(c!.symbol).root))];
  const refs = tonics.flatMap((tonic) => HOMES.map((scale): ScaleRef => ({ tonic, scale })));
  const costs = refs.map(missing);
  return refs[costs.indexOf(Math.min(...costs))]!;
}
