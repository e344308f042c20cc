import { isDigest, type Facts, type StudyBody } from '../../contract';
import { isScale, type ScaleRef, keysOf } from '../../core';
import { orderWords, RHYTHM_WORDS } from './drill-text';
import { layoutWords } from './layout-text';
import { scaleName } from './scale-text';
import { SCHOOL_WORDS } from './school-text';
import { instrumentWords } from './tuning-text';
import { isolated } from './name-text';
import { viewName } from './view-text';

type Says<T> = (after: T, before: T | undefined) => string;
const count = (value: unknown): number => (isDigest(value) ? value.count : Array.isArray(value) ? value.length : value ? 1 : 0);

/** One more, one fewer, or changed: of a list. */
const listed =
  (one: string, many = `${one}s`): Says<unknown> =>
  (after, before) => {
    const by = count(after) - count(before);
    if (by === 0) return count(after) === 1 ? `the ${one}` : many;
    const n = Math.abs(by);
    return `${n} ${n === 1 ? one : many} ${by > 0 ? 'more' : 'fewer'}`;
  };

const known = (s: ScaleRef | null | undefined): s is ScaleRef => !!s && !isDigest(s) && isScale(s.scale);
function scaleChange(after: ScaleRef, before: ScaleRef | undefined): string {
  if (!known(after)) return 'another scale';
  const sameKind = before && JSON.stringify(before.scale) === JSON.stringify(after.scale);
  return sameKind ? `key to ${after.tonic}` : `scale to ${scaleName(after)}`;
}

/** What is drilled, by what of it changed most. */
function drillChange(after: StudyBody['practice'], before: StudyBody['practice']): string {
  if (!after || isDigest(after)) return 'what is drilled';
  const was = before && !isDigest(before) ? before : null;
  if (was && JSON.stringify(was.form) === JSON.stringify(after.form)) return `ladder from ${after.climb.start} to ${after.climb.goal}`;
  return `drill to ${orderWords(after.form)}, ${RHYTHM_WORDS[after.form.rhythm]}`;
}

/** What of the progressions changed: one more or fewer, or what of one that is in both. */
function progressionChange(after: StudyBody['progressions'], before: StudyBody['progressions'] | undefined): string {
  if (isDigest(after) || !before || isDigest(before) || after.length !== before.length) return listed('progression')(after, before);
  const k = after.findIndex((p, n) => JSON.stringify(p) !== JSON.stringify(before[n]));
  if (k < 0) return 'progressions';
  const [now, was] = [after[k], before[k]];
  if (now!.home.tonic !== was!.home.tonic) return `progression to ${now!.home.tonic}`;
  if (now!.tempo !== was!.tempo) return `progression’s tempo to ${now!.tempo}`;
  if (now!.text !== was!.text) return 'the progression’s chords';
  if (now!.locks !== was!.locks && JSON.stringify(now!.locks) !== JSON.stringify(was!.locks)) return 'a scale over a chord';
  return `how “${isolated(now!.name)}” is played over`;
}

/** How a change of each field is said, in the order in which they are told. */
const SAY: { [K in Exclude<keyof StudyBody, 'format' | 'instrumentId'>]: Says<StudyBody[K]> } = {
  scale: scaleChange,
  instrument: (i, before) =>
    before && i.capo !== before.capo && i.strings === before.strings
      ? `capo to ${i.capo ?? 0}`
      : `instrument to ${isDigest(i) ? 'another' : instrumentWords(i)}`,
  layout: (l) => (isDigest(l) ? 'another layout' : `layout to ${layoutWords(l)}`),
  rung: () => 'another position',
  name: (n) => `name to “${isolated(n)}”`,
  set: (s) => (s ? `set to “${isolated(s)}”` : 'out of its set'),
  note: () => 'the note',
  school: (s) => (s ? `fingers to ${SCHOOL_WORDS[s]}` : 'fingers as the layout wants'),
  hand: (h) => (h.reaches ? 'a measured hand' : `a ${h.size} hand`),
  labels: (l) => `labels to ${l}`,
  tempo: (t) => `tempo to ${t}`,
  over: (o) => (known(o) ? `${scaleName(o)} laid over` : o ? 'a scale laid over' : 'no scale laid over'),
  chord: (c) => (c ? `chord to ${c}` : 'no chord'),
  passing: () => 'passing notes',
  focus: () => 'degrees that stand out',
  pins: listed('settled finger'),
  routes: listed('kept route'),
  licks: listed('lick'),
  connection: () => 'what Connect is asked',
  route: (r) => (r ? 'a kept route shown' : 'back to what Connect is asked'),
  lick: () => 'another lick open',
  tags: () => 'tags',
  practisedAt: () => 'practised',
  built: () => 'strings shown',
  handouts: listed('handout'),
  practice: (p, before) => drillChange(p, before ?? null),
  drills: listed('kept drill'),
  plan: (p) => (p ? 'the plan' : 'no plan'),
  grips: listed('kept grip'),
  progressions: progressionChange,
  progression: () => 'another progression open',
};

