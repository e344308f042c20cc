import { findScale, nameScale, parentOf, scaleNotes } from '../scale';
import { chromaOf } from '../pitch';
import type { DegreeName, ScaleRef } from '../types';
import { stackThirds } from './stack';
import { chordSounds } from './symbol';

interface Colour {
  /** What follows the root in the symbol. */
  readonly suffix: string;
  /** The tone that shows the mode. */
  readonly degree: DegreeName;
  /** In words. */
  readonly why: string;
}

/** The chord on the tonic that shows a mode, and the note that does it. Common practice, no published source. */
const COLOURS: Readonly<Record<string, Colour>> = {
  lydian: { suffix: 'maj7#11', degree: '#4', why: 'the #4, which Ionian has not' },
  ionian: { suffix: 'maj7', degree: '7', why: 'the 7, which Mixolydian has not; its 4 stays out, as it rubs on the 3' },
  mixolydian: { suffix: '7', degree: 'b7', why: 'the b7 under a major third, which Ionian has not' },
  dorian: { suffix: 'm6', degree: '6', why: 'the 6 under a minor third, which Aeolian has not' },
  aeolian: {
    suffix: 'm7',
    degree: 'b7',
    why: 'the b7 under a minor third; its b6 colours the melody, held in the chord it would rub on the 5',
  },
  phrygian: { suffix: 'm7b9', degree: 'b2', why: 'the b2 under a minor third, which Aeolian has not' },
  locrian: { suffix: 'm7b5', degree: 'b5', why: 'the b5, which Phrygian has not' },
  'melodic minor': { suffix: 'mM7', degree: '7', why: 'the 7 under a minor third, which Dorian has not' },
  'phrygian dominant': { suffix: '7b9', degree: 'b2', why: 'the b2 over a major third and a b7, which Mixolydian has not' },
  'lydian dominant': { suffix: '7#11', degree: '#4', why: 'the #4 under a b7, which Mixolydian has not' },
  'harmonic minor': { suffix: 'mM7', degree: '7', why: 'the 7 under a minor third, which Aeolian has not' },
};

/** The colour tone of a mode, and the chord that shows it. */
export interface ModeColour {
  /** The chord that shows it. */
  readonly symbol: string;
  /** The note that does it. */
  readonly degree: DegreeName;
  /** In words. */
  readonly why: string;
  /** Chords that would betray the mode: of its own those that pull to the parent's tonic, on its tonic those of its neighbours. */
  readonly betray: { readonly symbol: string; readonly why: string }[];
}

/** Dark to bright neighbours: one note apart. */
const BRIGHTNESS = ['lydian', 'ionian', 'mixolydian', 'dorian', 'aeolian', 'phrygian', 'locrian'];

const idOf = (ref: ScaleRef): string | null => {
  if (Array.isArray(ref.scale)) return nameScale(ref.scale)?.id ?? null;
  return findScale(ref.scale)?.id ?? null;
};
const title = (id: string): string => findScale(id)?.name ?? id;

/** Chords of the mode's own notes that hold the parent's 4 and 7, and so lead home there (common practice, no published source). */
function pullingHome(ref: ScaleRef): ModeColour['betray'] {
  const parent = parentOf(ref)?.ref;
  if (parent?.scale !== 'ionian' || parent.tonic === ref.tonic) return [];
  const notes = scaleNotes(parent);
  const pull = ['4', '7'].map((d) => chromaOf(notes.find((n) => n.degree === d)?.name ?? parent.tonic));
  return stackThirds(ref, 4)
    .filter((c) => c.degree !== '1' && pull.every((p) => c.notes.map(chromaOf).includes(p)))
    .map((c) => ({ symbol: c.symbol, why: `it leads home to ${parent.tonic} ${title('ionian')}` }));
}

/** What neighbours in brightness have on the same tonic and this mode does not hold. */
function neighbours(ref: ScaleRef, id: string): ModeColour['betray'] {
  const at = BRIGHTNESS.indexOf(id);
  const sounds = new Set(scaleNotes(ref).map((n) => chromaOf(n.name)));
  return [BRIGHTNESS[at - 1], BRIGHTNESS[at + 1]]
    .filter((near): near is string => at >= 0 && near !== undefined)
    .map((near) => ({ symbol: ref.tonic + COLOURS[near]!.suffix, why: `it is ${title(near)}` }))
    .filter(({ symbol }) => chordSounds(symbol).some((s) => !sounds.has(s)));
}

/**
 * The chord that shows a mode's colour on its tonic, why, and what would betray it; null where common practice names none.
 * @example modeColour(dorian)?.symbol // 'Dm6'
 */
export function modeColour(ref: ScaleRef): ModeColour | null {
  scaleNotes(ref);
  const id = idOf(ref);
  const colour = id === null ? undefined : COLOURS[id];
  if (!id || !colour) return null;
  const { suffix, degree, why } = colour;
  return { symbol: ref.tonic + suffix, degree, why, betray: [...pullingHome(ref), ...neighbours(ref, id)] };
}

/**
 * The same without what betrays it. Example: D dorian is Dm6, for its 6.
 * @example colourChord(dorian)?.symbol // 'Dm6'
 */
export function colourChord(ref: ScaleRef): { readonly symbol: string; readonly degree: DegreeName; readonly why: string } | null {
  const colour = modeColour(ref);
  return colour && { symbol: colour.symbol, degree: colour.degree, why: colour.why };
}
