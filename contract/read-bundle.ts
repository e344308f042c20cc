import { BUNDLE_KIND, BUNDLE_VERSION, type Bundle, type BundleVersion } from './bundle';
import { fieldsOf, keysOf, listOf } from '../core';
import { instrumentSchema } from './instrument';
import { ownDrillSchema } from './drill';
import { ownScaleSchema, scalesOfStudies } from './own-scale';
import { ID } from './parts';
import { passProblem, type Pass } from './pass';
import { problemsOf, type BuiltSchema, type Problem } from './record';
import { roundProblem, type Round } from './round';
import { studySchema } from './study';
import { upgradeStudy } from './formats';
import { shortened } from './words';

const MOST_RECORDS = 20_000;
/** Versions that a bundle holds at most: those of the studies in it. */
const MOST_VERSIONS = 50_000;
const MOST_PASSES = 500_000;
const MOST_ROUNDS = 50_000;
const MOST_BY = 100;

/** What came of reading a bundle: it whole, or why not and where. Studies of older formats are brought up to date. */
export type ReadBundle = { readonly bundle: Bundle } | { readonly problem: string };

const say = (problem: string): ReadBundle => ({ problem: shortened(problem) });
const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Reads a bundle from text. Nothing is taken from a bundle of which any part is broken. */
export function readBundle(text: string, onDone?: (share: number) => void): ReadBundle {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (e) {
    return say(`This is not whole JSON: ${(e as Error).message}.`);
  }
  if (nestingOf(value) > MOST_NESTED) return say(`This is nested more than ${MOST_NESTED} levels deep: it is no notebook.`);
  return checkBundle(value, onDone);
}

/** Levels that any JSON of ours has at most. */
export const MOST_NESTED = 32;

/** How deep lists and objects of a parsed value are nested; looks no deeper than what is ever read, so that no value exhausts the stack. */
export function nestingOf(value: unknown, most = MOST_NESTED): number {
  if (typeof value !== 'object' || value === null) return 0;
  if (most === 0) return 1;
  let deepest = 0;
  const fields = fieldsOf(value);
  for (const key in fields) {
    const inner = fields[key];
    if (typeof inner === 'object' && inner !== null) deepest = Math.max(deepest, nestingOf(inner, most - 1));
    if (deepest >= most) break;
  }
  return deepest + 1;
}

/** Checks a value that should be a bundle; says by name and path what is wrong. Tells how far it is, 0 to 1. */
export function checkBundle(value: unknown, onDone: (share: number) => void = () => undefined): ReadBundle {
  if (!isRecord(value) || value.kind !== BUNDLE_KIND) return say('This is JSON, but no notebook of Crow Ladder.');
  if (value.version !== BUNDLE_VERSION)
    return say(
      typeof value.version === 'number'
        ? `This notebook is of version ${value.version}; this Crow Ladder reads version ${BUNDLE_VERSION}.`
        : 'This notebook does not say its version.',
    );
  const { instruments = [], scales: named = [], drills = [], studies = [], versions, passes, rounds, by } = value;
  if (![instruments, named, drills, studies, versions ?? [], passes ?? [], rounds ?? []].every(Array.isArray))
    return say('This notebook is damaged: instruments, scales, drills, studies, versions, passes and rounds must be lists.');
  if (by !== undefined && (typeof by !== 'string' || by.length > MOST_BY))
    return say(`This notebook is damaged: by, the program that wrote it, must be a text of at most ${MOST_BY} signs.`);
  const length = (l: unknown): number => listOf(l).length;
  const records = [instruments, named, drills, studies].reduce<number>((sum, l) => sum + length(l), 0);
  // Lengths before members: a list of a million is not looked into.
  if (records > MOST_RECORDS) return say(`More than ${MOST_RECORDS} records in one file.`);
  if (length(versions) > MOST_VERSIONS) return say(`More than ${MOST_VERSIONS} earlier versions in one file.`);
  if (length(passes) > MOST_PASSES) return say(`More than ${MOST_PASSES} passes in one file.`);
  if (length(rounds) > MOST_ROUNDS) return say(`More than ${MOST_ROUNDS} rounds in one file.`);
  const lists = {
    instruments: listOf(instruments),
    scales: [...listOf(named), ...oldScales(listOf(studies))],
    drills: listOf(drills),
    studies: listOf(studies).map(upToDate),
  };
  const earlier = versions ? listOf(versions).map(upToDate) : undefined;
  const log = passes ? listOf(passes) : undefined;
  const quiz = rounds ? listOf(rounds) : undefined;
  const total = records + (earlier?.length ?? 0);
  let seen = 0;
  const counted = (schema: BuiltSchema) => (body: unknown) => {
    onDone(seen++ / Math.max(1, total));
    return problemsOf(schema, body);
  };
  for (const kind of keysOf(KIND_SCHEMAS)) {
    const wrong = firstProblem(lists[kind], kind, counted(KIND_SCHEMAS[kind]));
    if (wrong) return say(wrong);
  }
  const ids = new Set(lists.studies.map((s) => fieldsOf(s).id));
  const wrong = (earlier && firstVersionProblem(earlier, ids, counted(studySchema))) ?? (log && firstOf(log, 'passes', passProblem)) ?? (quiz && firstOf(quiz, 'rounds', roundProblem)); // prettier-ignore
  if (wrong) return say(wrong);
  return {
    bundle: {
      kind: BUNDLE_KIND,
      version: BUNDLE_VERSION,
      ...(lists as Pick<Bundle, keyof typeof lists>),
      ...(earlier ? { versions: earlier as BundleVersion[] } : {}),
      ...(log ? { passes: log as Pass[] } : {}),
      ...(quiz ? { rounds: quiz as Round[] } : {}),
    },
  };
}

