import { checkOneOf, checkWhole, CoreError, fail } from '../errors';
import { anchoredLayout, layOut, type LayOutOptions } from '../layout';
import { checkInstrument, fretFromNutMm } from '../instrument';
import { cheapestWays } from '../layered';
import { chordSounds } from '../harmony';
import { chromaOf } from '../pitch';
import { runToEnd } from '../fingering';
import { scaleNotes, scaleTitle } from '../scale';
import type { Instrument, Layout, ScaleRef, Shape } from '../types';
import { scalesForChord } from './fit';
import { PATH_MOTIONS, PATH_SCHOOLS, PATH_WEIGHTS, MOST_PATH_WEIGHT, type PathWeights } from './types';
import { SILENT, type Bar, type ScaleFit } from './types';

/** How scales and shapes are chosen for the chords of a progression. */
export interface PathOptions {
  /** The scale of the tune. */
  readonly home: ScaleRef;
  /** Home over all that it covers, or the scale of each chord. */
  readonly school: (typeof PATH_SCHOOLS)[number];
  /** How shapes are laid out. */
  readonly layout: Layout;
  /** The fret that the hand begins near to. */
  readonly near?: number;
  /** In one place, or up an octave and down again, section by section. */
  readonly motion?: (typeof PATH_MOTIONS)[number];
  /** Scales settled by the player, by the index of the chord (silent ones are not counted). */
  readonly locks?: { readonly chord: number; readonly ref: ScaleRef }[];
  /** How many ways, 1 to 20; 1 unless said. */
  readonly count?: number;
  /** What counts how much; usual weights where left out. */
  readonly weights?: Partial<PathWeights>;
}

/** One chord of a path: its scale and its shape. */
export interface PathStep {
  /** The chord. */
  readonly symbol: string;
  /** Its scale. */
  readonly ref: ScaleRef;
  /** Its shape. */
  readonly shape: Shape;
  /** Notes that the scale before has too, and that are new; all kept at the beginning. */
  readonly kept: number;
  /** Notes that change from the scale before. */
  readonly changed: number;
  /** How far the hand moves to get here, from `near` at the beginning. */
  readonly moveMm: number;
  /** Why this scale, in words. */
  readonly why: string;
}

/** A scale and a shape for every chord. */
export interface ScalePath {
  /** One for each chord. */
  readonly steps: PathStep[];
  /** The sum that was made least. */
  readonly cost: number;
}

/** What the parts cost, in mm of hand travel (judgement). */
const COST = { perMm: 1, change: 6, misfit: 60, offClimb: 1.5, home: 1 };
/** Scales of one chord that are tried, and tones that each holds, or all of a smaller chord. */
const TRIED = 6;
const LEAST_HELD = 3;
const OCTAVE = 12;
const MOST_WAYS = 20;
const MOST_CHORDS = 2000;

/** A scale in one of its shapes over a chord. */
interface Node {
  /** The scale. */
  readonly fit: ScaleFit;
  /** The shape. */
  readonly shape: Shape;
  /** Pitch classes, one bit each. */
  readonly sounds: number;
  /** Where the hand is, from the nut. */
  readonly mm: number;
}

/** Shapes that a search laid out, by neck, layout and scale: what the next one need not lay out again. */
export type ShapeMemory = Map<string, Shape[]>;
const MOST_REMEMBERED = 400;

/** Everything that one search looks at. */
interface Setting {
  /** The instrument. */
  readonly i: Instrument;
  /** What was asked for. */
  readonly o: PathOptions;
  /** Shapes laid out before. */
  readonly shapes: ShapeMemory;
  /** Fingers found before. */
  readonly hands: NonNullable<LayOutOptions['known']>;
  /** What of a key is the same throughout. */
  readonly on: string;
  /** Distance of a fret from the nut, in mm. */
  readonly mm: (fret: number) => number;
}

/** The shapes of a scale in the layout; none where it has no such layout on this neck. */
function shapesOf({ i, o, shapes, on, hands: known }: Setting, ref: ScaleRef): Shape[] {
  const key = `${on}${JSON.stringify(ref)}`;
  const before = shapes.get(key);
  if (before) return before;
  let found: Shape[];
  try {
    found = layOut(i, ref, anchoredLayout(i, ref, o.layout), { known });
  } catch (e) {
    if (!(e instanceof CoreError)) throw e;
    found = [];
  }
  shapes.set(key, found);
  return found;
}

