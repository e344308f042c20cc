import type { RungRef } from '../../contract';
import {
  chordSounds,
  chromaOf,
  CoreError,
  isScale,
  layOut,
  nameGrip,
  parseChord,
  parseGrip,
  pitchAt,
  shapesUnder,
  soundsSame,
  toneInChord,
  type Instrument,
  type GripName,
  type Layout,
  type Place,
  type ScaleRef,
  type Shape,
} from '../../core';
import { layoutWords } from './layout-text';
import { scaleName } from './scale-text';

/** A shape that lies under a grip, in one way of cutting the neck. */
export interface Under {
  readonly scale: ScaleRef;
  readonly layout: Layout;
  readonly rung: RungRef;
  readonly title: string;
  readonly detail: string;
}

/** Ways of cutting the neck that players know positions by. */
const KNOWN: readonly Layout[] = [
  { kind: 'box', numbering: 'minor-root' },
  { kind: 'per-string', notes: 3 },
  { kind: 'per-string', notes: 2 },
  { kind: 'window', stretch: 'index' },
];
/** At most so many of one layout: those nearest to the hand. */
const MOST = 3;

const rootWords = ({ roots: [root] }: Shape): string => `root on string ${root!.string}, fret ${root!.fret}`;

/** Shapes of one layout that hold every place; none where the scale has no such layout. */
function under(i: Instrument, scale: ScaleRef, layout: Layout, grip: Place[], own: boolean): Under[] {
  try {
    const shapes = layOut(i, scale, layout);
    return shapesUnder(i, scale, layout, grip).slice(0, MOST).map(({ index, label, handFret }) => ({
      scale,
      layout,
      rung: { number: shapes[index]!.number, fret: handFret },
      title: own ? label : `${label} of ${scaleName(scale)}`,
      detail: own ? `${layoutWords(layout)}, frets ${shapes[index]!.lowFret} to ${shapes[index]!.highFret}` : shapes[index]!.roots.length ? rootWords(shapes[index]!) : '',
    })); // prettier-ignore
  } catch (e) {
    if (e instanceof CoreError) return [];
    throw e;
  }
}

/** Every reading of a grip, spelled by the study's scale where that is known; none for no grip. */
export const readingsOf = (i: Instrument, grip: readonly Place[], scale: ScaleRef): GripName[] =>
  grip.length ? nameGrip(i, grip, isScale(scale.scale) ? { home: scale } : {}) : [];

/** What each place of a grip is in the chord that it is heard as first, as players call it. */
export function degreesOfGrip(i: Instrument, grip: readonly Place[], scale: ScaleRef): string[] {
  const [first] = readingsOf(i, grip, scale);
  return grip.map((p) => (first ? (toneInChord(first.symbol, pitchAt(i, p).midi) ?? '') : ''));
}

/** The pentatonic that a player thinks of under a chord: minor under a minor third, major under a major one; null where the scale is it. */
function pentatonicOf(i: Instrument, grip: Place[], own: ScaleRef): ScaleRef | null {
  const { symbol } = readingsOf(i, grip, own)[0]!;
  const { root } = parseChord(symbol);
  const above = chordSounds(symbol).map((s) => (s - chromaOf(root) + 12) % 12);
  const scale = above.includes(3) ? 'minor pentatonic' : above.includes(4) ? 'major pentatonic' : null;
  const ref = scale && { tonic: root, scale };
  return ref && !(isScale(own.scale) && soundsSame(ref, own)) ? ref : null;
}

/** Reads a grip and finds the shapes under it, the study's own layout first; or says what is wrong. */
export function readGrip(
  text: string,
  i: Instrument,
  scale: ScaleRef,
  own: Layout,
): { readonly found: Under[] } | { readonly problem: string } {
  if (!text.trim())
    return { problem: 'Write a fret for each string, thickest first, x for one that is not sounded: x57765, or x-10-12-12-11-10.' };
  let grip: Place[];
  try {
    grip = parseGrip(text, i);
  } catch (e) {
    if (e instanceof CoreError) return { problem: e.message };
    throw e;
  }
  return shapesUnderGrip(grip, i, scale, own);
}

/** The shapes under some places of the neck, one a string: the study's own layout first, then the box that players name by the chord; or says why there are none. */
export function shapesUnderGrip(
  grip: Place[],
  i: Instrument,
  scale: ScaleRef,
  own: Layout,
): { readonly found: Under[] } | { readonly problem: string } {
  if (!grip.length) return { problem: 'No string sounds in that grip.' };
  const pentatonic = pentatonicOf(i, grip, scale);
  const others = KNOWN.filter((l) => layoutWords(l) !== layoutWords(own));
  const found = [
    ...under(i, scale, own, grip, true),
    ...(pentatonic ? under(i, pentatonic, KNOWN[0]!, grip, false).slice(0, 1) : []),
    ...others.flatMap((layout) => under(i, scale, layout, grip, true)),
  ];
  return found.length
    ? { found }
    : { problem: 'No shape of this scale holds all its notes: one of them may be off the scale, or it is too wide for one position.' };
}
