import { placeIndex } from '../place';
import { FREE, holdsOf, reachSide, type HandModel } from './model';
import type { Layer, Option, State } from './states';

/** A line whose places are settled or still open, note by note; and, if given, which fingers each note may use. */
export interface Line {
  /** For each note, the places where it may be played. */
  readonly options: readonly (readonly Option[])[];
  /** 0 and undefined leave the finger open. */
  readonly pins?: readonly (number | undefined)[];
}

/** Gives the layers of a line, each built once: a line of ten thousand notes holds no more of them than there are pitches. */
export function layerMaker(m: HandModel, line: Line): (k: number) => Layer {
  const known = new Map<readonly Option[], Layer[]>();
  return (k) => {
    const options = line.options[k];
    const pin = line.pins?.[k] ?? 0;
    if (options!.length === 1 && !pin && !options![0]!.tag) return placeLayer(m, options!);
    const byPin = known.get(options!) ?? [];
    known.set(options!, byPin);
    return (byPin[pin] ??= buildLayer(m, options!, pin));
  };
}

/** One place, any finger: the same in every line. */
function placeLayer(m: HandModel, options: readonly Option[]): Layer {
  const key = placeIndex(options[0]!);
  const kept = m.layers.get(key);
  if (kept) return kept;
  const layer = buildLayer(m, options, 0);
  m.layers.set(key, layer);
  return layer;
}

function buildLayer(m: HandModel, options: readonly Option[], pin: number): Layer {
  const states: State[] = [];
  for (const o of options) addStates(m, states, o, pin);
  if (options.length > 1) states.sort((a, b) => a.hand - b.hand || a.finger - b.finger || a.string - b.string || a.tag - b.tag);
  const holds: State[] = [];
  const holdOf = Uint8Array.from(states, (s) => {
    const at = holds.findIndex((h) => h.string === s.string && h.fret === s.fret && h.finger === s.finger);
    return at < 0 ? holds.push(s) - 1 : at;
  });
  return { states, side: Uint8Array.from(states, (s) => reachSide(m, s)), holdOf, holds, labelOf: labelled(states) };
}

/** On an open string the hand waits wherever it was, or is still free to come down anywhere. */
function addStates(m: HandModel, states: State[], o: Option, pin: number): void {
  const tag = o.tag ?? 0;
  const { string, fret } = o;
  if (fret === m.nut) {
    if (pin) return;
    const open = (hand: number): void => void states.push({ string, fret, finger: 0, hand, reachMm: 0, cost: 0, tag });
    open(FREE);
    for (let hand = m.nut + 1; hand <= m.last; hand++) open(hand);
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
    return known.get(key)!;
  });
}
