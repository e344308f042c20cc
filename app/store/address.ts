import { problemsOf, studySchema, WAYS, type Connection, type RungRef, type StudyBody, type StudyMove } from '../../contract';
import { glyphs, spellTuning, type RouteGoal, type ScaleRef, keysOf } from '../../core';
import { harmonyTexts, readHarmony } from './address-harmony';
import { layoutText, numbers, placeText, readLayout, readPlace } from './address-layout';
import type { Harmony } from './harmony';
import { blankLeaf } from './loose';
import { usualQuestion } from './question';
import { SHAPE, type Transposing } from './transposing';
import { matchScales, splitScaleText } from '../words/scale-text';
import { readTuning, retuned } from '../words/tuning-text';
import type { StudyView } from '../words/view-text';
import { drillText, readDrill } from './address-drill';
import { practiceOf } from './practice/edit';

/** A choice in the address: how it is written, null where it is as on a blank leaf, and how it is read into a leaf; a string says what is wrong. */
interface Choice {
  readonly name: string;
  readonly write: (body: StudyBody) => string | null;
  readonly read: (text: string, body: StudyBody) => Partial<StudyBody> | string;
}

const blank = blankLeaf();
const unless = (text: string, usual: string): string | null => (text === usual ? null : text);

const scaleText = ({ tonic, scale }: ScaleRef): string => `${tonic} ${Array.isArray(scale) ? scale.join(' ') : scale}`;
function readScale(text: string, current: ScaleRef): ScaleRef | string {
  const found = splitScaleText(text).tonic === null ? undefined : matchScales(text, current)[0];
  return found ?? 'write a tonic and a scale, such as F# Dorian or A 1 b3 4 5 b7';
}

const rungText = ({ number, fret }: RungRef): string => `${number}.${fret}`;
const readRung = (text: string): RungRef | null => {
  const m = /^(-?\d{1,2})\.(\d{1,2})$/.exec(text);
  return m && { number: Number(m[1]), fret: Number(m[2]) };
};
const RUNG = 'write the number of the rung and the fret of the hand, such as 2.5';

const goalText = (goal: RouteGoal): string =>
  'string' in goal ? placeText(goal) : 'pitch' in goal ? `pitch ${goal.pitch}` : `hand ${goal.fret}`;
function readGoal(text: string): RouteGoal | null {
  const m = /^(pitch|hand) (\d{1,3})$/.exec(text);
  if (!m) return readPlace(text);
  return m[1] === 'pitch' ? { pitch: Number(m[2]) } : { fret: Number(m[2]) };
}

const asked = (body: StudyBody): Connection => body.connection ?? usualQuestion(body);
const ask = (body: StudyBody, fields: Partial<Connection>): Partial<StudyBody> => ({ connection: { ...asked(body), ...fields } });

/** What a leaf is about, on every view. Order matters: a neck before what lies on it. */
const LEAF: Choice[] = [
  {
    name: 'scale',
    write: (b) => scaleText(b.scale),
    read: (text, b) => {
      const scale = readScale(text, b.scale);
      return typeof scale === 'string' ? scale : { scale };
    },
  },
  {
    name: 'tuning',
    write: (b) => unless(spellTuning(b.instrument), spellTuning(blank.instrument)),
    read: (text, b) => {
      const read = readTuning(text);
      return 'why' in read ? read.why : { instrument: retuned(b.instrument, { name: 'as typed', open: read.open }) };
    },
  },
  {
    name: 'frets',
    write: (b) => unless(String(b.instrument.frets), String(blank.instrument.frets)),
    read: (text, b) => ({ instrument: { ...b.instrument, frets: Number(text) } }),
  },
  {
    name: 'capo',
    write: (b) => unless(String(b.instrument.capo ?? 0), '0'),
    read: (text, b) => ({ instrument: { ...b.instrument, capo: Number(text) } }),
  },
  {
    name: 'handed',
    write: (b) => unless(b.instrument.handedness ?? 'right', 'right'),
    read: (text, b) =>
      text === 'left' || text === 'right' ? { instrument: { ...b.instrument, handedness: text } } : 'write left or right',
  },
  {
    name: 'layout',
    write: (b) => layoutText(b.layout),
    read: (text) => {
      const layout = readLayout(text);
      return typeof layout === 'string' ? layout : { layout };
    },
  },
  {
    name: 'over',
    write: (b) => b.over && scaleText(b.over),
    read: (text, b) => {
      const over = readScale(text, b.scale);
      return typeof over === 'string' ? over : { over };
    },
  },
  { name: 'chord', write: (b) => b.chord, read: (text) => ({ chord: text }) },
  {
    name: 'show',
    write: (b) => (b.focus.length ? b.focus.join(' ') : null),
    read: (text) => ({ focus: text.split(' ') }),
  },
  { name: 'labels', write: (b) => unless(b.labels, blank.labels), read: (text) => ({ labels: text as StudyBody['labels'] }) },
];

