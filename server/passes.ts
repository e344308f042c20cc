import type { Knex } from 'knex';
import type { Correction, KeptPass, Pass, PassCharts, PassFilter, PassHistory, PassPage } from '../contract';
import { exclusively } from './exclusively';

interface PassRow {
  readonly seq: number;
  readonly id: string;
  readonly at: number;
  readonly day: string;
  readonly study: string | null;
  readonly study_name: string;
  readonly shape: string;
  readonly what: string;
  readonly ordering: Pass['order'];
  readonly rhythm: Pass['rhythm'];
  readonly tempo: number;
  readonly goal: number | null;
  readonly verdict: Pass['verdict'];
  readonly reached: number | boolean;
  readonly seconds: number;
  readonly rated_by: Pass['by'];
  readonly deleted_at: number | null;
}

const rowOf = ({ studyName, order, by, ...rest }: Pass): Omit<PassRow, 'seq'> => ({
  ...rest,
  study_name: studyName,
  ordering: order,
  rated_by: by,
  deleted_at: null,
});
const passOf = (r: PassRow): KeptPass => ({
  seq: r.seq,
  id: r.id,
  at: r.at,
  day: r.day,
  study: r.study,
  studyName: r.study_name,
  shape: r.shape,
  what: r.what,
  order: r.ordering,
  rhythm: r.rhythm,
  tempo: r.tempo,
  goal: r.goal,
  verdict: r.verdict,
  reached: !!r.reached,
  seconds: r.seconds,
  by: r.rated_by,
});

/** All passes of a notebook as JSON has them, in the order in which they were kept; `reached` as 0 or 1. */
export const PASSES_SQL = `select id, at, day, study, study_name as studyName, shape, what, ordering as "order", rhythm, tempo, goal, verdict,
  reached, seconds, rated_by as "by" from passes where deleted_at is null order by seq`;

/** The rows of a query, as its columns are named in it. */
const rowsIn = async <T>(query: Knex.QueryBuilder): Promise<T[]> => (await query) as T[];

/** Rows written at once; SQLite takes so many values in a statement. */
const CHUNK = 50;

/** Keeps passes in the order given; one whose id is here already is not taken twice. Tells how many were new. */
export async function insertPasses(on: Knex, passes: readonly Pass[]): Promise<number> {
  const before = await count(on);
  for (let k = 0; k < passes.length; k += CHUNK)
    await on('passes').insert(passes.slice(k, k + CHUNK).map(rowOf)).onConflict('id').ignore(); // prettier-ignore
  return (await count(on)) - before;
}
const count = async (on: Knex): Promise<number> => Number(((await on('passes').count({ n: '*' }).first()) as { readonly n: number }).n);

export const keepPasses = (db: Knex, passes: readonly Pass[]): Promise<number> => exclusively(db, (trx) => insertPasses(trx, passes));

/** What stands under a filter. */
function under(db: Knex, { study, shape, order, verdict, from, to }: PassFilter): Knex.QueryBuilder {
  const query = db<PassRow>('passes').whereNull('deleted_at');
  if (study === '-') void query.whereNull('study');
  else if (study !== undefined) void query.where({ study });
  if (shape !== undefined) void query.where({ shape });
  if (order !== undefined) void query.where({ ordering: order as Pass['order'] });
  if (verdict !== undefined) void query.where({ verdict: verdict as Pass['verdict'] });
  if (from !== undefined) void query.where('day', '>=', from);
  if (to !== undefined) void query.where('day', '<=', to);
  return query as Knex.QueryBuilder;
}

/** A page of the log, newest first, and what it can be filtered by. */
export async function listPasses(db: Knex, filter: PassFilter, offset: number, limit: number): Promise<PassPage> {
  const rows = await rowsIn<PassRow>(under(db, filter).orderBy('seq', 'desc').offset(offset).limit(limit));
  const { total } = (await under(db, filter).count({ total: '*' }).first()) as { readonly total: number };
  const studies = await newestOf(db, db('passes').whereNull('deleted_at'), 'study', 'study_name');
  const shapes = await newestOf(db, under(db, { study: filter.study }), 'shape', 'what');
  return {
    passes: rows.map(passOf),
    total,
    studies: studies.map(({ key, name, passes }) => ({ study: key, name, passes })).sort((x, y) => y.passes - x.passes),
    shapes: shapes.map(({ key, name, passes }) => ({ shape: key ?? '', what: name, passes })),
  };
}

/** The values of a column with how often each is there and what the newest pass calls it. Counted from an index alone; the names are looked up. */
async function newestOf(db: Knex, among: Knex.QueryBuilder, column: 'study' | 'shape', named: 'study_name' | 'what') {
  const groups = await rowsIn<{ readonly key: string | null; readonly passes: number; readonly seq: number }>(among.groupBy(column).select(`${column} as key`, db.raw('count(*) as passes'), db.raw('max(seq) as seq')).orderBy(column)); // prettier-ignore
  const names = new Map<number, string>();
  for (let k = 0; k < groups.length; k += CHUNK * 10) {
    const some = groups.slice(k, k + CHUNK * 10).map((g) => g.seq);
    const rows = await rowsIn<{ readonly seq: number; readonly name: string }>(
      db('passes').whereIn('seq', some).select('seq', `${named} as name`),
    );
    for (const r of rows) names.set(r.seq, r.name);
  }
  return groups.map(({ key, passes, seq }) => ({ key, passes, name: names.get(seq) ?? '' }));
}

