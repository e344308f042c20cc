import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { API, problemsOf, studySchema, upgradeStudy, type StudyBody } from '../contract';
import { DEMO } from '../demo';
import { inspect } from '../server/inspect';
import { largestOf } from '../tests/support/largest';
import { ms, percentile, printTable } from './table';

/** The built server that is measured; another one, for before and after, is named by CROW_BENCH_SERVER. */
const SERVER = process.env.CROW_BENCH_SERVER ?? 'dist/server/main.js';
const everyday = DEMO.studies[0]!.body;
const largest = largestOf(everyday, false);
const filled = largestOf(everyday);
const studies = Array.from({ length: 100 }, (_, s) => ({
  id: `s${s}`,
  body: {
    ...everyday,
    name: `Study ${s}`,
    instrumentId: null,
    licks: Array.from({ length: 50 }, (_l, k) => ({ ...everyday.licks[0], id: `l${k}`, name: `Lick ${s}-${k}` })),
    lick: null,
  },
}));
const bundle = JSON.stringify({ kind: 'crow-ladder notebook', version: 1, instruments: [], studies });

async function timed(work: () => unknown): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}
async function times(rounds: number, work: (k: number) => unknown): Promise<number[]> {
  const all: number[] = [];
  for (let k = 0; k < rounds; k++) all.push(await timed(() => work(k)));
  return all;
}
interface Running {
  url: string;
  child: ChildProcess;
}
function start(file: string): Promise<Running> {
  const env = { ...process.env, CROW_LADDER_DB: file, CROW_LADDER_PORT: '4970', CI: '1' };
  const child = spawn(process.execPath, [SERVER], { env, stdio: ['ignore', 'pipe', 'inherit'] });
  return new Promise((resolve, reject) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const url = /ready at (\S+)/.exec(chunk.toString())?.[1];
      if (url) resolve({ url, child });
    });
    child.on('exit', reject);
  });
}
const stop = ({ child }: Running): Promise<void> =>
  new Promise((done) => {
    child.removeAllListeners('exit').once('exit', () => done());
    child.kill('SIGTERM');
  });

const folder = mkdtempSync(join(tmpdir(), 'crow-bench-'));
const file = join(folder, 'notebook.sqlite');
let server = await start(file);
const ask = async (method: string, path: string, body?: unknown): Promise<Response> => {
  const payload = body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body);
  const answer = await fetch(server.url + path, { method, headers: { 'content-type': 'application/json' }, body: payload });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${(await answer.text()).slice(0, 300)}`);
  return answer;
};
/** The longest that a small question waited while something else was done. */
async function longestWait(work: () => Promise<unknown>): Promise<number> {
  let done = false;
  const going = work().finally(() => (done = true));
  let longest = 0;
  while (!done) longest = Math.max(longest, await timed(() => ask('GET', API.health)));
  await going;
  return longest;
}

const idOf = async (body: StudyBody): Promise<string> => ((await (await ask('POST', API.studies, { body })).json()) as { id: string }).id;
const saving = async (body: StudyBody, rounds: number): Promise<number[]> => {
  const id = await idOf(body);
  const sent = Array.from({ length: rounds }, (_, k) => JSON.stringify({ revision: k + 1, body: { ...body, tempo: 60 + k } }));
  return times(rounds, (k) => ask('PUT', `${API.studies}/${id}`, sent[k]));
};

const check = (body: StudyBody) => () => {
  if (problemsOf(studySchema, upgradeStudy(body)).length) throw new Error('it should hold');
};
const rows: string[][] = [];
/** One line of the table; what is refused says with what. */
async function measure(what: string, aim: string, work: () => Promise<number[]>): Promise<void> {
  try {
    const values = await work();
    rows.push([what, ms(percentile(values, 0.5)), ms(Math.max(...values)), aim]);
  } catch (e) {
    rows.push([what, e instanceof Error ? e.message : String(e), '', aim]);
  }
}
const once = async (work: () => unknown): Promise<number[]> => [await timed(work)];
const list = (): Promise<unknown> => ask('GET', API.studies).then((r) => r.json());

check(everyday)();
await measure('validating an everyday study', '< 20', () => times(50, check(everyday)));
const megabytes = (body: StudyBody): number => Math.round(JSON.stringify(body).length / 1e6);
await measure(`validating the largest study, ${megabytes(largest)} MB`, '< 500', () => times(5, check(largest)));
const silly = { ...everyday, routes: Array.from({ length: 100_000 }, () => ({})) };
await measure('refusing 100,000 empty routes', '', () => times(5, () => problemsOf(studySchema, silly)));
await measure('saving an everyday study', '< 60', () => saving({ ...everyday, instrumentId: null }, 40));
await measure('saving the largest study', '< 700', () => saving(largest, 5));
await measure(`the same with every field that may be left out, ${megabytes(filled)} MB`, '', () => saving(filled, 5));
await measure('a small question while the largest is saved', '< 200', async () => {
  const id = await idOf(largest);
  return [await longestWait(() => ask('PUT', `${API.studies}/${id}`, { revision: 1, body: { ...largest, tempo: 61 } }))];
});
await measure('taking in 100 studies with 5,000 licks', '< 1000', () => once(() => ask('POST', API.notebook, bundle)));
await measure('the list of them', '', () => times(10, list));
await stop(server);
server = await start(file);
await measure('the first list after a start', '< 300', () => once(list));
await measure('putting them in the place of all', '< 2000', () => once(() => ask('PUT', API.notebook, bundle)));
await measure('a small question while they are taken in', '< 200', async () => [
  await longestWait(() => ask('POST', API.notebook, bundle)),
]);
if (!process.env.CROW_BENCH_SERVER) {
  while (statSync(file).size < 50e6) await ask('POST', API.studies, { body: largest });
  await stop(server);
  await measure(`looking for damage, ${Math.round(statSync(file).size / 1e6)} MB`, '< 1000', () => times(5, () => inspect(file)));
} else await stop(server);
printTable('The server on its notebook', ['what', 'p50 ms', 'worst ms', 'aim'], rows);
rmSync(folder, { recursive: true });
process.exit(0);
