import type { Knex } from 'knex';
import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { fileURLToPath } from 'node:url';
import { VERSION } from '../contract';
import { createApp, createNotebook } from './app';
import { openBrowser } from './browser';
import { changes } from './changes';
import { copyWhenDue } from './copy-routes';
import { copyFirst } from './copies';
import { closeDatabase, createDatabase, openDatabase, setAside } from './database';
import { loadDemoOnce, resetDemo } from './demo';
import { readFlags } from './flags';
import { inspect, wordsOf, type Inspected } from './inspect';
import { HOST, listen } from './listen';
import { takeLock, type NotebookLock } from './lock';
import { databaseFile, portOf } from './paths';
import { devices } from './share/devices';
import { openDoors, planOf } from './share/share';
import { workshop } from './workshop';

/** Ends the start with a sentence, before anything was written. */
class NoStart extends Error {}

/** What holds; where it is a sentence instead, the start ends with it. */
function must<T>(value: T | { readonly why: string }): T {
  if (typeof value === 'object' && value !== null && 'why' in value) throw new NoStart(value.why);
  return value;
}

const asked = readFlags(process.argv.slice(2));
const flags: ReadonlySet<string> = 'why' in asked ? new Set() : asked.words;
const file = databaseFile();

async function agreesToNew(): Promise<boolean> {
  if (flags.has('new-notebook')) return true;
  if (!process.stdin.isTTY) return false;
  const line = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await line.question('Set it aside, unchanged, and begin a new notebook? (yes/no) ');
  line.close();
  return /^y(es)?$/i.test(answer.trim());
}

/** What cannot be used is never written to: a damaged notebook is set aside if the player agrees, anything else is left and named. */
async function usable(): Promise<Extract<Inspected, { readonly kind: 'new' | 'ours' }>> {
  const found = inspect(file);
  switch (found.kind) {
    case 'new':
    case 'ours':
      return found;
    case 'unreachable':
      throw new NoStart(`The notebook at ${file} cannot be reached: ${found.why}. CROW_LADDER_DB can name another place.`);
    case 'foreign':
      throw new NoStart(`${file} was left as it is: ${found.why}. CROW_LADDER_DB can name another place.`);
    case 'newer':
      throw new NoStart(`The notebook at ${file} was left as it is: ${found.why}. Start that one, or put a copy from before in its place.`);
    case 'damaged':
      console.error(`The notebook at ${file} cannot be read: ${found.why}.`);
      if (!(await agreesToNew()))
        throw new NoStart('It was left as it is. To set it aside and begin a new one: npm start -- --new-notebook');
      console.error(`It was moved, unchanged, to ${setAside(file, new Date())}. A new notebook begins.`);
      return { kind: 'new' };
  }
}

/** One server a notebook, unless told otherwise. */
function locked(): NotebookLock | null {
  if (flags.has('second')) return null;
  const taken = takeLock(file);
  if ('lock' in taken) return taken.lock;
  const where = taken.heldBy ? ` It answers at ${taken.heldBy}.` : '';
  throw new NoStart(
    `A Crow Ladder is running on ${file} already.${where} Use that one, or stop it first; npm start -- --second starts another all the same.`,
  );
}

async function opened(): Promise<{ readonly db: Knex; readonly lock: NotebookLock | null }> {
  try {
    mkdirSync(dirname(file), { recursive: true });
  } catch (e) {
    throw new NoStart(`No notebook can be made at ${file}: ${wordsOf(e)}. CROW_LADDER_DB can name another place.`);
  }
  const lock = lockedOrWhy();
  const found = await usable();
  if (found.kind === 'new') {
    console.log(`Beginning a notebook at ${file} ...`);
    await createDatabase(file, async (db) => {
      if (await loadDemoOnce(db)) console.log('First run: the Tin Lantern demo set was loaded.');
    });
  }
  if (found.kind === 'ours' && found.behind) await safeFirst();
  return { db: await openDatabase(file), lock };
}

/** A notebook that an older Crow Ladder kept is copied before its tables are brought up to date, or left as it is. */
async function safeFirst(): Promise<void> {
  try {
    const { name } = await copyFirst(file, new Date());
    console.log(`This notebook was kept by an older Crow Ladder: it is brought up to date, and stands as it was in copies/${name}.`);
  } catch (e) {
    throw new NoStart(
      `The notebook at ${file} was kept by an older Crow Ladder, and no copy of it could be made first: ${wordsOf(e)}. It was left as it is.`,
    );
  }
}

function lockedOrWhy(): NotebookLock | null {
  try {
    return locked();
  } catch (e) {
    if (e instanceof NoStart) throw e;
    throw new NoStart(`The folder of ${file} cannot be written to: ${wordsOf(e)}. CROW_LADDER_DB can name another place.`);
  }
}

function webRoot(): string | undefined {
  const built = join(dirname(fileURLToPath(import.meta.url)), '..', 'app');
  return existsSync(join(built, 'index.html')) ? built : undefined;
}

async function main(): Promise<void> {
  const port = portOf();
  const plan = must(planOf(must(asked), Date.now()));
  const { db, lock } = await opened();
  if (flags.has('demo-reset')) {
    await resetDemo(db);
    console.log('The Tin Lantern demo set is as new. Your other studies were not touched.');
    await closeDatabase(db);
    return lock?.release();
  }
  if (await loadDemoOnce(db)) console.log('First run: the Tin Lantern demo set was loaded.');
  const shop = workshop(db, file);
  await copyWhenDue(shop, file);
  const heard = changes();
  const known = devices(db);
  const house = { db, webRoot: webRoot(), file, shop, heard, devices: known };
  const shared = plan && (await openDoors(plan, createNotebook(house), known, port));
  const { server, port: got } = await listen(createApp(db, house.webRoot, file, shop, { heard, known, sharing: shared?.sharing }), port);
  const url = `http://${HOST}:${got}`;
  lock?.announce(url);
  console.log(`Notebook: ${file}`);
  console.log(`Crow Ladder ${VERSION} is ready at ${url}`);
  openBrowser(url, flags);
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    for (const one of [server, ...(shared?.servers ?? [])]) {
      one.close();
      one.closeAllConnections();
    }
    void (async () => {
      await shop.close();
      await closeDatabase(db);
      lock?.release();
      process.exit(0);
    })();
  };
  for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.once(signal, stop);
  process.once('disconnect', stop); // the start that made this process is gone
}

main().catch((e: unknown) => {
  if (e instanceof NoStart) console.error(e.message);
  else console.error(`Crow Ladder could not start: ${wordsOf(e)}.`);
  process.exit(1);
});