const KIND_SCHEMAS = { instruments: instrumentSchema, scales: ownScaleSchema, drills: ownDrillSchema, studies: studySchema };

function firstOf(all: readonly unknown[], what: string, check: (v: unknown) => string | null): string | null {
  for (const [k, one] of all.entries()) {
    const problem = check(one);
    if (problem) return `${what}[${k}]: ${problem}`;
  }
  return null;
}

/** Scales that older studies kept themselves. */
const oldScales = (studies: readonly unknown[]): Bundle['scales'] =>
  scalesOfStudies(studies.map((r) => (isRecord(r) ? r.body : null))).map((body, k) => ({ id: `of-studies-${k + 1}`, body }));

/** A record whose body, if it is one, is a study of today. */
const upToDate = (r: unknown): unknown => (isRecord(r) && isRecord(r.body) ? { ...r, body: upgradeStudy(r.body) } : r);

function firstProblem(records: readonly unknown[], list: string, check: (body: unknown) => Problem[]): string | null {
  const ids = new Set<unknown>();
  for (const [k, r] of records.entries()) {
    if (!isRecord(r) || typeof r.id !== 'string' || !ID.test(r.id))
      return `${list}[${k}]: a record with an id of letters, digits, - and _ is expected here.`;
    if (ids.has(r.id)) return `${list}[${k}]: the id ${r.id} stands twice.`;
    ids.add(r.id);
    const found = problemIn(r.body, check);
    if (found) return `${list}[${k}]${found}`;
  }
  return null;
}

/** " (its name), field: what is wrong". */
function problemIn(body: unknown, check: (body: unknown) => Problem[]): string | null {
  const [problem] = check(body);
  const name = isRecord(body) && typeof body.name === 'string' ? ` (${body.name.slice(0, 60)})` : '';
  return problem ? `${name}${problem.field ? `, ${problem.field}` : ''}: ${problem.message}` : null;
}

const isCount = (value: unknown): boolean => typeof value === 'number' && Number.isSafeInteger(value) && value >= 0;

function firstVersionProblem(
  versions: readonly unknown[],
  studies: ReadonlySet<unknown>,
  check: (body: unknown) => Problem[],
): string | null {
  for (const [k, v] of versions.entries()) {
    if (!isRecord(v) || typeof v.study !== 'string' || !studies.has(v.study)) return `versions[${k}]: it is of no study in this file.`;
    if (!Number.isSafeInteger(v.revision) || !isCount(v.at)) return `versions[${k}]: a revision and a time are expected here.`;
    const found = problemIn(v.body, check);
    if (found) return `versions[${k}]${found}`;
  }
  return null;
}
