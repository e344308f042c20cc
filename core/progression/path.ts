import { checkOneOf, checkWhole, CoreError, fail } from '../errors';
import { anchoredLayout, layOut } from '../layout';
import { checkInstrument, fretFromNutMm } from '../instrument';
import { cheapestWays } from '../layered';
import { chordSounds } from '../harmony';
import { chromaOf } from '../pitch';
import { runToEnd } from '../fingering';
import { scaleNotes, scaleTitle } from '../scale';
import type { Instrument, Layout, ScaleRef, Shape } from '../types';
import { scalesForChord } from './fit';
import { SILENT, type Bar, type ScaleFit } from './types';

export const PATH_SCHOOLS = ['one-parent', 'per-chord'] as const;
export const PATH_MOTIONS = ['stay', 'climb'] as const;

/** What is minded along a form, as factors: 1 is usual, 0 not at all. */
export interface PathWeights {
  /** Millimetres that the hand moves. */
  travel: number;
  /** Notes that change from scale to scale. */
  changes: number;
  /** How well a scale fits its chord. */
  fit: number;
}

export interface PathOptions {
  home: ScaleRef;
  /** Home over all that it covers, or the scale of each chord. */
  school: (typeof PATH_SCHOOLS)[number];
  layout: Layout;
  /** The fret that the hand begins near to. */
  near?: number;
  /** In one place, or up an octave through the form. */
  motion?: (typeof PATH_MOTIONS)[number];
  /** Scales settled by the player, by the index of the chord (silent ones are not counted). */
  locks?: { chord: number; ref: ScaleRef }[];
  /** How many ways, 1 to 20; 1 unless said. */
  count?: number;
  weights?: Partial<PathWeights>;
}

export interface PathStep {
  symbol: string;
  ref: ScaleRef;
  shape: Shape;
  /** Notes that the scale before has too, and that are new; all kept at the beginning. */
  kept: number;
  changed: number;
  /** How far the hand moves to get here, from `near` at the beginning. */
  moveMm: number;
  why: string;
}

export interface ScalePath {
  steps: PathStep[];
  cost: number;
}

/** What the parts cost, in mm of hand travel (judgement). */
const COST = { perMm: 1, change: 6, misfit: 60, offClimb: 0.6 };
/** Scales of one chord that are tried, and tones that each holds, or all of a smaller chord. */
const TRIED = 6;
const LEAST_HELD = 3;
const OCTAVE = 12;
const MOST_WAYS = 20;
const MOST_CHORDS = 2000;

/** A scale in one of its shapes over a chord. */
interface Node {
  fit: ScaleFit;
  shape: Shape;
  sounds: ReadonlySet<number>;
}

/** Everything that one search looks at. */
interface Setting {
  i: Instrument;
  o: PathOptions;
  shapes: Map<string, Shape[]>;
  mm: (fret: number) => number;
}

/** The shapes of a scale in the layout; none where it has no such layout on this neck. */
function shapesOf({ i, o, shapes }: Setting, ref: ScaleRef): Shape[] {
  const key = JSON.stringify(ref);
  const known = shapes.get(key);
  if (known) return known;
  let found: Shape[];
  try {
    found = layOut(i, ref, anchoredLayout(i, ref, o.layout));
  } catch (e) {
    if (!(e instanceof CoreError)) throw e;
    found = [];
  }
  shapes.set(key, found);
  return found;
}

const holds = (fit: ScaleFit, symbolSounds: readonly number[]): number => {
  const own = new Set(scaleNotes(fit.ref).map((n) => chromaOf(n.name)));
  return symbolSounds.filter((s) => own.has(s)).length;
};

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

function nodesOver(s: Setting, symbol: string, locked: ScaleRef | undefined, sounds: readonly number[]): Node[] {
  const nodes = scalesOver(s, symbol, locked, sounds).flatMap((fit) => {
    const own = new Set(scaleNotes(fit.ref).map((n) => chromaOf(n.name)));
    return shapesOf(s, fit.ref).map((shape): Node => ({ fit, shape, sounds: own }));
  });
  return nodes.length ? nodes : fail('NO_SHAPE_FITS', 'layout', `No scale over ${symbol} has this layout on this neck. Take another layout, or settle another scale.`); // prettier-ignore
}

const fresh = (a: ReadonlySet<number>, b: ReadonlySet<number>): number => [...b].filter((n) => !a.has(n)).length;

