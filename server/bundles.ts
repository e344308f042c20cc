import type { Knex } from 'knex';
import { exclusively } from './exclusively';
import { randomUUID } from 'node:crypto';
import { checkBundle, readBundle, type Bundle, type ReadBundle, type TakenIn } from '../contract';
import { isCheckedText, KIND_NAMES, prepared, problemsIn, type KindName, type Prepared } from './prepare';
import { allPasses, insertPasses } from './passes';
import { allRounds, insertRounds } from './rounds';
import { columnsOf, highestRevision, repository, type Meta } from './repository';
import type { Row } from './row';
import { allVersions, insertVersion, keepVersion, lowestVersion, packed } from './versions';

/** How a notebook comes in: beside what is here, or in its place. */
export type Mode = 'add' | 'replace';
type Told = (share: number) => void;

/** A clock that never shows the same time twice and is ahead of every record here, so that what comes in is the newest and keeps its order. */
async function ticking(db: Knex, { studies, instruments, scales, drills }: Bundle): Promise<() => number> {
  const newest = await Promise.all(KIND_NAMES.map((table) => db<Row>(table).max({ at: 'updated_at' }).first()));
  let time = Math.max(
    Date.now() - studies.length - instruments.length - scales.length - drills.length,
    ...newest.map((row) => Number(row?.at ?? 0) + 1),
  );
  return () => time++;
}

/** Rows written at once; SQLite takes so many values in a statement. */
const CHUNK = 50;

async function insertAll(db: Knex, table: KindName, rows: Omit<Row, never>[], told: Told): Promise<void> {
  for (let at = 0; at < rows.length; at += CHUNK) {
    await db(table).insert(rows.slice(at, at + CHUNK));
    told(Math.min(1, (at + CHUNK) / rows.length));
  }
}

const rowOf = (id: string, revision: number, time: number, body: Prepared): Row => ({
  id,
  revision,
  created_at: time,
  updated_at: time,
  deleted_at: null,
  ...columnsOf(body),
});

/** Earlier states come before all that are here, numbered down from them, the newest first. */
async function insertVersions(db: Knex, { versions = [] }: Bundle, idOf: (study: string) => string): Promise<void> {
  const next = new Map<string, number>();
  for (const v of [...versions].sort((a, b) => b.at - a.at || b.revision - a.revision)) {
    const study = idOf(v.study);
    const revision = (next.get(study) ?? Math.min(0, await lowestVersion(db, study))) - 1;
    next.set(study, revision);
    await insertVersion(db, { ...v, study, revision });
  }
}

/** The records of a kind that are not here yet, as rows with ids of their own; and the id of each that came, here. */
async function newOnes(
  trx: Knex,
  kind: Exclude<KindName, 'studies'>,
  coming: readonly { readonly id: string; readonly body: object }[],
  now: () => number,
): Promise<[Row[], Map<string, string>]> {
  const here = new Map((await repository(trx, kind).bodies()).map((r) => [r.body, r.id]));
  const ids = new Map<string, string>();
  const rows: Row[] = [];
  for (const { id, body } of coming) {
    const ready = prepared(kind, body);
    const known = here.get(ready.text);
    ids.set(id, known ?? randomUUID());
    if (!known) rows.push(rowOf(ids.get(id)!, 1, now(), ready));
  }
  return [rows, ids];
}

/** Adds what a bundle holds under new ids; an instrument or scale that is here already is not taken twice. The newest comes first in a bundle. All or nothing. */
const addBundle = (db: Knex, bundle: Bundle, told: Told): Promise<TakenIn> =>
  exclusively(db, async (trx) => {
    const now = await ticking(trx, bundle);
    const [instruments, ids] = await newOnes(trx, 'instruments', bundle.instruments, now);
    const [scales] = await newOnes(trx, 'scales', bundle.scales, now);
    const [drills] = await newOnes(trx, 'drills', bundle.drills, now);
    const studyIds = new Map(bundle.studies.map((s) => [s.id, randomUUID()]));
    const studies = [...bundle.studies].reverse().map(({ id, body }) => {
      const own = { ...body, instrumentId: body.instrumentId === null ? null : (ids.get(body.instrumentId) ?? null) };
      return rowOf(studyIds.get(id)!, 1, now(), prepared('studies', own));
    });
    await insertAll(trx, 'instruments', instruments, () => undefined);
    await insertAll(trx, 'scales', scales, () => undefined);
    await insertAll(trx, 'drills', drills, () => undefined);
    await insertAll(trx, 'studies', studies, told);
    await insertVersions(trx, bundle, (id) => studyIds.get(id)!);
    const mine = (bundle.passes ?? []).map((p) => ({ ...p, study: p.study === null ? null : (studyIds.get(p.study) ?? p.study) }));
    const passes = await insertPasses(trx, mine);
    const asked = (bundle.rounds ?? []).map((r) => ({ ...r, study: r.study === null ? null : (studyIds.get(r.study) ?? r.study) }));
    const rounds = await insertRounds(trx, asked);
    return {
      studies: bundle.studies.length,
      instruments: instruments.length,
      scales: scales.length,
      drills: drills.length,
      passes,
      rounds,
    };
  });

