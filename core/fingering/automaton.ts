import type { Join } from '../types';
import type { Line } from './lattice';
import { beginCost, joinParts, ownParts, passParts, tooWideBothWays, type HandModel } from './model';
import { BEND_HALF, BEND_MORE } from './schools';
import { noCosts, type Costs, type Layer, type Passes, type State, type CostTally } from './states';

/** What a search minimises: the hand's own costs, and what is added to them. */
export interface Task extends Line {
  /** The hand that plays. */
  readonly hand: HandModel;
  /** Tells what is added from one state to the next. */
  readonly extra?: (a: State, b: State, tell: CostTally) => void;
  /** Tells what is added for a state itself. */
  readonly own?: (s: State, tell: CostTally) => void;
  /** Whether one state may follow another, beside what the hand allows. */
  readonly follows?: (a: State, b: State) => boolean;
  /** How each note follows the one before, how far it is bent (half steps), and how dear a move of the hand before it is (1 unless given). */
  readonly joins?: readonly (Join | null | undefined)[];
  /** Half steps by which each note is bent, if it is. */
  readonly bends?: readonly (number | null | undefined)[];
  /** How dear a move of the hand is before each note: 1 as usual, less after a rest, more where it is fast. */
  readonly pace?: readonly number[];
  /** Where a line may begin, and end: by default any state of the first and of the last note. */
  readonly startsAt?: (s: State) => boolean;
  /** Whether a line may end with a state at its note k. */
  readonly endsAt?: (s: State, k: number) => boolean;
  /** Costs found so far, where tasks share them. */
  readonly kept?: Costs;
}

const STAYS = 1;
/** A slide, and one of a half step. */
const SLIDES = 2;
const HALF = 4;
/** A move of the hand to another string, which a finger that stays on that string may guide. */
const GUIDABLE = 8;
/** Ways of having reached out (3) times ways of having slid here (none, a half step, farther). */
const PLAIN = 9;

const holdKey = (hand: number, s: State): number => (hand * 16 + s.string) * 8 + s.finger;
const MOST_HOLDS = 48 * 16 * 8;

const cell = <K, V>(map: Map<K, V>, key: K, make: () => V): V => {
  let value = map.get(key);
  if (value === undefined) map.set(key, (value = make()));
  return value;
};

/** One row of costs for all machines, overwritten each time that one is filled: no machine has to make its own. */
let scratch = new Float64Array(64);
const rowOf = (length: number): Float64Array => (scratch.length < length ? (scratch = new Float64Array(2 * length)) : scratch);

/**
 * The line as a machine of layers: a node is a state of the note and what the hand remembers of the way there (`memory`), packed in
 * one number; `step` says what the next state costs and which node it leads to. Deterministic, so that a cheapest way through
 * nodes is a cheapest way to play the line.
 *
 * Remembered: how the hand has reached out at this place (where reaching both ways would be too wide), whether the note was
 * reached by a slide, and, where the line turns, the place and finger before (for guide fingers and returning notes).
 */
export class Machine {
  readonly layers: Layer[] = [];
  /** Memories a state of each layer may have: PLAIN where nothing before is remembered. */
  readonly sizes: number[] = [];
  /** Written by `step`: the node reached, and what the memory changed of the cost. */
  to = 0;
  again = 0;
  returned = 0;
  share = 1;
  private readonly kept: Costs;
  private readonly wide: boolean[] = [];

  constructor(readonly task: Task) {
    this.kept = task.kept ?? (task.follows || task.extra || task.own ? noCosts() : task.hand.kept);
  }

  add(layer: Layer): void {
    const k = this.layers.length;
    this.layers.push(layer);
    this.sizes.push(PLAIN * (this.remembers(k) ? 1 + 2 * this.layers[k - 1]!.holds.length : 1));
  }

