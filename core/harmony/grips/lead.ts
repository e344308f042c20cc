import { checkHand, runToEnd } from '../../fingering';
import { checkWhole, fail } from '../../errors';
import { checkInstrument, openMidis } from '../../instrument';
import { cheapestWays } from '../../layered';
import { placeIndex } from '../../place';
import type { Hand, Instrument, Place } from '../../types';
import { gripsOf } from './find';
import { fretsOf, heldOn, thickFirst } from './held';
import { graspOf, type Grasp } from './hold';
import type { Grip } from './types';

/** Grips one after another, and how far the fingers go in all. */
export interface Lead {
  /** A grip for each chord. */
  readonly grips: Grip[];
  /** How far the fingers travel in all, in mm. */
  readonly travelMm: number;
}

/** Between which grips a voice leading may choose, and how. */
export interface LeadOptions {
  /** The grip that the first chord is reached from. */
  readonly from?: Place[];
  /** The lowest fret; the nut if left out. */
  readonly fromFret?: number;
  /** The highest fret; the last one if left out. */
  readonly toFret?: number;
  /** Strings that sound, all of them, in every chord. */
  readonly strings?: number[];
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
  /** How many ways, 1 to 20; 1 unless said. */
  readonly count?: number;
  /** How many grips of each chord are looked at, the best by costMm; 120 unless said. */
  readonly among?: number;
}

/** Between strings, across the neck; and what giving up a tone that both chords have costs (judgement). */
const STRING_MM = 9;
const LET_GO_MM = 10;
const AMONG = 120;
const MOST_WAYS = 20;

/** A grip as the search sees it. */
interface Node {
  /** The grip. */
  readonly grip: Grip;
  /** By finger 1 to 4: fret and thickest string, 0 where it is not used. */
  readonly frets: number[];
  /** The strings that it sounds. */
  readonly strings: number[];
  /** Fret under the index at rest, 1 at least; 0 with open strings alone. */
  readonly hand: number;
  /** Places with their pitch classes. */
  readonly sounds: { readonly place: number; readonly chroma: number }[];
  /** Its places, as numbers. */
  readonly places: Set<number>;
  /** Its chromas, 0 to 11. */
  readonly chromas: Set<number>;
}

function nodeOf(grip: Grip, open: readonly number[]): Node {
  const frets = [0, 0, 0, 0, 0];
  const strings = [0, 0, 0, 0, 0];
  let hand = 0;
  grip.places.forEach((p, k) => {
    const f = grip.fingers[k];
    if (!f || strings[f]) return;
    frets[f] = p.fret;
    strings[f] = p.string;
    const index = Math.max(1, p.fret - f + 1);
    if (!hand || index < hand) hand = index;
  });
  const sounds = grip.places.map((p) => ({ place: placeIndex(p), chroma: (open[p.string - 1]! + p.fret) % 12 }));
  return {
    grip,
    frets,
    strings,
    hand,
    sounds,
    places: new Set(sounds.map((s) => s.place)),
    chromas: new Set(sounds.map((s) => s.chroma)),
  };
}

/**
 * What passing from one grip to the next takes, in mm: each finger's way along the neck and across the strings, from its rest over
 * the hand where it was not used; and 10 for each tone that the next grip sounds too and that does not stay where it was.
 */
function travel(mm: readonly number[], a: Node, b: Node): number {
  let sum = 0;
  for (let f = 1; f <= 4; f++) {
    if (!b.frets[f]) continue;
    if (a.frets[f]) sum += Math.abs(mm[b.frets[f]!]! - mm[a.frets[f]!]!) + STRING_MM * Math.abs(b.strings[f]! - a.strings[f]!);
    else if (a.hand) sum += Math.abs(mm[b.frets[f]!]! - mm[Math.min(a.hand + f - 1, mm.length - 1)]!);
  }
  for (const s of a.sounds) if (b.chromas.has(s.chroma) && !b.places.has(s.place)) sum += LET_GO_MM;
  return sum;
}

/**
 * Travel between two grips, both as places, in mm: see travel. Infinity where no hand holds one of them.
 * @example gripTravel(six, [{ string: 2, fret: 1 }], [{ string: 2, fret: 1 }]) // 0
 */
export function gripTravel(i: Instrument, from: readonly Place[], to: readonly Place[], hand?: Hand): number {
  const grasp = graspOf(i, hand);
  const open = openMidis(i);
  const [a, b] = [from, to].map((places) => placesNode(i, places, grasp, open));
  if (!a || !b) return Infinity;
  return travel(grasp.model.mm[0]!, a, b);
}

