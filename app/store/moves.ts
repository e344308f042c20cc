import { MOST_PINS, type RungRef, type StudyBody } from '../../contract';
import {
  CoreError,
  anchoredLayout,
  isScale,
  layOut,
  movedKey,
  nutFret,
  pinsIn,
  plainPlace,
  ruleOf,
  samePlace,
  shapeAtRoot,
  shapeRef,
  type Instrument,
  type Layout,
  type PinHere,
  type Place,
  type ScaleRef,
  type Shape,
} from '../../core';
import { loosened } from './question';
import { licksStay } from './licks';
import { rungIndex, rungOf } from './study';

/** The player's moves, each as the fields it changes. */
type Edit = Partial<StudyBody>;

/** One rung up or down; null at the end of the ladder. */
export function stepRung(shapes: Shape[], current: number, by: 1 | -1): Edit | null {
  const shape = shapes[current + by];
  return shape ? { rung: rungOf(shape) } : null;
}

/** Moved by 12 until it lies between nut and last fret. */
export function foldFret(fret: number, nut: number, last: number): number {
  let f = fret;
  while (f < nut && f + 12 <= last) f += 12;
  while (f > last && f - 12 >= nut) f -= 12;
  return f;
}

/** The same shape in a key some half steps away: the hand goes with it, folded to stay on the neck. */
export function changeKey(body: StudyBody, by: number): Edit {
  const rung = movedRung(body, by);
  return { ...withScale(body, movedKey(body.scale, by)), rung, pins: movedPins(body, rung.fret - body.rung.fret) };
}

/** Settled fingers go along with the shapes; folded by twelve where the neck ends, and left where they are if they fit nowhere. */
function movedPins({ pins, instrument }: StudyBody, by: number): StudyBody['pins'] {
  return pins.map((pin) => {
    const fret = foldFret(pin.fret + by, nutFret(instrument), instrument.frets);
    const moved = fret - pin.fret;
    if (fret < nutFret(instrument) || fret > instrument.frets) return pin;
    const shape = pin.shape && {
      ...pin.shape,
      lowFret: Math.max(0, Math.min(36, pin.shape.lowFret + moved)),
      number: ruleOf(pin.shape.kind).still ? pin.shape.number + moved : pin.shape.number,
    };
    return { ...pin, fret, ...(shape ? { shape } : {}) };
  });
}

/** Windows are numbered by their fret, so their number moves too. */
function movedRung({ instrument, layout, rung }: StudyBody, by: number): RungRef {
  const fret = foldFret(rung.fret + by, nutFret(instrument), instrument.frets - 2);
  return { number: ruleOf(layout.kind).still ? fret : rung.number, fret };
}

/** What was settled note by note of a line belongs to the scale and the neck it was settled on. */
const afresh = (body: StudyBody): Edit => ({ connection: loosened(body.connection) });

/** Places that a layout hangs on move with the scale, so that they stay in it. */
export function withScale(body: StudyBody, scale: ScaleRef): Edit {
  return { scale, layout: anchoredLayout(body.instrument, scale, body.layout), ...afresh(body) };
}

/** A scale or mode asked for by name: n notes a string open the shape that starts on its tonic, the one nearest to the hand. */
export function typedScale(body: StudyBody, scale: ScaleRef): Edit {
  const edit = withScale(body, scale);
  return ruleOf(body.layout.kind).opensBy === 'start' ? { ...edit, rung: { number: 1, fret: body.rung.fret } } : edit;
}

export const withInstrument = (body: StudyBody, instrument: Instrument, instrumentId: string | null = null): Edit => ({
  instrument,
  instrumentId,
  ...afresh(body),
  licks: licksStay(body, instrument),
  layout: isScale(body.scale.scale) ? anchoredLayout(instrument, body.scale, body.layout) : body.layout,
});

/** The root of a shape that the sentence names: its lowest-sounding one. */
export const leadRoot = (shape: Shape | null): Place | null => shape?.roots[0] ?? null;

/** The finger that a shape has on one of its places; undefined for an open string. */
export const fingerOf = (shape: Shape, place: Place): number | undefined =>
  shape.notes.find((n) => samePlace(n, place))?.finger || undefined;

