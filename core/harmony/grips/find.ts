import { checkHand, runToEnd } from '../../fingering';
import { checkOneOf, checkWhole, fail } from '../../errors';
import { checkInstrument, nutFret, openMidis } from '../../instrument';
import { placeIndex } from '../../place';
import type { Instrument, Place, Shape } from '../../types';
import { parseChord, type Chord } from '../symbol';
import { barreFrom, flattest } from './barre';
import { GRIP, HIGH_HAND, INNER_MOST } from './costs';
import { graspOf, leastHoldCost, MUTED } from './hold';
import type { Grip, GripOptions } from './types';
import type { FoundGrips, Pass, Search } from './search';
import { wantedOf } from './wanted';

const FIRST_ROOM = 1024;
/** Room for the number of a grip beside its cost in hundredths of a millimetre. */
const MOST = 2 ** 30;

/** Room for twice as many. */
function grow(found: FoundGrips): void {
  const keys = new Float64Array(found.keys.length * 2);
  const rows = new Int8Array(found.rows.length * 2);
  keys.set(found.keys);
  rows.set(found.rows);
  found.keys = keys;
  found.rows = rows;
}

function searchOf(i: Instrument, chord: Chord, o: GripOptions, within?: ReadonlySet<number>): Search {
  const nut = nutFret(i);
  const open = [0, ...openMidis(i)];
  const wanted = wantedOf(chord, o);
  const from = Math.max(o.fromFret ?? nut, o.shape ? o.shape.lowFret : nut);
  const to = Math.min(o.toFret ?? i.frets, o.shape ? o.shape.highFret : i.frets);
  const allowed = (string: number, fret: number): boolean => {
    if (o.strings && !o.strings.includes(string)) return false;
    if (o.open === false && fret === nut) return false;
    return !within || within.has(placeIndex({ string, fret }));
  };
  const tones = open.map((midi, string) =>
    Array.from({ length: i.frets + 1 }, (_, fret) =>
      string && fret >= from && fret <= to && allowed(string, fret) ? wanted.toneAt[(midi + fret) % 12]! : -1,
    ),
  );
  return { grasp: graspOf(i, o.hand), wanted, o, open, nut, last: i.frets, from, to, tones, rest: [], near: o.near ?? null, found: { count: 0, keys: new Float64Array(FIRST_ROOM), rows: new Int8Array(FIRST_ROOM * 2 * i.strings.length) }, shared: { places: open.map(() => []), muted: new Map(), omitted: new Map(), barres: new Map() } }; // prettier-ignore
}

/** Frets above the lowest stopped one that a hand may reach at all. */
const REACH = 5;

/** Patterns of stopped strings are numbers in this base: 0 for a string that is not stopped, else its fret above the lowest and one. */
const BASE = 8;

/** Looks through every grip whose lowest stopped fret is `low`; 0 for those of open strings alone. */
function searchFrom(s: Search, low: number): void {
  const { tones, nut } = s;
  const { strings } = s.grasp;
  const high = low ? highest(s, low) : 0;
  const options = tones.map((row) => {
    const list: number[] = [];
    if (low) for (let f = low; f <= high; f++) if (row[f]! >= 0) list.push(f);
    if (row[nut]! >= 0) list.push(nut);
    return list;
  });
  s.rest = [0];
  for (let k = 1; k <= strings; k++) s.rest[k] = options[k]!.reduce((bits, f) => bits! | (1 << tones[k]![f]!), s.rest[k - 1])!;
  const pass: Pass = { low, frets: Array.from({ length: strings + 1 }, () => MUTED), options, lows: 0, holds: new Map() };
  go(s, pass, strings, 0, 0, 0, SILENT, 0);
}

/** Nothing has sounded yet. Else a number of gaps is INNER times the strings damped between sounding ones, and those since. */
const SILENT = -1;
const INNER = 16;