function placesNode(i: Instrument, places: readonly Place[], grasp: Grasp, open: readonly number[]): Node | null {
  const sorted = thickFirst(places);
  const held = heldOn(grasp, fretsOf(i, sorted), sorted);
  if ('why' in held) return null;
  return nodeOf({ places: sorted, fingers: held.fingers, muted: [], inversion: 0, omitted: [], costMm: held.costMm }, open);
}

/** The grips of one chord that are looked at: as many strings as asked for, the easiest first. */
function layerOf(i: Instrument, symbol: string, o: LeadOptions, voices: number): Grip[] {
  const { fromFret, toFret, strings, hand } = o;
  const all = gripsOf(i, symbol, {
    ...(fromFret === undefined ? {} : { fromFret }),
    ...(toFret === undefined ? {} : { toFret }),
    ...(strings ? { strings } : {}),
    ...(hand ? { hand } : {}),
    ...(fromFret ? { near: fromFret } : {}),
  });
  const fit = all.filter((g) => (o.strings || o.from ? g.places.length === voices : g.places.length >= voices));
  const grips = fit.slice(0, o.among ?? AMONG);
  return grips.length
    ? grips
    : fail('NO_SHAPE_FITS', 'chord', `No grip of ${symbol} has ${voices} strings there. Allow more frets, or other strings.`);
}

/**
 * Grips for chords that follow each other, with the least travel of the fingers in all (see travel), exact over the `among` easiest
 * grips of each chord; the `count` best ways, by travelMm, of equal ones the one with easier grips first. Throws BAD_OPTION, and
 * NO_SHAPE_FITS where a chord has no grip there.
 * @example leadVoices(six, ['Dm7', 'G7', 'Cmaj7'])[0].grips.length // 3
 */
export const leadVoices = (i: Instrument, symbols: readonly string[], o: LeadOptions = {}): Lead[] => runToEnd(leading(i, symbols, o));

/** The same, chord by chord: yields the share that is done. */
export function* leading(i: Instrument, symbols: readonly string[], o: LeadOptions = {}): Generator<number, Lead[]> {
  checkInstrument(i);
  checkHand('finger-per-fret', o.hand);
  if (!symbols.length) fail('BAD_OPTION', 'symbols', 'symbols: give at least one chord.');
  const count = checkWhole('BAD_OPTION', 'count', o.count ?? 1, 1, MOST_WAYS);
  if (o.among !== undefined) checkWhole('BAD_OPTION', 'among', o.among, 1, 5000);
  const grasp = graspOf(i, o.hand);
  const open = openMidis(i);
  const mm = grasp.model.mm[0]!;
  const voices = o.strings?.length ?? o.from?.length ?? Math.min(4, i.strings.length);
  const start = o.from ? placesNode(i, o.from, grasp, open) : null;
  if (o.from && !start) fail('BAD_OPTION', 'from', 'from: no hand holds this grip. Begin with another one.');
  const layers = new Map<string, Node[]>();
  const each = [...new Set(symbols)];
  for (const s of each) {
    layers.set(s, layerOf(i, s, o, voices).map((g) => nodeOf(g, open))); // prettier-ignore
    yield (layers.size / each.length) * 0.8;
  }
  const nodes = symbols.map((symbol) => layers.get(symbol)!);
  const tables = tablesBetween(mm, symbols, nodes);
  const ways = cheapestWays(
    nodes.map((n) => n.length),
    (node) => (start ? travel(mm, start, nodes[0]![node]!) : 0),
    (k, from, to) => tables[k]![from * nodes[k]!.length + to]!,
    count,
  );
  let turn = ways.next();
  for (; !turn.done; turn = ways.next()) yield 0.8 + (0.2 * turn.value) / symbols.length;
  return turn.value.map(({ cost, nodes: way }) => ({ grips: way.map((at, k) => nodes[k]![at]!.grip), travelMm: Math.round(cost * 100) / 100 })); // prettier-ignore
}

/** Travel from every grip of a chord to every one of the next, worked out once for each pair of chords; by the later one's index. */
function tablesBetween(mm: readonly number[], symbols: readonly string[], nodes: readonly Node[][]): Float64Array[] {
  const known = new Map<string, Float64Array>();
  return symbols.map((symbol, k) => {
    if (k === 0) return new Float64Array(0);
    const [there, here] = [nodes[k - 1], nodes[k]];
    const key = `${symbols[k - 1]} ${symbol}`;
    const table = known.get(key) ?? Float64Array.from({ length: there!.length * here!.length }, (_, at) => travel(mm, there![Math.floor(at / here!.length)]!, here![at % here!.length]!)); // prettier-ignore
    known.set(key, table);
    return table;
  });
}