function check(i: Instrument, o: PathOptions, chords: number): void {
  checkInstrument(i);
  scaleNotes(o.home);
  checkOneOf('BAD_OPTION', 'school', o.school, PATH_SCHOOLS);
  if (o.motion !== undefined) checkOneOf('BAD_OPTION', 'motion', o.motion, PATH_MOTIONS);
  if (o.near !== undefined) checkWhole('BAD_OPTION', 'near', o.near, 0, i.frets);
  if (o.count !== undefined) checkWhole('BAD_OPTION', 'count', o.count, 1, MOST_WAYS);
  o.locks?.forEach((l, k) => checkWhole('BAD_OPTION', `locks[${k}].chord`, l.chord, 0, Math.max(0, chords - 1)));
  if (!chords) fail('BAD_OPTION', 'bars', 'bars: there is no chord to play over. Write one, such as | Dm7 | G7 |.');
  if (chords > MOST_CHORDS) fail('BAD_OPTION', 'bars', `bars: ${chords} chords are too many; ${MOST_CHORDS} at most.`);
}

/**
 * A scale and a shape for every chord of a form that sounds: the cheapest ways of hand travel, changed notes and misfit, exact over the
 * six best scales of each chord and all their shapes. `one-parent` keeps home over every chord of which it holds three tones (or all);
 * `stay` keeps the hand, `climb` wants it an octave higher at the end, evenly. Throws BAD_OPTION, NO_SHAPE_FITS, what parseChord throws.
 */
export const scalePath = (i: Instrument, bars: readonly Bar[], o: PathOptions): ScalePath[] => runToEnd(walking(i, bars, o));

/** The same, chord by chord: yields the share that is done. */
export function* walking(i: Instrument, bars: readonly Bar[], o: PathOptions): Generator<number, ScalePath[]> {
  const symbols = bars.flatMap((b) => b.chords.map((c) => c.symbol)).filter((symbol) => symbol !== SILENT);
  check(i, o, symbols.length);
  const s: Setting = { i, o, shapes: new Map(), mm: (fret) => fretFromNutMm(i.scaleLengthMm, fret) };
  const known = new Map<string, Node[]>();
  const layers = symbols.map((symbol, k) => {
    const locked = o.locks?.find((l) => l.chord === k)?.ref;
    const key = JSON.stringify([symbol, locked]);
    const nodes = known.get(key) ?? nodesOver(s, symbol, locked, [...new Set(chordSounds(symbol))]);
    known.set(key, nodes);
    return nodes;
  });
  const weights = { travel: 1, changes: 1, fit: 1, ...o.weights };
  const near = o.near ?? Math.min(...layers[0].map((n) => n.shape.handFret));
  const aim = (k: number): number => Math.min(i.frets - 3, near + (OCTAVE * k) / Math.max(1, layers.length - 1));
  const own = (k: number, n: Node): number => {
    const off = o.motion === 'climb' ? COST.offClimb * Math.abs(s.mm(n.shape.handFret) - s.mm(aim(k))) : 0;
    return weights.fit * COST.misfit * (1 - n.fit.fit) + off;
  };
  const moved = (from: number, to: number): number => Math.abs(s.mm(from) - s.mm(to));
  const step = (k: number, from: number, to: number): number => {
    const [a, b] = [layers[k - 1][from], layers[k][to]];
    return weights.travel * COST.perMm * moved(a.shape.handFret, b.shape.handFret) + weights.changes * COST.change * fresh(a.sounds, b.sounds) + own(k, b); // prettier-ignore
  };
  const enter = (node: number): number => weights.travel * COST.perMm * moved(near, layers[0][node].shape.handFret) + own(0, layers[0][node]); // prettier-ignore
  const ways = cheapestWays(layers.map((l) => l.length), enter, step, o.count ?? 1); // prettier-ignore
  let turn = ways.next();
  for (; !turn.done; turn = ways.next()) yield turn.value / layers.length;
  return turn.value.map(({ cost, nodes }) => ({
    cost,
    steps: nodes.map((at, k) => stepAt(symbols[k], layers[k][at], k ? layers[k - 1][nodes[k - 1]] : null, near, moved)),
  }));
}

function stepAt(symbol: string, n: Node, before: Node | null, near: number, moved: (a: number, b: number) => number): PathStep {
  const changed = before ? fresh(before.sounds, n.sounds) : 0;
  const moveMm = moved(before?.shape.handFret ?? near, n.shape.handFret);
  const hand = moveMm === 0 ? 'the hand stays' : `the hand moves ${Math.round(moveMm)} mm to fret ${n.shape.handFret}`;
  const notes = before && changed ? `; ${changed} ${changed === 1 ? 'note changes' : 'notes change'}` : '';
  return { symbol, ref: n.fit.ref, shape: n.shape, kept: n.sounds.size - changed, changed, moveMm, why: `${n.fit.ref.tonic} ${scaleTitle(n.fit.ref.scale)}: ${n.fit.why}${notes}; ${hand}` }; // prettier-ignore
}
