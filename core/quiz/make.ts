import { nutFret, openMidis } from '../instrument';
import { chromaOf } from '../pitch';
import { bestTonic, scaleNotes } from '../scale';
import type { NoteName, Place, Shape } from '../types';
import type { QuizAnswer, QuizGround, QuizLevel, QuizOption, QuizShown } from './types';

/** Frets that a level asks about: five from the lowest, an octave, all. */
export function fretsOf({ instrument, from, to }: QuizGround, level: QuizLevel): [from: number, to: number] {
  const low = Math.max(from, nutFret(instrument));
  const high = Math.min(to, instrument.frets);
  return [low, Math.min(high, low + [5, 12, 36][level - 1]!)];
}

/** Every place a level asks about, thickest string first, with its MIDI number. */
export function placesOn(g: QuizGround, level: QuizLevel): (Place & { readonly midi: number })[] {
  const [from, to] = fretsOf(g, level);
  const open = openMidis(g.instrument);
  return [...open.keys()].reverse().flatMap((k) => Array.from({ length: Math.max(0, to - from + 1) }, (_, n) => ({ string: k + 1, fret: from + n, midi: open[k]! + from + n }))); // prettier-ignore
}

/** How a place is told whatever else is on the instrument: its open string and its fret. Example: `E2+3`. */
export const spotOf = (g: QuizGround, p: Place): string => `${g.instrument.strings[p.string - 1]!.open}+${p.fret}`;
/** The place of a spot on a ground, the lowest string of several alike; null where it has none in its frets. */
export function placeOfSpot(g: QuizGround, spot: string): (Place & { readonly midi: number }) | null {
  return placesOn(g, 3).find((p) => spotOf(g, p) === spot) ?? null;
}

const SEVEN: readonly NoteName[] = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
/**
 * Whether a sound is one of the seven natural notes.
 */
export const isNatural = (midi: number): boolean => SEVEN.some((n) => chromaOf(n) === midi % 12);

/** A note's name as the scale spells it, else with the sign that the scale leans to. */
export function nameOn(g: QuizGround, midi: number): NoteName {
  const own = scaleNotes(g.scale).find((n) => chromaOf(n.name) === midi % 12);
  return own?.name ?? bestTonic(midi % 12, 'ionian');
}

/** The same things in an order by chance. */
export function shuffled<T>(all: readonly T[], draw: () => number): T[] {
  const out = [...all];
  for (let k = out.length - 1; k > 0; k--) {
    const n = Math.floor(draw() * (k + 1));
    [out[k], out[n]] = [out[n]!, out[k]!];
  }
  return out;
}

/** The right answer among up to `most` - 1 wrong ones, each text once, in an order by chance; null where there is nothing to choose from. */
export function choiceOf(right: QuizOption, wrong: readonly QuizOption[], draw: () => number, most = 5): QuizAnswer | null {
  const others = [...new Map(wrong.filter((o) => o.text !== right.text).map((o) => [o.text, o])).values()];
  if (!others.length) return null;
  const options = shuffled([right, ...shuffled(others, draw).slice(0, most - 1)], draw);
  return { by: 'choice', options, right: [options.indexOf(right)] };
}

/** Options in a fixed order, all of them. */
export function listOf(options: readonly QuizOption[], right: (o: QuizOption, k: number) => boolean): QuizAnswer | null {
  const answer = options.flatMap((o, k) => (right(o, k) ? [k] : []));
  return options.length > 1 && answer.length ? { by: 'choice', options: [...options], right: answer } : null;
}

/** The places of a shape without words, its roots filled. */
export const blank = (s: Pick<Shape, 'notes'>): QuizShown[] =>
  s.notes.map(({ string, fret, role }) => ({ string, fret, text: '', ...(role === 'root' ? { root: true } : {}) }));

/** What a shape is called in facts: the layout and its number there, whatever the key. Example: `box/1`. */
export const shapeKeyOn = (g: QuizGround, s: Shape): string => `${g.layout.kind}/${s.number}`;

/** Each shape of a layout once, the lowest on the neck, in order up the neck. */
export function oncePerShape(g: QuizGround): Shape[] {
  return [...new Map([...g.shapes].reverse().map((s) => [s.number, s])).values()].reverse();
}

/** The shape of a fact, the lowest on the neck. */
export const shapeOfKey = (g: QuizGround, key: string): Shape | undefined => g.shapes.find((s) => shapeKeyOn(g, s) === key);

/** A fact's last part. */
export const lastPart = (fact: string): string => fact.slice(fact.indexOf('/') + 1);
