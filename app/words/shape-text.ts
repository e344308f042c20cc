import {
  countWord,
  foldedCopies,
  fretDistanceMm,
  groupBy,
  groupsWords,
  jogWords,
  placeKey,
  ruleOf,
  samePlace,
  stretchWords,
  type Instrument,
  type LayoutKind,
  type Place,
  type Seam,
  type Shape,
} from '../../core';

export interface Fact {
  readonly name: string;
  readonly words: string;
}

/** "6/2 ①": string, fret and the finger that has it. */
const CIRCLED = ['open', '①', '②', '③', '④'];
export const placeWords = (p: Place, finger?: number): string => `${placeKey(p)}${finger === undefined ? '' : ` ${CIRCLED[finger]}`}`;

const fingerAt = (shape: Shape, p: Place): number | undefined => shape.notes.find((n) => samePlace(n, p))?.finger;

/** Where the hand itself moves inside a shape: the lowest finger of each string that is held from another place. */
export function handWords(shape: Shape): string {
  const rest = (c: { readonly fret: number; readonly finger: number }): number => c.fret - c.finger + 1;
  const reached = (string: number, fret: number): boolean => shape.stretches.some((s) => s.string === string && s.fret === fret);
  const held = shape.cells.flatMap((c) => {
    const k = c.fingers.findIndex((f, at) => f > 0 && !reached(c.string, c.frets[at]!));
    return k < 0 ? [] : [{ string: c.string, hand: rest({ fret: c.frets[k]!, finger: c.fingers[k]! }) }];
  });
  const moved = groupBy(held.filter((h) => h.hand !== shape.handFret), (h) => String(h.hand)); // prettier-ignore
  const home = shape.handFret > 0 ? `first finger at fret ${shape.handFret}` : 'at the nut';
  return [home, ...moved.map((g) => `at ${g[0]!.hand} for string${g.length > 1 ? 's' : ''} ${g.map((h) => h.string).join(', ')}`)].join(
    '; ',
  );
}

/** Fingers as players count them. */
export const NTH_FINGER = ['', '1st', '2nd', '3rd', '4th'];

/** What a shape is called: a window also by its lowest root and the finger on it, as players name positions. */
export function shapeTitle(shape: Shape, kind: LayoutKind): string {
  const root = shape.roots[0];
  const finger = root ? fingerAt(shape, root) : undefined;
  if (!ruleOf(kind).still || !root) return shape.label;
  return `${shape.label}, root on string ${root.string}${finger ? ` under the ${NTH_FINGER[finger]} finger` : ', open'}`;
}

/** "At fret 22: two notes missing": a shape at an end of the neck that is not whole; null where it is. */
export function cutWords(shape: Shape, i: Instrument): string | null {
  if (!shape.missing) return null;
  const nut = i.capo ?? 0;
  const atTop = i.frets - shape.highFret < shape.lowFret - nut;
  const where = atTop ? `at fret ${i.frets}` : nut ? 'at the capo' : 'at the nut';
  return `${where}: ${countWord(shape.missing)} note${shape.missing === 1 ? '' : 's'} missing`;
}

/** What a player wants to know of the shape under the hand. */
export function shapeFacts(shape: Shape, instrument: Instrument, kind: LayoutKind): Fact[] {
  const cut = cutWords(shape, instrument);
  const roots = shape.roots.map((p) => placeWords(p, fingerAt(shape, p))).join(', ');
  return [
    { name: 'Frets', words: `${shape.lowFret} to ${shape.highFret}, ${Math.round(shape.widthMm)} mm wide` },
    ...(cut ? [{ name: 'Cut', words: cut }] : []),
    ruleOf(kind).along ? { name: 'Groups', words: groupsWords(shape) } : { name: 'Hand', words: handWords(shape) },
    { name: 'Roots', words: roots || 'none inside this shape' },
    { name: 'Reaches', words: stretchWords(shape.stretches) },
    { name: 'Jog', words: shape.jogs.length ? shape.jogs.map(jogWords).join('; ') : 'none: every string is a fourth from the next' },
  ];
}