/**
 * The strings from `string` to the thinnest. `mask`: tones so far; `fingers`: the least that the stopped strings need; `runs`: bits of
 * frets above the lowest at which a finger could go on lying flat; `gaps`: see SILENT.
 */
function go(s: Search, p: Pass, string: number, mask: number, fingers: number, runs: number, gaps: number, pattern: number): void {
  const { wanted, tones, nut, o } = s;
  if (string === 0) {
    if (p.lows > 0 === p.low > 0) take(s, p, mask, pattern);
    return;
  }
  if (((mask | s.rest[string]!) & wanted.must) !== wanted.must) return;
  const inner = gaps === SILENT ? 0 : Math.floor(gaps / INNER) + (gaps % INNER);
  if (inner <= INNER_MOST && (inner === 0 || o.skip !== false)) {
    for (const fret of p.options[string]!) {
      const bit = 1 << tones[string]![fret]!;
      if (o.double === false && mask & bit) continue;
      p.frets[string] = fret;
      if (fret === nut) {
        go(s, p, string - 1, mask | bit, fingers, 0, inner * INNER, pattern * BASE);
        continue;
      }
      const run = 1 << (fret - p.low);
      const needed = fingers + (runs & run ? 0 : 1);
      if (needed > 4) continue;
      if (fret === p.low) p.lows++;
      go(s, p, string - 1, mask | bit, needed, (runs & (run - 1)) | run, inner * INNER, pattern * BASE + fret - p.low + 1);
      if (fret === p.low) p.lows--;
    }
  }
  p.frets[string] = MUTED;
  go(s, p, string - 1, mask, fingers, 0, gaps === SILENT ? SILENT : gaps + 1, pattern * BASE);
}

/** The highest fret that a hand reaches whose lowest stopped fret is `low`. */
function highest({ grasp: { model: m }, last }: Search, low: number): number {
  let high = Math.min(last, low + 3);
  while (high < last && high < low + REACH && m.longest[high + 1]! - m.longest[low]! <= m.spanMm[low]!) high++;
  return high;
}

/** Counts every damped string between sounding ones; Infinity where no neighbouring finger damps one. */
function innerMutes(s: Search, frets: readonly number[]): { readonly inner: number; readonly below: number; readonly above: number } {
  const { strings } = s.grasp;
  let first = strings;
  while (first > 0 && frets[first] === MUTED) first--;
  let last = 1;
  while (last < first && frets[last] === MUTED) last++;
  let inner = 0;
  for (let k = first - 1; k > last; k--) {
    if (frets[k] !== MUTED) continue;
    inner += Math.max(frets[k + 1]!, frets[k - 1]!) > s.nut ? 1 : Infinity;
  }
  return { inner, below: strings - first, above: last - 1 };
}

const NOT_HELD: { readonly cost: number; readonly fingers: number[] } = { cost: Infinity, fingers: [] };

/** How the strings that a pattern stops are held; worked out once a pattern. */
function heldAs({ grasp }: Search, p: Pass, pattern: number): { readonly cost: number; readonly fingers: number[] } {
  const known = p.holds.get(pattern);
  if (known) return known;
  const cost = leastHoldCost(grasp, p.frets);
  let found = NOT_HELD;
  if (cost !== Infinity) {
    const fingers = new Array<number>(grasp.strings + 1).fill(0);
    for (let k = 0; k < grasp.order.length; k++) fingers[grasp.order[k]!] = grasp.fingers[k]!;
    found = { cost, fingers };
  }
  p.holds.set(pattern, found);
  return found;
}