/** Which rung is looked at; in a study too. */
const RUNG_CHOICE: Choice = {
  name: 'rung',
  write: (b) => rungText(b.rung),
  read: (text) => {
    const rung = readRung(text);
    return rung ? { rung } : RUNG;
  },
};

const end = (name: 'from' | 'to'): Choice => ({
  name,
  write: (b) => b.connection && rungText(b.connection[name]),
  read: (text, b) => {
    const rung = readRung(text);
    return rung ? ask(b, { [name]: rung }) : RUNG;
  },
});

const CONNECT: Choice[] = [
  {
    name: 'way',
    write: (b) => b.connection && b.connection.way,
    read: (text, b) =>
      WAYS.includes(text as Connection['way']) ? ask(b, { way: text as Connection['way'] }) : `write one of ${WAYS.join(', ')}`,
  },
  end('from'),
  end('to'),
  {
    name: 'start',
    write: (b) => (b.connection?.start ? placeText(b.connection.start) : null),
    read: (text, b) => ask(b, { start: readPlace(text) }),
  },
  {
    name: 'goal',
    write: (b) => (b.connection?.goal ? goalText(b.connection.goal) : null),
    read: (text, b) => ask(b, { goal: readGoal(text) }),
  },
  {
    name: 'strings',
    write: (b) => (b.connection?.strings.length ? b.connection.strings.join(',') : null),
    read: (text, b) => ask(b, { strings: numbers(text) }),
  },
];

/** What is drilled, as far as it is not what everybody begins with: "order:groups group:3". */
const DRILL: Choice = {
  name: 'drill',
  write: (b) => b.practice && drillText(b.practice.form),
  read: (text, b) => {
    const form = readDrill(text);
    return typeof form === 'string' ? form : { practice: { ...practiceOf(b), form } };
  },
};

const ROUTE: Choice = { name: 'route', write: (b) => b.route, read: (text) => ({ route: text }) };
const PROGRESSION: Choice = { name: 'progression', write: (b) => b.progression, read: (text) => ({ progression: text }) };
const LICK: Choice = { name: 'lick', write: (b) => b.lick, read: (text) => ({ lick: text }) };

/** What an address holds: all of a loose leaf, of a study only what is looked at, since the study itself is kept. */
const choicesIn = (view: StudyView, loose: boolean): Choice[] => [
  ...(loose ? LEAF : []),
  ...(view === 'licks' ? [] : [RUNG_CHOICE]),
  ...(view === 'connect' ? [...(loose ? CONNECT : []), ROUTE] : []),
  ...(view === 'licks' ? [LICK] : []),
  ...(view === 'progression' ? [PROGRESSION] : []),
  ...(view === 'practise' && loose ? [DRILL] : []),
];

/** The choices of a view as the query of its address; on Transpose also what is tried out, in Harmony what is held. */
export function writeAddress(body: StudyBody, view: StudyView, loose: boolean, beside: Beside = {}): string {
  const { trying, harmony } = beside;
  const query = new URLSearchParams();
  for (const { name, write } of choicesIn(view, loose)) {
    const text = write(body);
    if (text !== null && text !== '') query.set(name, text);
  }
  if (view === 'transpose' && trying) {
    if (trying.what !== SHAPE) query.set('what', trying.what);
    query.set('move', moveText(trying.move));
  }
  if (view === 'harmony' && harmony) for (const [name, text] of harmonyTexts(harmony, body.instrument)) query.set(name, text);
  return query.toString();
}

/** What is looked at beside the study. */
type Beside = Pick<ReadAddress, 'trying'> & { readonly harmony?: Harmony };

export interface ReadAddress {
  /** The fields that the address sets. */
  readonly fields: Partial<StudyBody>;
  /** What of it cannot be used, in words. */
  readonly problems: string[];
  /** On Transpose: what is to be tried out. */
  readonly trying?: Transposing;
  /** In Harmony: what is to be looked at. */
  readonly harmony?: Partial<Harmony>;
}

