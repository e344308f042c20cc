import { placeIndex } from '../place';
import { FREE, holdsOf, reachSide, type HandModel } from './model';
import type { Layer, Option, State } from './states';

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
  const kept = m.layers.get(key);
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
  const holds: State[] = [];
  const holdOf = Uint8Array.from(states, (s) => {
    const at = holds.findIndex((h) => h.string === s.string && h.fret === s.fret && h.finger === s.finger);
    return at < 0 ? holds.push(s) - 1 : at;
  });
  return { states, hands, side: Uint8Array.from(states, (s) => reachSide(m, s)), holdOf, holds, labelOf: labelled(states) };
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

/** Numbers for each place and hand fret, in the order of the states. */
function labelled(states: State[]): Uint16Array {
  const known = new Map<number, number>();
  return Uint16Array.from(states, (s) => {
    const key = placeIndex(s) * 64 + s.hand;
    if (!known.has(key)) known.set(key, known.size);
    return known.get(key) as number;
  });
}