/** Judges a full set of frets, and keeps it if a hand can hold it. */
function take(s: Search, p: Pass, mask: number, pattern: number): void {
  const { wanted, grasp, found } = s;
  const { frets } = p;
  if ((mask & wanted.must) !== wanted.must) return;
  let lowest = Infinity;
  let opens = 0;
  let unisons = 0;
  for (let k = 1; k <= grasp.strings; k++) {
    if (frets[k] === MUTED) continue;
    const midi = s.open[k]! + frets[k]!;
    lowest = Math.min(lowest, midi);
    if (frets[k] === s.nut) opens++;
    for (let j = 1; j < k; j++) if (frets[j] !== MUTED && s.open[j]! + frets[j]! === midi) unisons++;
  }
  if (wanted.bass >= 0 && lowest % 12 !== wanted.bass) return;
  const held = heldAs(s, p, pattern);
  if (held === NOT_HELD) return;
  const mutes = innerMutes(s, frets);
  if (mutes.inner === Infinity) return;
  const cost = held.cost + soundCost(s, mask, lowest, mutes) + unisons * GRIP.unison + placeCost(s, p.low, opens);
  if (found.count === found.keys.length) grow(found);
  found.keys[found.count] = Math.round(cost * 100) * MOST + found.count;
  let at = found.count++ * 2 * grasp.strings;
  for (let k = grasp.strings; k >= 1; k--) {
    found.rows[at++] = frets[k]!;
    found.rows[at++] = held.fingers[k]!;
  }
}

/** What a player would miss: strings and tones left out, another tone than the root lowest. */
function soundCost(
  { wanted }: Search,
  mask: number,
  lowest: number,
  m: { readonly inner: number; readonly below: number; readonly above: number },
): number {
  let left = wanted.all & ~mask;
  let omitted = 0;
  for (; left; left &= left - 1) omitted++;
  const inverted = wanted.bass < 0 && wanted.toneAt[lowest % 12] !== 0 ? GRIP.inverted : 0;
  return m.inner * GRIP.innerMute + m.below * GRIP.muteBelow + m.above * GRIP.muteAbove + omitted * GRIP.omitted + inverted;
}

/** How far the hand is from the nut, or from where it is asked to be. */
function placeCost({ grasp: { model: m }, near, nut }: Search, low: number, opens: number): number {
  const at = low || near || nut + 1;
  const away =
    near === null ? GRIP.perMm * (m.mm[0]![at]! - m.mm[0]![nut + 1]!) : GRIP.nearPerMm * Math.abs(m.mm[0]![at]! - m.mm[0]![near]!);
  return away + (low - nut >= HIGH_HAND ? opens * GRIP.openAbove : 0);
}

/** The best first: by cost, of equal ones that with the lower stopped fret, then that found first. */
const ranked = ({ found: { keys, count } }: Search, most: number): Float64Array => keys.subarray(0, count).sort().subarray(0, most);

function once<T extends object>(known: Map<number, T>, key: number, make: () => T): T {
  let value = known.get(key);
  if (!value) known.set(key, (value = Object.freeze(make())));
  return value;
}

function gripAt(s: Search, key: number): Grip {
  const { strings } = s.grasp;
  const { wanted, open, shared } = s;
  const { rows } = s.found;
  const from = (key % MOST) * 2 * strings;
  let silent = 0;
  for (let k = strings, at = from; k >= 1; k--, at += 2) if (rows[at] === MUTED) silent |= 1 << k;
  const muted = once(shared.muted, silent, () => Array.from({ length: strings }, (_, k) => strings - k).filter((k) => silent & (1 << k)));
  const places: Place[] = new Array<Place>(strings - muted.length);
  const fingers: number[] = new Array<number>(strings - muted.length);
  let mask = 0;
  let lowest = Infinity;
  let used = 0;
  let flat = 0;
  for (let k = strings, at = from, n = 0; k >= 1; k--, at += 2) {
    const fret = rows[at]!;
    if (fret === MUTED) continue;
    const finger = rows[at + 1]!;
    places[n] = shared.places[k]![fret] ??= Object.freeze({ string: k, fret });
    fingers[n++] = finger;
    flat |= used & (1 << finger) & ~1;
    used |= 1 << finger;
    mask |= 1 << s.tones[k]![fret]!;
    lowest = Math.min(lowest, open[k]! + fret);
  }
  const omitted = once(shared.omitted, mask, () => wanted.degrees.filter((_, k) => !(mask & (1 << k))));
  const grip: Grip = { places, fingers, muted, inversion: wanted.toneAt[lowest % 12]!, omitted, costMm: Math.floor(key / MOST) / 100 };
  if (flat) grip.barre = sharedBarre(s, places, fingers);
  return grip;
}