const shiftWords = (seam: Seam): string => {
  const frets = Math.abs(seam.shiftFrets);
  return frets === 0 ? 'the hand stays' : `shift ${frets} fret${frets === 1 ? '' : 's'} (${Math.round(seam.shiftMm)} mm)`;
};

export const seamLine = (other: Shape, seam: Seam): string => {
  const n = seam.shared.length;
  const shared = n === 0 ? 'no shared places' : `${n} shared place${n === 1 ? '' : 's'}`;
  return `${other.label}, frets ${other.lowFret} to ${other.highFret}; ${shared}, ${shiftWords(seam)}`;
};

/** The rungs next to a shape: what they share with it and how far the hand goes. */
export function neighbourFacts(shapes: Shape[], seams: Seam[], k: number): Fact[] {
  const folded = foldedCopies(shapes, shapes[k]!).map((s) => s.lowFret);
  return [
    ...(shapes[k + 1]
      ? [{ name: 'Above', words: seamLine(shapes[k + 1]!, seams[k]!) }]
      : [{ name: 'Above', words: 'nothing: this is the highest rung' }]),
    ...(k > 0
      ? [{ name: 'Below', words: seamLine(shapes[k - 1]!, seams[k - 1]!) }]
      : [{ name: 'Below', words: 'nothing: this is the lowest rung' }]),
    { name: 'Folded', words: folded.length ? `again at fret ${folded.join(' and ')}` : 'no copy twelve frets away fits on this neck' },
  ];
}

/** What a player wants to know of a seam: the hand's way, and each shared place with the finger on either side. */
export function seamFacts(below: Shape, above: Shape, seam: Seam): Fact[] {
  const fingers = (s: Seam['shared'][number]): string =>
    s.fingerBelow === s.fingerAbove
      ? `${CIRCLED[s.fingerBelow]} in both`
      : `${CIRCLED[s.fingerBelow]} below, ${CIRCLED[s.fingerAbove]} above`;
  const byString = groupBy(seam.shared, (s) => String(s.place.string));
  return [
    { name: 'Hand', words: `from fret ${below.handFret} to ${above.handFret}; ${shiftWords(seam)}` },
    ...(byString.length
      ? byString.map((on) => ({
          name: `String ${on[0]!.place.string}`,
          words: on.map((s) => `fret ${s.place.fret}: ${fingers(s)}`).join('; '),
        }))
      : [{ name: 'Shared', words: 'nothing: the hand leaves one rung for the other' }]),
  ];
}

/** A hand's worth of notes on one string wider than this, or one finger this far out of its place, gets a word of care. */
export const WIDE_CELL_MM = 105;
export const FAR_REACH_MM = 33;
/** More notes on one string are not held at once: the hand moves along them. */
const HANDFUL = 4;

/** Whether a shape asks for a reach that can hurt: judged by the string, not by how far the whole shape spreads. */
export function needsCare(instrument: Instrument, shape: Shape): boolean {
  const wide = ({ string, frets, fingers }: Shape['cells'][number]): boolean => {
    const held = frets.filter((_, k) => fingers[k]! > 0);
    return (
      held.length > 1 &&
      held.length <= HANDFUL &&
      new Set(fingers).size === fingers.length &&
      fretDistanceMm(instrument, string, held[0]!, held[held.length - 1]!) > WIDE_CELL_MM
    );
  };
  return shape.cells.some(wide) || shape.stretches.some((s) => s.mm > FAR_REACH_MM);
}

/** "shape, from the nut" for those who cannot see the neck. */
export const neckTitle = (instrument: Instrument, scale: string, shape: Shape | null): string =>
  shape
    ? `Neck with ${instrument.strings.length} strings and ${instrument.frets} frets, ${scale}, ${shape.label} at frets ${shape.lowFret} to ${shape.highFret}. The table after it lists every string.`
    : `Neck with ${instrument.strings.length} strings and ${instrument.frets} frets, ${scale}, no shape laid out.`;
