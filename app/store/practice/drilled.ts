import type { DrillForm, Lick, StudyBody } from '../../../contract';
import {
  CoreError,
  defaultSchool,
  degreeOfNote,
  drillLine,
  drillNotes,
  fingerLick,
  layOut,
  lickTiming,
  midiOf,
  neckNotes,
  placeIndex,
  plainNote,
  rootClass,
  rungNotes,
  spellerIn,
  struckNotes,
  TICKS,
  type DrillLine,
  type DrillNote,
  type DrillOptions,
  type Instrument,
  type ScaleRef,
  type Shape,
  type ShapeNote,
} from '../../../core';

/** A drill with everything that is played, shown and said of it. */
export interface Drilled {
  readonly form: DrillForm;
  readonly instrument: Instrument;
  readonly notes: DrillNote[];
  readonly line: DrillLine;
  /** Start of each note in ticks. */
  readonly starts: number[];
  /** Indices of the notes that are the root of the drill. */
  readonly returns: number[];
  /** What the log calls it: `box/1`, `rungs`, `route/…`, `lick/…`. */
  readonly key: string;
  /** The shape whose place on the neck it keeps to; null for rungs, routes and licks. */
  readonly shape: Shape | null;
}
export type DrillResult = { readonly drill: Drilled } | { readonly problem: string };

/** What of a study a drill hangs on. */
export type DrillStudy = Pick<StudyBody, 'instrument' | 'scale' | 'layout' | 'school' | 'hand' | 'over' | 'routes' | 'licks'>;

interface From {
  readonly body: DrillStudy;
  readonly shapes: readonly Shape[];
  readonly current: number;
}

/** The drill that a form makes of a study as it is laid out; or why there is none, in words. */
export function drilled(form: DrillForm, from: From): DrillResult {
  try {
    return { drill: make(form, from) };
  } catch (e) {
    if (e instanceof CoreError) return { problem: e.message };
    throw e;
  }
}

const refuse = (field: string, words: string): never => {
  throw new CoreError('BAD_OPTION', field, words);
};

function make(form: DrillForm, from: From): Drilled {
  const { body, shapes, current } = from;
  if (form.of === 'lick') return ofLick(form, body);
  if (form.of === 'route') {
    const route = body.routes.find((r) => r.id === form.line) ?? body.routes.at(0);
    if (!route) return refuse('drill', 'There is no kept route in this study: keep one on Connect.');
    return ofLine(form, body, route.on.instrument, route.on.scale, route.steps, `route/${route.id}`);
  }
  const shape = shapes[current];
  if (!shape) return refuse('drill', 'There is no shape to play: this scale is not laid out on this neck.');
  const options = optionsOf(form, shape, from);
  if (form.of === 'rungs') {
    const notes = rungNotes(shapes, { ...options, motion: form.motion, touchRoot: form.touchRoot });
    return whole(form, body, { instrument: body.instrument, notes, key: 'rungs', shape: null, root: rootClass(shape, form.root) });
  }
  const notes = drillNotes(shape, options);
  return whole(form, body, { instrument: body.instrument, notes, key: shapeKey(body, shape), shape, root: rootClass(shape, form.root) });
}

/** What the log calls a shape: its layout and its number there. */
export const shapeKey = ({ layout }: Pick<StudyBody, 'layout'>, shape: Pick<Shape, 'number'>): string => `${layout.kind}/${shape.number}`;

/** The roots of a shape that a drill can hang on, the lowest first. */
export function homesOf(shape: Shape, form: Pick<DrillForm, 'root' | 'strings'>): ShapeNote[] {
  const root = rootClass(shape, form.root);
  return shape.notes.filter((n) => n.midi % 12 === root && (!form.strings.length || form.strings.includes(n.string)));
}

function optionsOf(form: DrillForm, shape: Shape, { body, shapes, current }: From): DrillOptions {
  const homes = homesOf(shape, form);
  const home = homes[Math.min(form.home, homes.length - 1)];
  return {
    order: form.order,
    turn: form.turn,
    root: form.root,
    ...(home ? { start: { string: home.string, fret: home.fret } } : {}),
    everyRoot: form.everyRoot,
    group: form.group,
    interval: form.interval,
    size: form.size,
    back: form.back,
    scaleFirst: form.scaleFirst,
    ...(form.downOver && body.over ? { down: overShape(body, body.over, shapes[current]!) } : {}),
    ...(form.strings.length ? { strings: form.strings } : {}),
    seed: form.seed,
    count: form.count,
    lean: form.lean,
    endOnRoot: form.endOnRoot,
  };
}

/** The shape of the scale laid over that lies nearest to a shape. */
function overShape(body: DrillStudy, over: ScaleRef, at: Shape): Shape {
  const shapes = layOut(body.instrument, over, body.layout, { hand: body.hand });
  const far = (s: Shape): number => Math.abs(s.handFret - at.handFret) + Math.abs(s.lowFret - at.lowFret) / 10;
  return shapes.reduce((a, b) => (far(b) < far(a) ? b : a));
}

