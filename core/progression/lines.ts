import { checkOneOf, checkWhole, fail } from '../errors';
import { checkHand, fingerNotes } from '../fingering';
import { chordSounds, parseChord } from '../harmony';
import { checkInstrument, nutFret, openMidis } from '../instrument';
import { cheapestWays, type LayeredWay } from '../layered';
import { chromaOf } from '../pitch';
import { drawer } from '../random';
import { measures } from '../route/route';
import { scaleNotes } from '../scale';
import type { FingeredStep, FingeringSchool, Instrument, Place, Route, ScaleRef } from '../types';
import { scalesForChord } from './fit';
import { SILENT, type Bar } from './types';

/** A chord in time, in quarters from the beginning. */
interface Sounding {
  /** The chord. */
  readonly symbol: string;
  /** Where it begins, in beats. */
  readonly from: number;
  /** Where it ends. */
  readonly to: number;
}

/** Notes of one line. */
export const MOST_LINE = 2000;
const TICKS = 480;

function soundingOf(bars: readonly Bar[]): Sounding[] {
  let at = 0;
  return bars.flatMap((b) => b.chords.map(({ symbol, beats }) => ({ symbol, from: at, to: (at += beats) })));
}

/** Frets round a place of the hand that a line keeps to: a hand and one fret more either way. */
const AROUND = { below: 1, above: 5 };

interface Where {
  /** The instrument. */
  readonly i: Instrument;
  /** MIDI numbers of its open strings. */
  readonly open: number[];
  /** The lowest fret. */
  readonly from: number;
  /** The highest fret. */
  readonly to: number;
}

function whereOf(i: Instrument, near: number | undefined): Where {
  checkInstrument(i);
  if (near !== undefined) checkWhole('BAD_OPTION', 'near', near, 0, i.frets);
  const nut = nutFret(i);
  const at = near ?? nut;
  return { i, open: openMidis(i), from: Math.max(nut, at - AROUND.below), to: Math.min(i.frets, Math.max(at, nut) + AROUND.above) };
}

/** Places in reach whose pitch class is one of some, string 1 first. */
const placesIn = ({ open, from, to }: Where, sounds: readonly number[]): Place[] =>
  open.flatMap((o, k) =>
    Array.from({ length: to - from + 1 }, (_, n) => ({ string: k + 1, fret: from + n })).filter((p) => sounds.includes((o + p.fret) % 12)),
  );

const midiAt = ({ open }: Where, p: Place): number => open[p.string - 1]! + p.fret;

function run(ways: Generator<number, LayeredWay[]>): LayeredWay {
  let turn = ways.next();
  while (!turn.done) turn = ways.next();
  return turn.value[0] ?? fail('NO_ROUTE', 'near', 'There is no such line in this place. Take another place, or another layout.');
}

/** What steps cost (judgement): a half step between guide notes 1; crossing strings and the neck, and leaving the four frets of the hand, a little, so that of equal pitches the nearer place is taken. */
const GUIDE = { semitone: 1, string: 0.2, fret: 0.02, beyond: 0.15 };
const HAND = 3;

/**
 * One note a chord, its third or its seventh (of chords that have neither the root), whichever is nearest to the note before: least half
 * steps in all, exact over the places within reach of `near` (the nut unless said), as a playable route. Silent chords have no note.
 * Throws BAD_OPTION, NO_ROUTE, what parseChord throws.
 * @example guideLine(six, parseProgression('| Dm7 | G7 |').bars, { degrees: ['3', '7'], school: 'finger-per-fret' }).steps.length // 2
 */
export function guideLine(
  i: Instrument,
  bars: readonly Bar[],
  o: { readonly degrees: ('3' | '7')[]; readonly near?: number; readonly school: FingeringSchool },
): Route {
  // prettier-ignore
  checkHand(o.school);
  o.degrees.forEach((d, k) => checkOneOf('BAD_OPTION', `degrees[${k}]`, d, ['3', '7']));
  if (!o.degrees.length) fail('BAD_OPTION', 'degrees', 'degrees: choose the third, the seventh, or both.');
  const where = whereOf(i, o.near);
  const index = Math.max(nutFret(i) + 1, o.near ?? 0);
  const beyond = (p: Place): number => (p.fret === nutFret(i) ? 0 : GUIDE.beyond * Math.max(0, index - p.fret, p.fret - index - HAND));
  const chords = soundingOf(bars).filter((c) => c.symbol !== SILENT);
  if (!chords.length || chords.length > MOST_LINE) fail('BAD_OPTION', 'bars', `bars: give 1 to ${MOST_LINE} chords.`);
  const layers = chords.map(({ symbol }) => {
    const { root, tones } = parseChord(symbol);
    const guides = tones.filter((t) => o.degrees.includes('3') && [2, 3, 4].includes(t.step) || o.degrees.includes('7') && [6, 7].includes(t.step)); // prettier-ignore
    const sounds = (guides.length ? guides : tones.slice(0, 1)).map((t) => (chromaOf(root) + t.semitones) % 12);
    return placesIn(where, sounds);
  });
  const { nodes } = run(
    cheapestWays(layers.map((l) => l.length), (n) => beyond(layers[0]![n]!), (k, a, b) => {
      const [p, q] = [layers[k - 1]![a], layers[k]![b]];
      return beyond(q!) + GUIDE.semitone * Math.abs(midiAt(where, p!) - midiAt(where, q!)) + GUIDE.string * Math.abs(p!.string - q!.string) + GUIDE.fret * Math.abs(p!.fret - q!.fret); // prettier-ignore
    }, 1),
  ); // prettier-ignore
  const steps = fingerNotes(i, nodes.map((at, k) => layers[k]![at]!), { school: o.school }); // prettier-ignore
  return { steps, cost: steps.reduce((sum, s) => sum + s.costMm, 0), ...measures(i, steps) };
}