/** Fields that change along with others and say nothing of their own then. */
const QUIET: readonly (keyof StudyBody)[] = ['connection', 'rung', 'lick', 'route', 'progression', 'built', 'instrumentId'];
const MOST_SAID = 3;

/** What two states of a study have not in common, in words: "key to B♭, 1 lick more". Fields that one of them lacks are not compared. */
export function changeWords(before: Facts, after: Facts): string {
  const fields = keysOf(SAY).filter((k) => k in after && JSON.stringify(after[k]) !== JSON.stringify(before[k]));
  const loud = fields.filter((k) => !QUIET.includes(k));
  const told = loud.length ? loud : fields;
  if (!told.length) return 'nothing that shows';
  const say = (k: keyof StudyBody): string => (SAY[k as keyof typeof SAY] as Says<unknown>)(after[k], k in before ? before[k] : undefined);
  const more = told.length - MOST_SAID;
  return [...told.slice(0, MOST_SAID).map(say), ...(more > 0 ? [`${more} more`] : [])].join(', ');
}

/** Fields whose change is said as what they are now, not as a step; others are said as they are in a list of changes. */
const NOW: { [K in keyof StudyBody]?: Says<StudyBody[K]> } = {
  scale: (after, before) => {
    const same = before && JSON.stringify(before.scale) === JSON.stringify(after.scale);
    return same ? `Key is now ${after.tonic}` : `Scale is now ${known(after) ? scaleName(after) : 'another one'}`;
  },
  instrument: (i, before) =>
    before && i.capo !== before.capo && i.strings === before.strings
      ? `Capo is now at ${i.capo ?? 0}`
      : `Strings are now ${instrumentWords(i)}`,
  layout: (l) => `Layout is now ${layoutWords(l)}`,
  labels: (l) => `Labels are now ${l}`,
};

/** A change just made: "Key is now B♭". */
export function doneWords({ before, after }: { readonly before: Partial<StudyBody>; readonly after: Partial<StudyBody> }): string {
  const key = keysOf(NOW).find((k) => k in after);
  if (key) return (NOW[key] as Says<unknown>)(after[key], before[key]);
  const words = changeWords(before, after);
  return words[0]!.toUpperCase() + words.slice(1);
}

/** Where the hand is now: "box 2, frets 7 to 10". */
export const rungWords = ({
  label,
  lowFret,
  highFret,
}: {
  readonly label: string;
  readonly lowFret: number;
  readonly highFret: number;
}): string => `${label}, frets ${lowFret} to ${highFret}`;

const KINDS = { undone: 'Undone', redone: 'Done again', 'taken back': 'Taken back' };

/** A step back or forth: "Undone: key to B♭, in Transpose". */
export function stepWords(
  kind: keyof typeof KINDS,
  change: { readonly before: Partial<StudyBody>; readonly after: Partial<StudyBody>; readonly view: string },
): string {
  const where = viewName(change.view);
  return `${KINDS[kind]}: ${changeWords(change.before, change.after)}${where ? `, in ${where}` : ''}`;
}