interface Made {
  readonly instrument: Instrument;
  readonly notes: readonly ShapeNote[];
  readonly key: string;
  readonly shape: Shape | null;
  readonly root: number;
}

const schoolOf = (body: DrillStudy) => body.school ?? defaultSchool(body.layout);

function whole(form: DrillForm, body: DrillStudy, { instrument, notes, key, shape, root }: Made): Drilled {
  const { rhythm, accent, articulation } = form;
  const line = drillLine(instrument, notes, { rhythm, accent, articulation, school: schoolOf(body), hand: body.hand });
  return withStarts({ form, instrument, notes: notes.map(plainNote), line, key, shape }, root);
}

function withStarts(d: Omit<Drilled, 'starts' | 'returns'>, root: number): Drilled {
  let at = 0;
  const starts = d.line.ticks.map((t) => (at += t) - t);
  return { ...d, starts, returns: d.notes.flatMap((n, k) => (n.midi % 12 === root ? [k] : [])) };
}

/** Places in playing order, as notes that know their names; fingers are kept where they are settled. */
function named(
  i: Instrument,
  scale: ScaleRef,
  places: readonly { readonly string: number; readonly fret: number; readonly finger?: number }[],
): ShapeNote[] {
  const known = new Map(neckNotes(i, scale).map((n) => [placeIndex(n), n]));
  const spell = spellerIn(scale);
  return places.map(({ string, fret, finger }): ShapeNote => {
    const midi = midiOf(i.strings[string - 1]!.open) + fret;
    const name = spell(midi).replace(/-?\d+$/, '');
    const note = known.get(placeIndex({ string, fret })) ?? { string, fret, midi, name, degree: degreeOfNote(scale.tonic, name), role: 'outside' as const, added: false }; // prettier-ignore
    return { ...note, finger };
  });
}

/** A line of places as a shape in playing order, so that every order can be played on it. */
const lineShape = (notes: ShapeNote[]): Shape => ({ id: 'line', number: 0, label: 'the line', notes, cells: [], lowFret: 0, highFret: 0, widthMm: 0, roots: [], jogs: [], stretches: [], handFret: 1, hands: [] }); // prettier-ignore

function ofLine(
  form: DrillForm,
  body: DrillStudy,
  instrument: Instrument,
  scale: ScaleRef,
  places: readonly { readonly string: number; readonly fret: number; readonly finger?: number }[],
  key: string,
): Drilled {
  if (!places.length) return refuse('drill', 'This line has no notes to play.');
  const line = lineShape(named(instrument, scale, places));
  const options = optionsOf({ ...form, downOver: false }, line, { body, shapes: [line], current: 0 });
  return whole(form, body, { instrument, notes: drillNotes(line, options), key, shape: null, root: rootClass(line, form.root) });
}

/** A lick: straight through with its own lengths, or its notes in another order and rhythm. */
function ofLick(form: DrillForm, body: DrillStudy): Drilled {
  const lick = body.licks.find((l) => l.id === form.line) ?? body.licks.at(0);
  if (!lick) return refuse('drill', 'There is no lick in this study: write one in Licks.');
  const instrument = lick.instrument ?? body.instrument;
  const key = `lick/${lick.id}`;
  const struck = struckNotes(lick.notes);
  if (!struck.length) return refuse('drill', `The lick “${lick.name}” has no notes to play.`);
  if (form.order !== 'up') return ofLine(form, body, instrument, body.scale, struck.map((s) => s.place), key); // prettier-ignore
  return asWritten(form, body, lick, instrument, key);
}

function asWritten(form: DrillForm, body: DrillStudy, lick: Lick, instrument: Instrument, key: string): Drilled {
  const steps = fingerLick(instrument, lick.notes, { school: schoolOf(body), hand: body.hand }).filter((s) => s !== null);
  const notes = named(instrument, body.scale, steps);
  const { joins, ticks } = lickTiming(lick.notes);
  const sum = ticks.reduce((a, b) => a + b, 0);
  const filled = [...ticks.slice(0, -1), ticks[ticks.length - 1]! + ((TICKS - (sum % TICKS)) % TICKS)];
  const plain = drillLine(instrument, notes, { rhythm: 'quarters', accent: 'none', articulation: 'alternate', school: schoolOf(body), hand: body.hand }); // prettier-ignore
  let at = 0;
  const loud = filled.map((t) => ((at += t) - t) % TICKS === 0);
  const line: DrillLine = {
    ...plain,
    steps,
    ticks: filled,
    loud,
    joins: [...joins].map((j) => j ?? null),
    beats: filled.reduce((a, b) => a + b, 0) / TICKS,
  };
  return withStarts({ form, instrument, notes: notes.map(plainNote), line, key, shape: null }, rootClass(lineShape(notes), form.root));
}
