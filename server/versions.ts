import type { Knex } from 'knex';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { factsOf, upgradeStudy, type Facts, type StudyBody, type VersionSummary } from '../contract';
import type { Row } from './row';

interface VersionRow {
  readonly study: string;
  readonly revision: number;
  readonly at: number;
  readonly body: Uint8Array;
  readonly facts: string;
}

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
/** Every save is kept for so long; then one an hour, then one a day. */
const ALL_FOR = 10 * MINUTE;
const HOURLY_FOR = DAY;
const DAILY_FOR = 92 * DAY;
/** Of the last ten minutes so many are kept each, and beyond them one a minute. */
const MOST_FRESH = 30;
/** Most versions of one study: 30 fresh ones, 10 minutes, 24 hours and 92 days, with a little room. */
export const MOST_VERSIONS = 160;

const zip = promisify(gzip);
const unzip = promisify(gunzip);

/** A body's text, small. */
export const packed = (text: string): Promise<Buffer> => zip(text, { level: 1 });

/**
 * Which of some versions are kept, by their times in ms, newest first: of each span of its age the newest. A time after
 * `now` (a clock put back) counts as now.
 */
export function keptVersions(times: readonly number[], now: number): Set<number> {
  const kept = new Set<number>();
  const spans = new Set<string>();
  let fresh = 0;
  for (const [k, at] of times.entries()) {
    const age = Math.max(0, now - at);
    if (age > DAILY_FOR) continue;
    if (age <= ALL_FOR && fresh++ < MOST_FRESH) {
      kept.add(k);
      continue;
    }
    const size = age <= ALL_FOR ? MINUTE : age <= HOURLY_FOR ? HOUR : DAY;
    const span = `${size}:${Math.floor(at / size)}`;
    if (!spans.has(span) && kept.size < MOST_VERSIONS) kept.add(k);
    spans.add(span);
  }
  return kept;
}

/** Puts away the state that a save replaces, and thins out the older ones. */
export async function keepVersion(db: Knex, before: Row, body: Buffer, now: number): Promise<void> {
  const facts = before.facts ?? JSON.stringify(factsIn(before.body));
  await db<VersionRow>('versions')
    .insert({ study: before.id, revision: before.revision, at: before.updated_at, body, facts })
    .onConflict(['study', 'revision'])
    .merge();
  const all = await db<VersionRow>('versions').where({ study: before.id }).orderBy('revision', 'desc').select('revision', 'at');
  const kept = keptVersions(all.map((v) => v.at), now); // prettier-ignore
  const gone = all.filter((_, k) => !kept.has(k)).map((v) => v.revision);
  if (gone.length) await db<VersionRow>('versions').where({ study: before.id }).whereIn('revision', gone).delete();
}

function factsIn(text: string): Facts {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null ? factsOf(value) : {};
  } catch {
    return {};
  }
}

/** Earlier states of a study, newest first. */
export async function listVersions(db: Knex, study: string): Promise<VersionSummary[]> {
  const rows = await db<VersionRow>('versions').where({ study }).orderBy('revision', 'desc').select('revision', 'at', 'facts');
  return rows.map(({ revision, at, facts }) => ({ revision, at, facts: JSON.parse(facts) as Facts }));
}

/** One of them, brought up to date; null where it was thinned out or cannot be read. */
export async function readVersion(db: Knex, study: string, revision: number): Promise<object | null> {
  const row = await db<VersionRow>('versions').where({ study, revision }).first();
  if (!row) return null;
  try {
    return upgradeStudy(JSON.parse((await unzip(Buffer.from(row.body))).toString('utf8')) as object);
  } catch {
    return null;
  }
}

/** All versions of all studies that are here, as JSON texts, for a backup. */
export async function* allVersions(
  db: Knex,
): AsyncGenerator<{ readonly study: string; readonly revision: number; readonly at: number; readonly text: string }> {
  const keys = await db<VersionRow>('versions')
    .whereIn('study', db('studies').whereNull('deleted_at').select('id'))
    .orderBy(['study', { column: 'revision', order: 'desc' }])
    .select('study', 'revision', 'at');
  for (const { study, revision, at } of keys) {
    const row = await db<VersionRow>('versions').where({ study, revision }).first();
    const text = row && (await unzip(Buffer.from(row.body)).then((b) => b.toString('utf8'), () => null)); // prettier-ignore
    if (text) yield { study, revision, at, text };
  }
}

export const lowestVersion = async (db: Knex, study: string): Promise<number> =>
  ((await db('versions').where({ study }).min({ low: 'revision' }).first()) as { readonly low: number | null } | undefined)?.low ?? 0;

export const insertVersion = async (
  db: Knex,
  v: { readonly study: string; readonly revision: number; readonly at: number; readonly body: StudyBody },
): Promise<void> => {
  const body = await packed(JSON.stringify(v.body));
  await db<VersionRow>('versions')
    .insert({ study: v.study, revision: v.revision, at: v.at, body, facts: JSON.stringify(factsOf(v.body)) })
    .onConflict(['study', 'revision'])
    .merge();
};