const maskOf = (sounds: readonly number[]): number => sounds.reduce((mask, s) => mask | (1 << s), 0);
const soundsOf = (ref: ScaleRef): number => maskOf(scaleNotes(ref).map((n) => chromaOf(n.name)));
/** How many pitch classes a mask has. */
function sizeOf(mask: number): number {
  let n = 0;
  for (let rest = mask; rest; rest &= rest - 1) n++;
  return n;
}
const holds = (fit: ScaleFit, chord: readonly number[]): number => sizeOf(soundsOf(fit.ref) & maskOf(chord));

/** The scales that are tried over a chord. */
function scalesOver(s: Setting, symbol: string, locked: ScaleRef | undefined, sounds: readonly number[]): ScaleFit[] {
  const all = scalesForChord(symbol, { home: s.o.home });
  const named = (ref: ScaleRef): ScaleFit => all.find((f) => JSON.stringify(f.ref) === JSON.stringify(ref)) ?? { ref, fit: 0, rubs: [], colour: [], why: 'as you settled it' }; // prettier-ignore
  if (locked) return [named(locked)];
  const least = Math.min(LEAST_HELD, sounds.length);
  const holding = all.filter((f) => holds(f, sounds) >= least && shapesOf(s, f.ref).length > 0);
  const home = holding.find((f) => JSON.stringify(f.ref) === JSON.stringify(s.o.home));
  if (s.o.school === 'one-parent' && home) return [home];
  return holding.slice(0, TRIED);
}

function nodesOver(s: Setting, symbol: string, locked: ScaleRef | undefined): Node[] {
  const nodes = scalesOver(s, symbol, locked, [...new Set(chordSounds(symbol))]).flatMap((fit) => {
    const sounds = soundsOf(fit.ref);
    return shapesOf(s, fit.ref).map((shape): Node => ({ fit, shape, sounds, mm: s.mm(shape.handFret) }));
  });
  return nodes.length ? nodes : fail('NO_SHAPE_FITS', 'layout', `No scale over ${symbol} has this layout on this neck. Take another layout, or settle another scale.`); // prettier-ignore
}

/** Pitch classes of the second that the first has not. */
const fresh = (a: number, b: number): number => sizeOf(b & ~a);

function check(i: Instrument, o: PathOptions, chords: number): void {
  checkInstrument(i);
  scaleNotes(o.home);
  checkOneOf('BAD_OPTION', 'school', o.school, PATH_SCHOOLS);
  if (o.motion !== undefined) checkOneOf('BAD_OPTION', 'motion', o.motion, PATH_MOTIONS);
  if (o.near !== undefined) checkWhole('BAD_OPTION', 'near', o.near, 0, i.frets);
  if (o.count !== undefined) checkWhole('BAD_OPTION', 'count', o.count, 1, MOST_WAYS);
  for (const [name, w] of Object.entries(o.weights ?? {}))
    if (!(w >= 0 && w <= MOST_PATH_WEIGHT))
      fail('BAD_OPTION', `weights.${name}`, `weights.${name}: give a number from 0 to ${MOST_PATH_WEIGHT}.`);
  o.locks?.forEach((l, k) => checkWhole('BAD_OPTION', `locks[${k}].chord`, l.chord, 0, Math.max(0, chords - 1)));
  if (!chords) fail('BAD_OPTION', 'bars', 'bars: there is no chord to play over. Write one, such as | Dm7 | G7 |.');
  if (chords > MOST_CHORDS) fail('BAD_OPTION', 'bars', `bars: ${chords} chords are too many; ${MOST_CHORDS} at most.`);
}

/**
 * A scale and a shape for every chord of a form that sounds: the cheapest ways of hand travel, changed notes and misfit, exact over the
 * six best scales of each chord and all their shapes. `one-parent` keeps home over every chord of which it holds three tones (or all);
 * `stay` keeps the hand; `climb` wants it
 * an octave higher at the end of the first section (the whole form where none is named), back at the end of the next, evenly. Throws BAD_OPTION, NO_SHAPE_FITS, what parseChord throws.
 * @example scalePath(six, parseProgression('| Dm7 | G7 |').bars, { home: { tonic: 'C', scale: 'ionian' }, layout: { kind: 'window' }, school: 'one-parent', motion: 'stay' })[0].steps.length // 2
 */
export const scalePath = (i: Instrument, bars: readonly Bar[], o: PathOptions): ScalePath[] => runToEnd(walking(i, bars, o));