/** Every pass under a filter, oldest first: for files. */
export const allPasses = async (db: Knex, filter: PassFilter = {}): Promise<KeptPass[]> =>
  (await rowsIn<PassRow>(under(db, filter).orderBy('seq'))).map(passOf);

const TOP = `max(case when verdict = 'clean' then tempo end)`;

export async function chartsOf(db: Knex, filter: PassFilter): Promise<PassCharts> {
  const days = await rowsIn<PassCharts['days'][number]>(
    under(db, filter)
      .groupBy('day')
      .select('day', db.raw(`${TOP} as top`), db.raw('max(goal) as goal'), db.raw('count(*) as passes'), db.raw('sum(seconds) as seconds'))
      .orderBy('day'),
  );
  const shapes = await rowsIn<PassCharts['shapes'][number]>(
    under(db, filter)
      .groupBy('study', 'shape')
      .select(
        'study',
        'shape',
        db.raw(`${TOP} as top`),
        db.raw('max(case when reached then tempo end) as held'),
        db.raw('count(*) as passes'),
      )
      .orderBy(['study', 'shape']),
  );
  return { days, shapes };
}

/** Rated passes of each shape that are told: more than any ladder counts. */
const LAST = 24;

/** What was played of each shape of some studies. `since`: passes of a shape that ended before do not count. */
export async function historyOf(
  db: Knex,
  studies: readonly string[],
  since: readonly { readonly study: string; readonly shape: string; readonly at: number }[],
): Promise<PassHistory> {
  const counted = (): Knex.QueryBuilder => {
    const query = db('passes').whereNull('deleted_at').whereIn('study', studies);
    for (const { study, shape, at } of since) void query.whereNot((q) => void q.where({ study, shape }).where('at', '<', at));
    return query;
  };
  const days = await rowsIn<Omit<PassHistory['days'][number], 'reached'> & { readonly reached: number }>(
    counted()
      .groupBy('study', 'shape', 'day')
      .select(
        'study',
        'shape',
        'day',
        db.raw('min(at) as at'),
        db.raw(`sum(verdict = 'clean') as clean`),
        db.raw(`sum(verdict = 'miss') as misses`),
        db.raw('max(reached) as reached'),
        db.raw('sum(seconds) as seconds'),
      )
      .orderByRaw('min(seq)'),
  );
  return { days: days.map((d) => ({ ...d, reached: !!d.reached })), last: await lastRated(counted) };
}

/** The last rated passes of each shape in each order and rhythm: a look into the index for each, however long the log. */
async function lastRated(counted: () => Knex.QueryBuilder): Promise<PassHistory['last']> {
  const groups = await rowsIn<Pick<PassRow, 'study' | 'shape' | 'ordering' | 'rhythm'>>(
    counted().distinct('study', 'shape', 'ordering', 'rhythm'),
  );
  const last: (PassHistory['last'][number] & { readonly seq: number })[] = [];
  for (const { study, shape, ordering, rhythm } of groups)
    last.push(
      ...(await rowsIn<(typeof last)[number]>(
        counted()
          .where({ study, shape, ordering, rhythm })
          .whereIn('verdict', ['clean', 'miss'])
          .orderBy('seq', 'desc')
          .limit(LAST)
          .select('seq', 'study', 'shape', 'ordering as order', 'rhythm', 'tempo', 'verdict as rating'),
      )),
    );
  return last.sort((x, y) => x.seq - y.seq).map(({ study, shape, order, rhythm, tempo, rating }) => ({ study, shape, order, rhythm, tempo, rating })); // prettier-ignore
}

/** When each study and each lick (`study/lick-id`) was practised last, ms since 1970. */
export async function lastPractised(db: Knex): Promise<Map<string, number>> {
  const live = () => db('passes').whereNull('deleted_at').whereNotNull('study');
  const studies = await rowsIn<{ readonly of: string; readonly at: number }>(
    live().groupBy('study').select('study as of', db.raw('max(at) as at')),
  );
  const licks = await rowsIn<{ readonly of: string; readonly at: number }>(live().where('shape', 'like', 'lick/%').groupBy('study', 'shape').select(db.raw(`study || '/' || substr(shape, 6) as "of"`), db.raw('max(at) as at'))); // prettier-ignore
  return new Map([...studies, ...licks].map((r) => [r.of, r.at]));
}

const one = async (db: Knex, id: string): Promise<KeptPass | null> => {
  const row = await db<PassRow>('passes').where({ id }).whereNull('deleted_at').first();
  return row ? passOf(row) : null;
};

/** A pass put right; only a clean one can have held its goal. Null where there is none. */
export async function correctPass(db: Knex, id: string, { verdict, tempo, reached }: Correction): Promise<KeptPass | null> {
  if (!(await one(db, id))) return null;
  await db<PassRow>('passes')
    .where({ id })
    .update({ verdict, tempo, reached: reached && verdict === 'clean' });
  return one(db, id);
}

/** Tells whether there was one. */
export const removePass = async (db: Knex, id: string, now: number): Promise<boolean> =>
  (await db<PassRow>('passes').where({ id }).whereNull('deleted_at').update({ deleted_at: now })) > 0;

export async function restorePass(db: Knex, id: string): Promise<KeptPass | null> {
  await db<PassRow>('passes').where({ id }).update({ deleted_at: null });
  return one(db, id);
}