/** Reads the query of an address against what is open: what it does not name is as on a blank leaf; what does not hold is left out and said. */
export function readAddress(query: string, body: StudyBody, view: StudyView, loose: boolean): ReadAddress {
  const params = new URLSearchParams(query);
  const begin: Partial<StudyBody> = loose && params.has('scale') ? leafFields(view) : {};
  const problems: string[] = [];
  let now: StudyBody = { ...body, ...begin };
  let fields = begin;
  for (const { name, read } of choicesIn(view, loose)) {
    const text = params.get(name);
    if (text === null) continue;
    const found = read(text, now);
    const problem = typeof found === 'string' ? found : problemWith(found, now);
    if (problem !== null || typeof found === 'string') {
      problems.push(glyphs(`${name} “${text.slice(0, 60)}”: ${problem}`));
      continue;
    }
    now = { ...now, ...found };
    fields = { ...fields, ...found };
  }
  if (view === 'harmony') {
    const held = readHarmony(params, now.instrument);
    return { fields, problems: [...problems, ...held.problems.map(glyphs)], harmony: held.harmony };
  }
  if (view !== 'transpose' || !params.has('move')) return { fields, problems };
  const move = readMove(params.get('move') ?? '', now);
  if (typeof move === 'string') return { fields, problems: [...problems, glyphs(`move “${params.get('move')}”: ${move}`)] };
  return { fields, problems, trying: { what: params.get('what') ?? SHAPE, move } };
}

function moveText(move: StudyMove): string {
  switch (move.kind) {
    case 'key':
      return `key ${move.by}`;
    case 'root':
      return `root ${move.string}`;
    case 'mode':
      return `${move.how} ${scaleText(move.scale)}`;
    case 'tuning':
      return `${move.keep} ${move.instrument.frets}.${move.instrument.capo ?? 0} ${spellTuning(move.instrument)}`;
  }
}

const MOVES = 'write key and half steps, root and a string, parallel or relative and a scale, or sound, shape or layout with a tuning';

/** A move as an address says it, or what is wrong with it. */
function readMove(text: string, body: StudyBody): StudyMove | string {
  const [word, ...rest] = text.split(' ');
  const number = /^-?\d{1,2}$/.test(rest[0]!) ? Number(rest[0]) : null;
  if (word === 'key' && number !== null) return { kind: 'key', by: number };
  if (word === 'root' && number !== null && number >= 1 && number <= body.instrument.strings.length)
    return { kind: 'root', string: number };
  if (word === 'parallel' || word === 'relative') {
    const scale = readScale(rest.join(' '), body.scale);
    return typeof scale === 'string' ? scale : { kind: 'mode', how: word, scale };
  }
  const neck = /^(\d{1,2})\.(\d{1,2})$/.exec(rest[0] ?? '');
  if ((word !== 'sound' && word !== 'shape' && word !== 'layout') || !neck) return MOVES;
  const read = readTuning(rest.slice(1).join(' '));
  if ('why' in read) return read.why;
  const tuned = retuned(body.instrument, { name: 'as typed', open: read.open });
  const instrument = { ...tuned, frets: Number(neck[1]), capo: Number(neck[2]) };
  return problemWith({ instrument }, body) ?? { kind: 'tuning', keep: word, instrument };
}

/** What an address without a word of it means; what the view's addresses never name stays. */
function leafFields(view: StudyView): Partial<StudyBody> {
  const { instrument, scale, layout, over, chord, focus, labels, rung } = blankLeaf();
  const leaf = { instrument, instrumentId: null, scale, layout, over, chord, focus, labels };
  return { ...leaf, ...(view === 'licks' ? {} : { rung }), ...(view === 'connect' ? { connection: null } : {}) };
}

/** Why fields cannot be a study's, or null. */
function problemWith(fields: Partial<StudyBody>, now: StudyBody): string | null {
  const keys = keysOf(fields);
  const problem = problemsOf(() => studySchema().pick(keys), fields)[0];
  if (problem) return problem.message;
  if (fields.lick && !now.licks.some((l) => l.id === fields.lick)) return 'there is no such lick here';
  if (fields.progression && !now.progressions.some((p) => p.id === fields.progression)) return 'there is no such progression here';
  if (fields.route && !now.routes.some((r) => r.id === fields.route)) return 'there is no such kept route here';
  return null;
}