  /** Number of nodes of a layer. */
  nodes(k: number): number {
    return this.layers[k]!.states.length * this.sizes[k]!;
  }
  stateOf(k: number, node: number): State {
    return this.layers[k]!.states[(node / this.sizes[k]!) | 0]!;
  }
  /** The node of a state with which a line begins, and what it costs to begin there. */
  first(n: number): number {
    return n * this.sizes[0]! + this.sideOf(0, n, 0);
  }
  begins(n: number): number {
    return this.owns(0)[n]! + beginCost(this.task.hand, this.layers[0]!.states[n]!);
  }

  /** The line turns at note k: it comes back on itself, in pitch, with the next. */
  private remembers(k: number): boolean {
    const { options } = this.task;
    if (k === 0 || k + 1 >= options.length || !options[k]!.length || !options[k + 1]!.length) return false;
    const [a, b, c] = [this.pitch(k - 1), this.pitch(k), this.pitch(k + 1)];
    return a !== b && Math.sign(b - a) !== Math.sign(c - b);
  }
  private pitch(k: number): number {
    const { string, fret } = this.task.options[k]![0]!;
    return this.task.hand.open[string]! + fret;
  }

  private tooWide(hand: number): boolean {
    return (this.wide[hand] ??= tooWideBothWays(this.task.hand, hand));
  }
  private sideOf(k: number, n: number, before: number): number {
    const layer = this.layers[k]!;
    return this.tooWide(layer.states[n]!.hand) ? layer.side[n] || before : 0;
  }

  /** What the states of a layer cost by themselves. */
  owns(k: number): Float64Array {
    return (this.owned[k] ??= this.ownsOf(k));
  }
  private readonly owned: Float64Array[] = [];

  private ownsOf(k: number): Float64Array {
    const { own, bends } = this.task;
    const layer = this.layers[k]!;
    const owns = cell(this.kept.owns, layer, () =>
      Float64Array.from(layer.states, (s) => s.cost + (own ? told((t) => own(s, t)).still : 0)),
    );
    const bend = bends?.[k];
    return bend ? owns.map((c, n) => c + bendCost(bend, layer.states[n]!.finger)) : owns;
  }

  private passes(k: number): Passes {
    const [from, to] = [this.layers[k], this.layers[k + 1]];
    const join = joinIn(this.task, k + 1);
    const byFrom = cell(this.kept.passes, join, () => new Map<Layer, Map<Layer, Passes>>());
    const byTo = cell(byFrom, from!, () => new Map<Layer, Passes>());
    return cell(byTo, to!, () => this.passesOf(from!, to!, join));
  }

  private passesOf(from: Layer, to: Layer, join: Join | null): Passes {
    const size = from.states.length * to.states.length;
    const p: Passes = { still: new Float64Array(size), moving: new Float64Array(size), kind: new Uint8Array(size) };
    from.states.forEach((a, j) =>
      to.states.forEach((b, n) => {
        const at = j * to.states.length + n;
        let possible = true;
        const { still, moving } = told((t) => (possible = stepParts(this.task, a, b, join, t)));
        p.still[at] = possible ? still : Infinity;
        p.moving[at] = moving;
        const stays = a.hand === b.hand || a.finger === 0 && a.hand === 0; // prettier-ignore
        const slides = !stays && join !== 'slide' && a.finger > 0 && a.finger === b.finger && a.string === b.string && a.fret !== b.fret;
        const guidable = !stays && a.string !== b.string && b.finger > 0;
        p.kind[at] = (stays ? STAYS : 0) | (guidable ? GUIDABLE : 0) | (slides ? (Math.abs(a.fret - b.fret) === 1 ? HALF : SLIDES) : 0);
      }),
    );
    return p;
  }

  private readonly opened: Passes[] = [];
  private open(k: number): Passes {
    return (this.opened[k] ??= this.passes(k));
  }