/** The same, chord by chord: yields the share that is done. `shapes` may be handed on from search to search. */
export function* walking(
  i: Instrument,
  bars: readonly Bar[],
  o: PathOptions,
  shapes: ShapeMemory = new Map(),
): Generator<number, ScalePath[]> {
  const heard = heardIn(bars);
  check(i, o, heard.length);
  if (shapes.size > MOST_REMEMBERED) shapes.clear();
  const on = JSON.stringify([i, o.layout]);
  const s: Setting = { i, o, shapes, hands: new Map(), on, mm: (fret) => fretFromNutMm(i.scaleLengthMm, fret) };
  const known = new Map<string, Node[]>();
  const layers: Node[][] = [];
  for (const [k, { symbol }] of heard.entries()) {
    const locked = o.locks?.find((l) => l.chord === k)?.ref;
    const key = JSON.stringify([symbol, locked]);
    const nodes = known.get(key) ?? nodesOver(s, symbol, locked);
    known.set(key, nodes);
    layers.push(nodes);
    yield (LAYING * (k + 1)) / heard.length;
  }
  const near = o.near ?? Math.min(...layers[0]!.map((n) => n.shape.handFret));
  const costs = costsOf(s, layers, heard, near);
  const ways = cheapestWays(layers.map((l) => l.length), costs.enter, costs.step, o.count ?? 1); // prettier-ignore
  let turn = ways.next();
  for (; !turn.done; turn = ways.next()) yield LAYING + ((1 - LAYING) * turn.value) / layers.length;
  return turn.value.map(({ cost, nodes }) => ({
    cost,
    steps: nodes.map((at, k) => stepAt(s, heard[k]!.symbol, layers[k]![at]!, k ? layers[k - 1]![nodes[k - 1]!]! : null, near)),
  }));
}

/** Of the work, so much is laying out the shapes. */
const LAYING = 0.8;

/** A chord that sounds, and the section it belongs to, counted from 0. */
interface Heard {
  /** The chord. */
  readonly symbol: string;
  /** The section it stands in, from 0. */
  readonly section: number;
}

function heardIn(bars: readonly Bar[]): Heard[] {
  let section = 0;
  return bars.flatMap((b, bar) => {
    if (bar > 0 && b.section !== undefined) section++;
    return b.chords.filter((c) => c.symbol !== SILENT).map(({ symbol }) => ({ symbol, section }));
  });
}

/** The fret that a climb wants the hand at over each chord: up an octave through the first section, down again through the next. */
function climbing(heard: readonly Heard[], near: number, last: number): number[] {
  const top = Math.min(OCTAVE, Math.max(0, last - near));
  return heard.map(({ section }, k) => {
    const own = heard.flatMap((h, n) => (h.section === section ? [n] : []));
    const share = own.length > 1 ? (k - own[0]!) / (own.length - 1) : 0;
    return near + top * (section % 2 ? 1 - share : share);
  });
}

interface Costs {
  /** What a node costs by itself. */
  readonly enter: (node: number) => number;
  /** What going from one to the next costs. */
  readonly step: (layer: number, from: number, to: number) => number;
}

function costsOf({ i, o, mm }: Setting, layers: readonly Node[][], heard: readonly Heard[], near: number): Costs {
  const weights = { ...PATH_WEIGHTS, ...o.weights };
  const aims = o.motion === 'climb' ? climbing(heard, near, i.frets - 3).map(mm) : null;
  const start = mm(near);
  const last = layers.length - 1;
  const own = layers.map((nodes, k) =>
    nodes.map((n) => {
      const off = aims ? COST.offClimb * Math.abs(n.mm - aims[k]!) : 0;
      const home = k === last && !aims ? weights.home * COST.home * Math.abs(n.mm - start) : 0;
      return weights.fit * COST.misfit * (1 - n.fit.fit) + off + home;
    }),
  );
  const [travel, changes] = [weights.travel * COST.perMm, weights.changes * COST.change];
  return {
    enter: (node) => travel * Math.abs(layers[0]![node]!.mm - start) + own[0]![node]!,
    step: (k, from, to) => {
      const [a, b] = [layers[k - 1]![from], layers[k]![to]];
      return travel * Math.abs(a!.mm - b!.mm) + changes * fresh(a!.sounds, b!.sounds) + own[k]![to]!;
    },
  };
}

function stepAt({ mm }: Setting, symbol: string, n: Node, before: Node | null, near: number): PathStep {
  const changed = before ? fresh(before.sounds, n.sounds) : 0;
  const moveMm = Math.abs(n.mm - (before?.mm ?? mm(near)));
  const hand = moveMm === 0 ? 'the hand stays' : `the hand moves ${Math.round(moveMm)} mm to fret ${n.shape.handFret}`;
  const notes = before && changed ? `; ${changed} ${changed === 1 ? 'note changes' : 'notes change'}` : '';
  return { symbol, ref: n.fit.ref, shape: n.shape, kept: sizeOf(n.sounds) - changed, changed, moveMm, why: `${n.fit.ref.tonic} ${scaleTitle(n.fit.ref.scale)}: ${n.fit.why}${notes}; ${hand}` }; // prettier-ignore
}