/** What is asked of the root: a string, a place, or a place and the finger on it. */
interface Wanted {
  readonly string: number;
  readonly fret?: number;
  readonly finger?: number;
}

/** The rung nearest the hand whose lowest root lies on this string; or the one that a player means by the root at this place. */
export function toRoot(layout: Layout, shapes: Shape[], current: number, { string, fret, finger }: Wanted): Edit | null {
  const here = shapes[current]?.handFret ?? 0;
  if (fret !== undefined) {
    const found = shapes[shapeAtRoot(layout.kind, shapes, { string, fret }, finger, ruleOf(layout.kind).still ? undefined : here)];
    return found ? { rung: rungOf(found) } : null;
  }
  const nearest = (lead: boolean): Shape | undefined =>
    shapes
      .filter((s) => (lead ? s.roots.slice(0, 1) : s.roots).some((r) => r.string === string))
      .sort((a, b) => Math.abs(a.handFret - here) - Math.abs(b.handFret - here))[0];
  const found = nearest(true) ?? nearest(false);
  return found ? { rung: rungOf(found) } : null;
}

/** A new layout keeps the hand where it is. */
export function withLayout(body: StudyBody, layout: Layout, current: Shape | null): Edit {
  const fret = current?.handFret ?? body.rung.fret;
  return { layout, rung: nearestRung(body, layout, fret), ...afresh(body) };
}

function nearestRung(body: StudyBody, layout: Layout, fret: number): RungRef {
  try {
    const shapes = layOut(body.instrument, body.scale, layout);
    const near = shapes.reduce((a, b) => (Math.abs(b.handFret - fret) < Math.abs(a.handFret - fret) ? b : a));
    return rungOf(shapes[rungIndex(shapes, rungOf(near))]!);
  } catch (e) {
    if (e instanceof CoreError) return { number: 1, fret };
    throw e;
  }
}

/** A grown shape begins with its root's string and gets one more at a time; after the last it stands whole again. */
export function buildNext({ layout, instrument, built }: StudyBody): Edit | null {
  if (!ruleOf(layout.kind).grows) return null;
  const next = (built ?? 0) + 1;
  return { built: next >= instrument.strings.length ? null : next };
}

/** The settled fingers that hold in a shape of the study as it is laid out. */
export const pinsOf = ({ pins, layout }: StudyBody, shape: Shape): PinHere[] => pinsIn(pins, shapeRef(layout.kind, shape), shape.notes);

/** A finger settled on a place of a shape and its copies, or `everywhere`, or free again. What was settled there gives way. */
export function withPin(body: StudyBody, shape: Shape, place: Place, finger: number | null, everywhere = false): Edit {
  const gone = new Set(pinsOf(body, shape).filter((h) => samePlace(h, place)).map((h) => h.pin)); // prettier-ignore
  const others = body.pins.filter((p) => !gone.has(p));
  if (finger === null) return { pins: others };
  return {
    pins: [...others, { ...plainPlace(place), finger, shape: everywhere ? null : shapeRef(body.layout.kind, shape) }].slice(-MOST_PINS),
  };
}

/** Several fingers of a shape settled at once, by index of its notes. */
export const withPins = (body: StudyBody, shape: Shape, fingers: readonly { readonly index: number; readonly finger: number }[]): Edit =>
  fingers.reduce<Edit>(({ pins }, f) => withPin({ ...body, pins: pins ?? body.pins }, shape, shape.notes[f.index]!, f.finger), {});

/** Fingers settled in a shape, or (without one) those that hold in no shape that there is now, let go. */
export function withoutPins(body: StudyBody, shapes: readonly Shape[], shape: Shape | null): Edit {
  const gone = new Set(shape ? pinsOf(body, shape).map((h) => h.pin) : idlePins(body, shapes));
  return { pins: body.pins.filter((p) => !gone.has(p)) };
}

/** Settled fingers that hold in no shape as the study is laid out. */
export function idlePins(body: StudyBody, shapes: readonly Shape[]): StudyBody['pins'] {
  const busy = new Set(shapes.flatMap((s) => pinsOf(body, s).map((h) => h.pin)));
  return body.pins.filter((p) => !busy.has(p));
}