  /** Least costs of going from a state of layer k to each of the next, whatever is remembered; good until asked for the next time. */
  leasts(k: number, a: number): Float64Array {
    const { still, moving, kind } = this.open(k);
    const to = this.layers[k + 1]!.states;
    const { free, guides, pace } = this.spares(k);
    const { hand } = this.layers[k]!.states[a]!;
    const row = rowOf(to.length);
    for (let b = 0, pass = a * to.length; b < to.length; b++, pass++) {
      const spared = kind[pass]! & free || (guides !== null && kind[pass]! & GUIDABLE && guides[holdKey(hand, to[b]!)]);
      row[b] = spared ? still[pass]! : still[pass]! + moving[pass]! * pace;
    }
    return row;
  }

  /** Into `here`, from every state of layer k: the least of going on to the next, whatever is remembered, and of what is then to come (`rest`). */
  leastOnward(k: number, rest: Float64Array, here: Float64Array): void {
    const { still, moving, kind } = this.open(k);
    const { free, guides, pace } = this.spares(k);
    const from = this.layers[k]!.states;
    const to = this.layers[k + 1]!.states;
    const owns = this.owns(k + 1);
    const worth = rowOf(to.length);
    for (let b = 0; b < to.length; b++) worth[b] = rest[b]! + owns[b]!;
    for (let a = 0, pass = 0; a < here.length; a++) {
      let best = here[a]!;
      for (let b = 0; b < to.length; b++, pass++) {
        if (worth[b]! >= best) continue;
        const spared = kind[pass]! & free || (guides !== null && kind[pass]! & GUIDABLE && guides[holdKey(from[a]!.hand, to[b]!)]);
        const cost = (spared ? still[pass]! : still[pass]! + moving[pass]! * pace) + worth[b]!;
        if (cost < best) best = cost;
      }
      here[a] = best;
    }
  }

  /** What may make a move from layer k on cost nothing: the kind of it that goes on with a slide of a half step, and fingers that guide; and how dear it is else. */
  private spares(k: number): { readonly free: number; readonly guides: Uint8Array | null; readonly pace: number } {
    return {
      free: k > 0 && Math.abs(this.pitch(k) - this.pitch(k - 1)) === 1 ? HALF : 0,
      guides: this.sizes[k]! > PLAIN ? this.guides(k) : null,
      pace: this.paceOf(k + 1),
    };
  }

  private readonly guiding: Uint8Array[] = [];
  /** Which fingers on which strings, by hand fret, the note before k may leave as guides. */
  private guides(k: number): Uint8Array {
    const known = this.guiding[k];
    if (known) return known;
    const may = new Uint8Array(MOST_HOLDS);
    for (const s of this.layers[k - 1]!.states) may[holdKey(s.hand, s)] = 1;
    return (this.guiding[k] = may);
  }

  /** Cost of going from a node of layer k to a state of the next, its own cost not included; the node reached is `to`. */
  step(k: number, node: number, b: number): number {
    this.to = 0;
    const { still, moving, kind } = this.open(k);
    const size = this.sizes[k]!;
    const a = (node / size) | 0;
    const next = this.layers[k + 1]!;
    const pass = a * next.states.length + b;
    if (still[pass] === Infinity) return Infinity;
    const memory = node % size;
    const slid = kind[pass]! & HALF ? 1 : kind[pass]! & SLIDES ? 2 : 0;
    const stays = (kind[pass]! & STAYS) > 0;
    const side = this.tooWide(next.states[b]!.hand) ? next.side[b] : 0;
    const reached = stays ? memory % 3 : 0;
    if (side && reached && side !== reached) return Infinity;
    const before = ((memory / 3) | 0) % 3;
    this.again = slid && before ? this.slidesOn(k, next.states[b]!.finger, slid === 1 && before === 1) : 0;
    this.returned = 0;
    this.share = 1;
    if (size > PLAIN && memory >= PLAIN) this.remember(k, a, ((memory / PLAIN) | 0) - 1, b, stays);
    let kept = 0;
    if (this.sizes[k + 1]! > PLAIN) kept = this.keeps(k, a, b, stays);
    this.to = b * this.sizes[k + 1]! + kept * PLAIN + slid * 3 + (side || (this.tooWide(next.states[b]!.hand) ? reached : 0));
    return still[pass]! + moving[pass]! * this.paceOf(k + 1) * this.share + this.again + this.returned;
  }