/** What a study line minds (judgement): repeated notes, skips, leaps, far strings; and how much chance adds to each place. */
const STUDY = { repeated: 8, skip: 2, leap: 3, string: 2, chance: 5 };
const WHOLE_STEP = 2;

/** How a study line over chords is made. */
export interface StudyLineOptions {
  /** The scale of the tune. */
  readonly home: ScaleRef;
  /** Other seeds give other lines. */
  readonly seed: number;
  /** How dense the line is. */
  readonly notesPerBeat: 1 | 2 | 3 | 4;
  /** The fret that it lies near. */
  readonly near?: number;
  /** By which school it is fingered. */
  readonly school: FingeringSchool;
}

/**
 * A line to learn the changes by: `notesPerBeat` even notes to every beat of the form, a chord tone on each beat, notes of the chord's
 * best scale between, mostly by step; the same seed gives the same line. Exact over pitches and places within reach of `near` together.
 * Over silence the home scale goes on. `ticks` are 480 a quarter, one a note. Throws BAD_OPTION, NO_ROUTE, what parseChord throws.
 */
export function studyLine(
  i: Instrument,
  bars: readonly Bar[],
  o: StudyLineOptions,
): { readonly steps: FingeredStep[]; readonly ticks: number[] } {
  checkHand(o.school);
  checkWhole('BAD_OPTION', 'notesPerBeat', o.notesPerBeat, 1, 4);
  const next = drawer(checkWhole('BAD_OPTION', 'seed', o.seed, 0, 2 ** 32 - 1));
  const where = whereOf(i, o.near);
  const chords = soundingOf(bars);
  const beats = chords.at(-1)?.to ?? 0;
  const count = Math.round(beats * o.notesPerBeat);
  if (count < 1 || count > MOST_LINE) fail('BAD_OPTION', 'bars', `bars: that makes ${count} notes; a line has 1 to ${MOST_LINE}.`);
  const known = new Map<string, { readonly tones: Place[]; readonly scale: Place[] }>();
  const reach = (symbol: string): { readonly tones: Place[]; readonly scale: Place[] } => {
    const before = known.get(symbol);
    if (before) return before;
    const ref = symbol === SILENT ? o.home : (scalesForChord(symbol, { home: o.home })[0]?.ref ?? o.home);
    const scale = scaleNotes(ref).map((n) => chromaOf(n.name));
    const found = { tones: placesIn(where, symbol === SILENT ? scale : chordSounds(symbol)), scale: placesIn(where, scale) };
    known.set(symbol, found);
    return found;
  };
  let at = 0;
  const layers = Array.from({ length: count }, (_, k) => {
    while (at < chords.length - 1 && k / o.notesPerBeat >= chords[at]!.to - 1e-9) at++;
    const { tones, scale } = reach(chords[at]!.symbol);
    return k % o.notesPerBeat === 0 ? tones : scale;
  });
  const chance = layers.map((l) => l.map(() => STUDY.chance * next()));
  const { nodes } = run(
    cheapestWays(layers.map((l) => l.length), (n) => chance[0]![n]!, (k, a, b) => {
      const [p, q] = [layers[k - 1]![a], layers[k]![b]];
      const by = Math.abs(midiAt(where, p!) - midiAt(where, q!));
      const step = by === 0 ? STUDY.repeated : by <= WHOLE_STEP ? 0 : by <= 2 * WHOLE_STEP ? STUDY.skip : STUDY.leap * (by - WHOLE_STEP);
      return step + STUDY.string * Math.max(0, Math.abs(p!.string - q!.string) - 1) + chance[k]![b]!;
    }, 1),
  ); // prettier-ignore
  const ticks = layers.map(() => TICKS / o.notesPerBeat);
  const steps = fingerNotes(i, nodes.map((n, k) => layers[k]![n]!), { school: o.school, ticks }); // prettier-ignore
  return { steps, ticks };
}
