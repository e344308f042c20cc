import type { Instrument } from '../core';
import { instrumentSchema } from './instrument';
import { problemsOf } from './record';
import { studySchema, upgradeStudy, type StudyBody } from './study';

/** Studies and instruments in one file: a study, some of them, or a whole notebook. Described in docs/formats.md. */
export interface Bundle {
  kind: typeof BUNDLE_KIND;
  version: 1;
  /** The notebook's own ids; a study names its instrument by one of them. */
  instruments: { id: string; body: Instrument }[];
  studies: { id: string; body: StudyBody }[];
}

export const BUNDLE_KIND = 'crow-ladder notebook';
const VERSION = 1;
const MOST_RECORDS = 20_000;

export const writeBundle = (studies: Bundle['studies'], instruments: Bundle['instruments']): string =>
  `${JSON.stringify({ kind: BUNDLE_KIND, version: VERSION, instruments, studies } satisfies Bundle, null, 1)}\n`;

/** What came of reading a bundle: it whole, or why not and where. Studies of older formats are brought up to date. */
export type ReadBundle = { bundle: Bundle } | { problem: string };

const say = (problem: string): ReadBundle => ({ problem });
const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Reads a bundle from text. Nothing is taken from a bundle of which any part is broken. */
export function readBundle(text: string): ReadBundle {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (e) {
    return say(`This is not whole JSON: ${(e as Error).message}.`);
  }
  return checkBundle(value);
}

/** Checks a value that should be a bundle; says by name and path what is wrong. */
export function checkBundle(value: unknown): ReadBundle {
  if (!isRecord(value) || value.kind !== BUNDLE_KIND) return say('This is JSON, but no notebook of Crow Ladder.');
  if (value.version !== VERSION)
    return say(`This notebook is of version ${String(value.version)}; this Crow Ladder reads version ${VERSION}.`);
  const { instruments = [], studies = [] } = value;
  if (!Array.isArray(instruments) || !Array.isArray(studies))
    return say('This notebook is damaged: instruments and studies must be lists.');
  if (instruments.length + studies.length > MOST_RECORDS) return say(`More than ${MOST_RECORDS} records in one file.`);
  const wrongInstrument = firstProblem(instruments, 'instruments', (b) => problemsOf(instrumentSchema, b));
  if (wrongInstrument) return say(wrongInstrument);
  const upgraded = studies.map((s: unknown) => (isRecord(s) && isRecord(s.body) ? { ...s, body: upgradeStudy(s.body) } : s));
  const wrongStudy = firstProblem(upgraded, 'studies', (b) => problemsOf(studySchema, b));
  if (wrongStudy) return say(wrongStudy);
  return {
    bundle: {
      kind: BUNDLE_KIND,
      version: VERSION,
      instruments: instruments as Bundle['instruments'],
      studies: upgraded as Bundle['studies'],
    },
  };
}

function firstProblem(records: unknown[], list: string, check: (body: unknown) => { field: string; message: string }[]): string | null {
  const ids = new Set<unknown>();
  for (const [k, r] of records.entries()) {
    if (!isRecord(r) || typeof r.id !== 'string' || !r.id || r.id.length > 64)
      return `${list}[${k}]: a record with an id is expected here.`;
    if (ids.has(r.id)) return `${list}[${k}]: the id ${r.id} stands twice.`;
    ids.add(r.id);
    const [problem] = check(r.body);
    const name = isRecord(r.body) && typeof r.body.name === 'string' ? ` (${r.body.name})` : '';
    if (problem) return `${list}[${k}]${name}${problem.field ? `, ${problem.field}` : ''}: ${problem.message}`;
  }
  return null;
}