  private paceOf(k: number): number {
    return this.task.pace?.[k] ?? 1;
  }

  /** A slide over two half steps is one slide; any other after a slide is one too many. */
  private slidesOn(k: number, finger: number, one: boolean): number {
    const { again, slide } = this.task.hand.costs;
    return one ? -slide[finger]! * this.paceOf(k + 1) : again;
  }

  /** A note that comes back at once keeps its finger; a finger that stays on its string guides the hand. */
  private remember(k: number, a: number, kept: number, b: number, stays: boolean): void {
    const held = this.layers[k - 1]!.holds[kept >> 1];
    const from = this.layers[k]!.states[a];
    const to = this.layers[k + 1]!.states[b];
    if (!to!.finger) return;
    if (held!.string === to!.string && held!.fret === to!.fret) {
      if (held!.finger !== to!.finger && !this.task.bends?.[k + 1]) this.returned = this.task.hand.costs.change;
    } else if (!stays && kept & 1 && held!.string === to!.string && held!.finger === to!.finger && held!.string !== from!.string)
      this.share = this.task.hand.costs.guide;
  }

  /** What of the last note's hold is to be kept beyond this one; 0 where nothing of it can matter. */
  private keeps(k: number, a: number, b: number, stays: boolean): number {
    const from = this.layers[k]!.states[a];
    if (!from!.finger) return 0;
    const returns = this.pitch(k) === this.pitch(k + 2);
    const guides = stays && from!.string !== this.layers[k + 1]!.states[b]!.string;
    return returns || guides ? 1 + 2 * this.layers[k]!.holdOf[a]! + (stays ? 1 : 0) : 0;
  }
}

const joinIn = (task: Task, k: number): Join | null => {
  const join = task.joins?.[k] ?? null;
  return join === 'hammer' || join === 'pull' || join === 'slide' ? join : null;
};

const bendCost = (bend: number, finger: number): number => (bend > 1 ? BEND_MORE : BEND_HALF)[finger]!;

/** What a telling adds up to. */
function told(tell: (t: CostTally) => void): { readonly still: number; readonly moving: number } {
  const sum = { still: 0, moving: 0 };
  tell((_, mm, moving) => (moving ? (sum.moving += mm) : (sum.still += mm)));
  return sum;
}

/** Tells everything that one state after another costs, memory aside; false where it cannot follow. */
function stepParts(task: Task, a: State, b: State, join: Join | null, tell: CostTally): boolean {
  if (task.follows?.(a, b) === false || !passParts(task.hand, a, b, tell)) return false;
  if (join) joinParts(task.hand, a, b, join, tell);
  task.extra?.(a, b, tell);
  return true;
}

/** Tells what the note at `index` of a way adds to its cost, part by part. */
export function tellStep(machine: Machine, nodes: readonly number[], index: number, tell: CostTally): void {
  const { task } = machine;
  const b = machine.stateOf(index, nodes[index]!);
  if (index > 0) {
    const a = machine.stateOf(index - 1, nodes[index - 1]!);
    machine.step(index - 1, nodes[index - 1]!, machine.layers[index]!.states.indexOf(b));
    const { again, returned, share } = machine;
    const pace = (task.pace?.[index] ?? 1) * share;
    stepParts(task, a, b, joinIn(task, index), (word, mm, moving) => tell(word, moving ? mm * pace : mm));
    if (again) tell('slide', again);
    if (returned) tell('change', returned);
  } else tell('finger', beginCost(task.hand, b));
  ownTold(task, b, index, tell);
}

function ownTold(task: Task, s: State, index: number, tell: CostTally): void {
  ownParts(task.hand, s, tell);
  task.own?.(s, tell);
  const bend = task.bends?.[index];
  if (bend) tell('bend', bendCost(bend, s.finger));
}
