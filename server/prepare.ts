import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import {
  factsOf,
  instrumentSchema,
  MOST_NESTED,
  nestingOf,
  ownDrillSchema,
  ownScaleSchema,
  problemsOf,
  studySchema,
  studySummary,
  type BuiltSchema,
  type Problem,
  type StudyBody,
} from '../contract';

/** What a notebook is made of. */
export const KIND_NAMES = ['studies', 'instruments', 'scales', 'drills'] as const;
export type KindName = (typeof KIND_NAMES)[number];

/** A body that was passed, in the forms in which it is kept. */
export interface Prepared {
  /** JSON. */
  readonly text: string;
  /** By which build it was passed, and what it was. */
  readonly checked: string;
  /** What a list shows of it, as JSON. */
  readonly summary: string;
  /** Studies: in short, as JSON, and the instrument that is named. */
  readonly facts: string | null;
  readonly instrumentId: string | null;
}

const SCHEMAS: Readonly<Record<KindName, BuiltSchema>> = {
  studies: studySchema,
  instruments: instrumentSchema,
  scales: ownScaleSchema,
  drills: ownDrillSchema,
};

/** Every way a body of a kind breaks its schema. */
export const problemsIn = (kind: KindName, body: unknown): Problem[] => problemsOf(SCHEMAS[kind], body);

const digest = (text: string | Buffer): string => createHash('sha1').update(text).digest('base64url').slice(0, 16);

/** The rules that are checked by: the built program itself, the same for both threads. What another build passed is checked anew. */
const RULES = ((): string => {
  try {
    return digest(readFileSync(new URL('./main.js', import.meta.url)));
  } catch {
    return `source-${process.pid}`;
  }
})();

const markOf = (text: string): string => `${RULES}:${digest(text)}`;
/** Whether this build passed a record; its body was not touched since, or its mark would have gone. */
export const isChecked = (mark: string | null): boolean => mark?.startsWith(`${RULES}:`) ?? false;
/** Whether this build passed this very text. */
export const isCheckedText = (mark: string | null, text: string): boolean => mark === markOf(text);

/** A body that its schema passes, in the forms in which it is kept. */
export function prepared(kind: KindName, body: unknown): Prepared {
  const fields = body as Record<string, unknown>;
  // Each field's JSON once: for the text, and for the facts.
  const json = Object.fromEntries(Object.keys(fields).flatMap((k) => (fields[k] === undefined ? [] : [[k, JSON.stringify(fields[k])]])));
  const text = `{${Object.entries(json)
    .map(([k, value]) => `${JSON.stringify(k)}:${value}`)
    .join(',')}}`;
  const study = kind === 'studies' ? (body as StudyBody) : null;
  return {
    text,
    checked: markOf(text),
    summary: JSON.stringify(study ? studySummary(study) : body),
    facts: study ? JSON.stringify(factsOf(study, json)) : null,
    instrumentId: study?.instrumentId ?? null,
  };
}

/** Why a request was refused. */
export interface Refused {
  readonly status: 400 | 415 | 422;
  readonly code: string;
  readonly message: string;
  readonly problems?: Problem[];
}

/** JSON of a request as one object. */
export function readObject(text: string): { readonly value: Record<string, unknown> } | Refused {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { status: 400, code: 'BROKEN_JSON', message: 'The request is not whole JSON.' };
  }
  if (nestingOf(value) > MOST_NESTED)
    return { status: 400, code: 'BROKEN_JSON', message: 'The request is nested too deep to be a record.' };
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return { status: 400, code: 'NOT_A_RECORD', message: 'Send one record, as a JSON object.' };
  return { value: value as Record<string, unknown> };
}

export const isRefused = (answer: object): answer is Refused => 'status' in answer;

/** A save as it came: its body ready to be kept, and the revision it names. */
export interface Save {
  readonly prepared: Prepared;
  readonly revision: unknown;
}

/** Reads the text of a save of one kind: { body, revision }. */
export function readSave(kind: KindName, word: string, text: string): Save | Refused {
  const read = readObject(text);
  if (isRefused(read)) return read;
  const { value } = read;
  const problems = problemsIn(kind, value.body);
  if (problems.length)
    return { status: 422, code: 'INVALID', message: `This ${word} cannot be kept: ${problems[0]!.message}`.slice(0, 300), problems };
  return { prepared: prepared(kind, value.body), revision: value.revision };
}