/** Puts a bundle in the place of everything that is here. Revisions go on from the highest there ever was, so that no stale save passes. All or nothing. */
const replaceWith = (db: Knex, bundle: Bundle, told: Told): Promise<TakenIn> =>
  exclusively(db, async (trx) => {
    const revision = (await highestRevision(trx)) + 1;
    await trx<Meta>('meta')
      .insert({ key: 'revision_floor', value: String(revision) })
      .onConflict('key')
      .merge();
    const coming = new Set(bundle.studies.map((s) => s.id));
    const replaced = (await trx<Row>('studies').whereNull('deleted_at')).filter((row) => coming.has(row.id));
    for (const row of replaced) await keepVersion(trx, row, await packed(row.body), Date.now());
    for (const table of [...KIND_NAMES, 'passes', 'rounds']) await trx(table).delete();
    const now = await ticking(trx, bundle);
    const here = new Set(bundle.instruments.map((i) => i.id));
    const instruments = [...bundle.instruments].reverse().map(({ id, body }) => rowOf(id, revision, now(), prepared('instruments', body)));
    const studies = [...bundle.studies].reverse().map(({ id, body }) => {
      const instrumentId = body.instrumentId !== null && here.has(body.instrumentId) ? body.instrumentId : null;
      return rowOf(id, revision, now(), prepared('studies', { ...body, instrumentId }));
    });
    const rowsOf = (kind: 'scales' | 'drills') =>
      [...bundle[kind]].reverse().map(({ id, body }) => rowOf(id, revision, now(), prepared(kind, body)));
    const [scales, drills] = [rowsOf('scales'), rowsOf('drills')];
    await insertAll(trx, 'instruments', instruments, () => undefined);
    await insertAll(trx, 'scales', scales, () => undefined);
    await insertAll(trx, 'drills', drills, () => undefined);
    await insertAll(trx, 'studies', studies, told);
    const passes = await insertPasses(trx, bundle.passes ?? []);
    const rounds = await insertRounds(trx, bundle.rounds ?? []);
    await trx('versions').whereNotIn('study', trx('studies').select('id')).delete();
    await insertVersions(trx, bundle, (id) => id);
    const { instruments: i, scales: s, drills: d } = bundle;
    return { studies: bundle.studies.length, instruments: i.length, scales: s.length, drills: d.length, passes, rounds };
  });

/** Share of the work that checking is; writing is the rest. */
const CHECKING = 0.6;

async function take(db: Knex, mode: Mode, read: ReadBundle, told: Told): Promise<TakenIn | { readonly problem: string }> {
  if ('problem' in read) return read;
  const writing = (share: number): void => told(CHECKING + (1 - CHECKING) * share);
  return mode === 'add' ? addBundle(db, read.bundle, writing) : replaceWith(db, read.bundle, writing);
}

/** Takes in the text of a bundle, whole or not at all; says what is wrong with it. */
export const takeText = (db: Knex, mode: Mode, text: string, told: Told): Promise<TakenIn | { readonly problem: string }> =>
  take(
    db,
    mode,
    readBundle(text, (share) => told(CHECKING * share)),
    told,
  );

/** The same for a bundle that is parsed already. */
export const takeValue = (db: Knex, mode: Mode, value: unknown, told: Told): Promise<TakenIn | { readonly problem: string }> =>
  take(
    db,
    mode,
    checkBundle(value, (share) => told(CHECKING * share)),
    told,
  );

/** Whether a record's text is one that a notebook takes in. */
function holds(table: KindName, text: string): boolean {
  try {
    return problemsIn(table, JSON.parse(text)).length === 0;
  } catch {
    return false;
  }
}

/** The whole notebook as the text of a bundle. A record that does not hold goes along as the text it is, under `damaged`, so that the rest can be put back. */
export async function bundleText(db: Knex, versions: boolean): Promise<string> {
  const damaged: { readonly id: string; readonly text: string }[] = [];
  const listed = async (table: KindName): Promise<string> => {
    const rows = await db<Row>(table).whereNull('deleted_at').orderBy([{ column: 'updated_at', order: 'desc' }, 'id']).select('id', 'body', 'checked'); // prettier-ignore
    const whole = rows.filter((r) => isCheckedText(r.checked, r.body) || holds(table, r.body) || !damaged.push({ id: r.id, text: r.body }));
    return whole.map((r) => `{"id":${JSON.stringify(r.id)},"body":${r.body}}`).join(',\n');
  };
  const parts = [`"kind":"crow-ladder notebook","version":1`];
  parts.push(
    `"instruments":[${await listed('instruments')}]`,
    `"scales":[${await listed('scales')}]`,
    `"drills":[${await listed('drills')}]`,
    `"studies":[${await listed('studies')}]`,
  );
  if (versions) {
    const texts: string[] = [];
    for await (const v of allVersions(db))
      texts.push(`{"study":${JSON.stringify(v.study)},"revision":${v.revision},"at":${v.at},"body":${v.text}}`);
    parts.push(`"versions":[${texts.join(',\n')}]`);
  }
  parts.push(`"passes":[${(await allPasses(db)).map((pass) => JSON.stringify({ ...pass, seq: undefined })).join(',\n')}]`);
  parts.push(`"rounds":[${(await allRounds(db)).map((round) => JSON.stringify(round)).join(',\n')}]`);
  if (damaged.length) parts.push(`"damaged":${JSON.stringify(damaged)}`);
  return `{${parts.join(',\n')}}\n`;
}
