import { MOST_TYPED } from '../../contract';
import {
  ascii,
  chordFault,
  chromaOf,
  CoreError,
  midiOf,
  parseChord,
  pitchAt,
  pitchName,
  placesOf,
  type Instrument,
  type NeckNote,
  type Place,
  type Shape,
} from '../../core';
import { placeWords } from './route-text';

/** What an end of a route can be: a rung by its index, a place, a fret under the hand, or a pitch (MIDI). */
export type EndChoice = { readonly rung: number } | { readonly place: Place } | { readonly hand: number } | { readonly pitch: number };

interface Where {
  readonly shapes: readonly Shape[];
  readonly instrument: Instrument;
  /** Notes of the scale on the neck. */
  readonly notes: readonly NeckNote[];
  /** A goal may be a fret under the hand or a pitch wherever it lies; a start is a place. */
  readonly goal: boolean;
}

export interface EndMatch {
  readonly key: string;
  readonly value: EndChoice;
  readonly title: string;
  readonly detail: string;
}

const rungMatch = (s: Shape, rung: number): EndMatch => ({
  key: `rung ${rung}`,
  value: { rung },
  title: s.label,
  detail: `frets ${s.lowFret} to ${s.highFret}`,
});

const placeMatch = (i: Instrument, place: Place): EndMatch => ({
  key: placeWords(place),
  value: { place },
  title: placeWords(place),
  detail: `${pitchName(pitchAt(i, place).midi)}, best route`,
});

const PITCH = /^[a-g](#|b){0,2}-?\d$/i;

/** A pitch as typed, such as "c#5"; null where it is none. */
function pitchTyped(text: string): number | null {
  if (!PITCH.test(text)) return null;
  try {
    return midiOf(text[0]!.toUpperCase() + text.slice(1));
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

function byPitch(midi: number, { instrument, notes, goal }: Where): EndMatch[] {
  if (!notes.some((n) => n.midi === midi)) return [];
  const anywhere: EndMatch = { key: `pitch ${midi}`, value: { pitch: midi }, title: pitchName(midi), detail: 'wherever it is best' };
  return [...(goal ? [anywhere] : []), ...placesOf(instrument, midi).map((p) => placeMatch(instrument, p))];
}

function byNumbers([first, second]: number[], { shapes, instrument, notes, goal }: Where): EndMatch[] {
  if (second !== undefined)
    return notes.filter((n) => n.string === first && n.fret === second).map(({ string, fret }) => placeMatch(instrument, { string, fret }));
  const rungs = shapes.flatMap((s, k) => (s.number === first ? [rungMatch(s, k)] : []));
  const hand: EndMatch = { key: `hand ${first}`, value: { hand: first! }, title: `the hand at fret ${first}`, detail: 'best route' };
  return goal && first! >= 1 && first! <= instrument.frets ? [...rungs, hand] : rungs;
}

/** What players call the tones of a chord. */
const TONES: Readonly<Record<string, readonly number[]>> = { root: [1], third: [3, 2, 4], fifth: [5], sixth: [6], seventh: [7], ninth: [9], eleventh: [11], thirteenth: [13] }; // prettier-ignore
const MOST_PLACES = 24;

/** Places of the scale that sound a tone of a chord: "third of B7", "b7 of B7". */
function byChord(tone: string, symbol: string, { instrument, notes }: Where): EndMatch[] {
  const written = symbol.charAt(0).toUpperCase() + symbol.slice(1);
  if (chordFault(written)) return [];
  const { root, tones } = parseChord(written);
  const steps = Object.entries(TONES).find(([name]) => name.startsWith(tone) && tone.length > 1)?.[1];
  const found = tones.find((t) => (steps ? steps.includes(t.step) : t.degree === tone || String(t.step) === tone));
  if (!found) return [];
  const sound = (chromaOf(root) + found.semitones) % 12;
  const here = notes.filter((n) => n.midi % 12 === sound).sort((a, b) => a.fret - b.fret || b.string - a.string);
  return here.slice(0, MOST_PLACES).map(({ string, fret }) => {
    const match = placeMatch(instrument, { string, fret });
    return { ...match, detail: `${found.degree} of ${written}, ${match.detail}` };
  });
}

/** Ends for what was typed: rungs by name or number, "5 9" a place, "fret 9" the hand, "C#5" a pitch, "third of B7" a tone of a chord. */
export function matchEnds(text: string, where: Where): EndMatch[] {
  const typed = ascii(text).trim().toLowerCase();
  const rungs = where.shapes.map(rungMatch);
  if (!typed) return rungs;
  const tone = /^(\S+)\s+of\s+(\S+)$/.exec(typed);
  if (tone) return byChord(tone[1]!, ascii(text).trim().split(/\s+/)[2]!, where);
  const pitch = pitchTyped(typed);
  if (pitch !== null) return byPitch(pitch, where);
  const numbers = (typed.match(/\d+/g) ?? []).map(Number);
  const words = typed.replace(/[\d,.;/]+/g, ' ').trim().split(/\s+/).filter(Boolean); // prettier-ignore
  if (words.some((w) => 'fret'.startsWith(w) || 'hand'.startsWith(w)) && numbers.length === 1)
    return byNumbers(numbers, where).filter((m) => 'hand' in m.value);
  if (numbers.length && (!words.length || words.some((w) => 'string'.startsWith(w)))) return byNumbers(numbers, where);
  return rungs.filter((r) => typed.split(/\s+/).every((w) => ascii(r.title).toLowerCase().split(/\s+/).some((p) => p.startsWith(w)))); // prettier-ignore
}

const SEPARATOR = /[\s,]+/;

/**
 * Pitches as typed, "F#3 A3 B3"; a name without its octave lies nearest to the one before (the first one nearest to the
 * middle of the neck). The reason why not names the word that is none.
 */
export function readPitches(text: string, i: Instrument): { readonly pitches: number[] } | { readonly why: string } {
  const words = ascii(text).split(SEPARATOR).filter(Boolean);
  const pitches: number[] = [];
  let last = pitchAt(i, { string: Math.ceil(i.strings.length / 2), fret: Math.min(i.frets, (i.capo ?? 0) + 5) }).midi;
  for (const word of words) {
    const name = word[0]!.toUpperCase() + word.slice(1);
    const midi = /\d$/.test(name) ? pitchTyped(word) : nearestTo(name, last);
    if (midi === null) return { why: `“${word}” is no pitch: write F#3, or F# for the one nearest to the note before.` };
    pitches.push(midi);
    last = midi;
  }
  if (pitches.length > MOST_TYPED) return { why: `That is ${pitches.length} notes; a line has at most ${MOST_TYPED}.` };
  return pitches.length ? { pitches } : { why: 'Write pitches such as F#3 A3 B3.' };
}

function nearestTo(name: string, last: number): number | null {
  const midi = pitchTyped(`${name}4`);
  return midi === null ? null : midi + 12 * Math.round((last - midi) / 12);
}

export const pitchesText = (pitches: readonly number[]): string => pitches.map((p) => pitchName(p)).join(' ');