function sharedBarre(s: Search, places: readonly Place[], fingers: readonly number[]): Grip['barre'] {
  const found = flattest(places, fingers);
  if (!found) return undefined;
  const key = ((found.finger * 64 + places[found.first]!.fret) * 16 + places[found.first]!.string) * 16 + places[found.last]!.string;
  return once(s.shared.barres, key, () => barreFrom(places, found));
}

function checked(i: Instrument, o: GripOptions): void {
  checkInstrument(i);
  checkHand('finger-per-fret', o.hand);
  for (const field of ['fromFret', 'toFret', 'near'] as const)
    if (o[field] !== undefined) checkWhole('BAD_OPTION', field, o[field], 0, i.frets);
  if (o.count !== undefined) checkWhole('BAD_OPTION', 'count', o.count, 1, Number.MAX_SAFE_INTEGER);
  o.strings?.forEach((s, k) => checkWhole('BAD_OPTION', `strings[${k}]`, s, 1, i.strings.length));
  for (const field of ['omit', 'double', 'invert', 'open', 'skip'] as const)
    if (o[field] !== undefined) checkOneOf('BAD_OPTION', field, String(o[field]), ['true', 'false']);
}

function* allGrips(i: Instrument, symbol: string, o: GripOptions, within?: ReadonlySet<number>): Generator<number, Grip[]> {
  checked(i, o);
  const s = searchOf(i, parseChord(symbol), o, within);
  const first = Math.max(s.nut + 1, s.from);
  for (let low = first; low <= s.to; low++) {
    searchFrom(s, low);
    yield (low - first + 1) / (s.to - first + 2);
  }
  if (s.from <= s.nut) searchFrom(s, 0);
  const grips = Array.from(ranked(s, o.count ?? Infinity), (key) => gripAt(s, key));
  return grips.length ? grips : fail('NO_SHAPE_FITS', 'chord', whyNone(s, symbol));
}

function whyNone({ wanted, grasp, o }: Search, symbol: string): string {
  const strings = o.strings?.length ?? grasp.strings;
  let needed = 0;
  for (let bits = wanted.must; bits; bits &= bits - 1) needed++;
  return strings < needed
    ? `${symbol} needs ${needed} strings; there ${strings === 1 ? 'is 1' : `are ${strings}`}. Take a smaller chord or more strings.`
    : `No hand holds ${symbol} there. Allow more frets or strings, another bass, or a tone left out.`;
}

/**
 * Every grip of a chord that a hand can hold, one entry a set of places, by costMm (see docs/hand.md): at most one note a string, four
 * fingers that rise with the frets, barres, open strings, strings left out (two at most between sounding ones, each damped by a
 * finger beside it). Exact. Throws BAD_OPTION for a symbol or option, NO_SHAPE_FITS where there is none, saying why.
 * @example gripsOf(six, 'Am', { count: 1 })[0].places.length // 5
 */
export const gripsOf = (i: Instrument, symbol: string, o: GripOptions = {}): Grip[] => runToEnd(allGrips(i, symbol, o));

/** The same, fret by fret: yields the share that is done. */
export const seekingGrips = (i: Instrument, symbol: string, o: GripOptions = {}): Generator<number, Grip[]> => allGrips(i, symbol, o);

/**
 * The same inside a shape's own places.
 * @example gripsInShape(six, box, 'Am')[0].places.length // 5
 */
export const gripsInShape = (i: Instrument, shape: Shape, symbol: string, o: GripOptions = {}): Grip[] =>
  runToEnd(allGrips(i, symbol, { ...o, shape }, new Set(shape.notes.map(placeIndex))));
