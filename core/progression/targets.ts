import { chromaOf } from '../pitch';
import { parseChord } from '../harmony';
import { checkPlace, nutFret, openMidis } from '../instrument';
import { mod12 } from '../scale';
import type { Instrument, Place, Shape } from '../types';
import type { Target } from './types';

/** Frets beside a position that its hand still reaches. */
const BESIDE = 1;
const STEPS = [0, 1, -1, 2, -2] as const;

/**
 * From a note of a position, the tones of the next chord that are a half or a whole step away, or the note itself where it is one: each
 * where the hand has it, on the same string if it can, else on the nearest one. Nearest first, up before down. Throws BAD_PLACE, BAD_OPTION.
 * @example targetsFrom(six, box, { string: 6, fret: 5 }, 'Dm')[0].degree // '5'
 */
export function targetsFrom(i: Instrument, shape: Shape, from: Place, next: string): Target[] {
  checkPlace(i, from, 'from');
  const { root, tones } = parseChord(next);
  const open = openMidis(i);
  const midi = open[from.string - 1]! + from.fret;
  const nut = nutFret(i);
  const [low, high] = [Math.max(nut, shape.lowFret - BESIDE), Math.min(i.frets, shape.highFret + BESIDE)];
  return STEPS.flatMap((by): Target[] => {
    const tone = tones.find((t) => mod12(chromaOf(root) + t.semitones - midi - by) === 0);
    if (!tone) return [];
    const places = open
      .map((o, k) => ({ string: k + 1, fret: midi + by - o }))
      .filter((p) => p.fret >= low && p.fret <= high)
      .sort((a, b) => Math.abs(a.string - from.string) - Math.abs(b.string - from.string) || a.fret - b.fret);
    return places.length ? [{ place: places[0]!, degree: tone.degree, by }] : [];
  });
}
