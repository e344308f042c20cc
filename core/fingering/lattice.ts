import { placeIndex } from '../place';
import type { Place } from '../types';
import { FREE, holdsOf, type HandModel, type Hold } from './model';

/** A place that a note may be played at; `tag` tells apart the same place in two roles (two rungs that share it). */
export interface Option extends Place {
  tag?: number;
}

/** A hold of one option. */
export interface State extends Hold {
  tag: number;
}

/** Every state of one note of a line, in the order of ties: lower hand fret, then lower finger (docs/decisions.md), then the thinner string. */
export interface Layer {
  states: State[];
  /** Hand frets that occur, ascending. */
  hands: number[];
  /** State numbers by what makes them the same. Filled when first asked for. */
  labels?: Partial<Record<Same, number[][]>>;
}

/** What two ways have in common that count as one: every place and hand fret, or every place. */
export type Same = 'hand' | 'place';

/** A line whose places are settled or still open, note by note; and, if given, which fingers each note may use. */
export interface Line {
  options: readonly (readonly Option[])[];
  /** 0 and undefined leave the finger open. */
  pins?: readonly (number | undefined)[];
}

/**
 * Builds the layers of a line one after another. Layers that depend on their options alone are built once, so a line
 * of ten thousand notes holds no more of them than there are pitches.
 */
export function layerMaker(m: HandModel, line: Line): (k: number, before: Layer | undefined) => Layer {
  const known = new Map<readonly Option[], Map<string, Layer>>();
  return (k, before) => {
    const options = line.options[k];
    const pin = line.pins?.[k] ?? 0;
    if (options.length === 1 && !pin && !options[0].tag && options[0].fret !== m.nut) return placeLayer(m, options);
    const open = options.some((o) => o.fret === m.nut);
    const key = `${pin}:${open ? (before?.hands.join() ?? 'first') : ''}`;
    const kept = known.get(options) ?? new Map<string, Layer>();
    if (!known.has(options)) known.set(options, kept);
    let layer = kept.get(key);
    if (!layer) kept.set(key, (layer = buildLayer(m, options, pin, before)));
    return layer;
  };
}

/** One stopped place, any finger: the same in every line. */
function placeLayer(m: HandModel, options: readonly Option[]): Layer {
  const key = placeIndex(options[0]);
  const kept = m.layers.get(key) as Layer | undefined;
  if (kept) return kept;
  const layer = buildLayer(m, options, 0, undefined);
  m.layers.set(key, layer);
  return layer;
}

function buildLayer(m: HandModel, options: readonly Option[], pin: number, before: Layer | undefined): Layer {
  const states: State[] = [];
  for (const o of options) addStates(m, states, o, pin, before);
  if (options.length > 1) states.sort((a, b) => a.hand - b.hand || a.finger - b.finger || a.string - b.string || a.tag - b.tag);
  const hands: number[] = [];
  for (const { hand } of states) if (hands[hands.length - 1] !== hand) hands.push(hand);
  return { states, hands };
}

/** On an open string the hand waits where it was, or is still free to come down anywhere. */
function addStates(m: HandModel, states: State[], o: Option, pin: number, before: Layer | undefined): void {
  const tag = o.tag ?? 0;
  const { string, fret } = o;
  if (fret === m.nut) {
    if (!pin) for (const hand of before?.hands ?? [FREE]) states.push({ string, fret, finger: 0, hand, reachMm: 0, cost: 0, tag });
  } else
    for (const { finger, hand, reachMm, cost } of holdsOf(m, string, fret))
      if (!pin || finger === pin) states.push({ string, fret, finger, hand, reachMm, cost, tag });
}

/** The states of a layer in groups that count as one. */
export function labelsOf(layer: Layer, same: Same): number[][] {
  layer.labels ??= {};
  return (layer.labels[same] ??= grouped(layer, same));
}

function grouped(layer: Layer, same: Same): number[][] {
  const labels = new Map<number, number[]>();
  layer.states.forEach((s, n) => {
    const key = placeIndex(s) * 64 + (same === 'hand' ? s.hand : 0);
    const known = labels.get(key);
    if (known) known.push(n);
    else labels.set(key, [n]);
  });
  return [...labels.values()];
}
