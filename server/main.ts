import { existsSync } from 'node:fs';
import { join, dirname } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { copyWhenDue } from './copies';
import { damageOf, databaseFile, openDatabase, setAside } from './database';
import { loadDemoOnce, resetDemo } from './demo';
import { HOST, listen } from './listen';

const flags = new Set(process.argv.slice(2));
const file = databaseFile();

async function agreesToNew(): Promise<boolean> {
  if (flags.has('--new-notebook')) return true;
  if (!process.stdin.isTTY) return false;
  const line = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await line.question('Set it aside, unchanged, and begin a new notebook? (yes/no) ');
  line.close();
  return /^y(es)?$/i.test(answer.trim());
}

/** A damaged notebook is never written to: it is set aside if the player agrees, else nothing starts. */
async function checkFile(): Promise<void> {
  const damage = damageOf(file);
  if (damage === null) return;
  console.error(`The notebook at ${file} cannot be read: ${damage}.`);
  if (!(await agreesToNew())) {
    console.error('It was left as it is. To set it aside and begin a new one: npm start -- --new-notebook');
    process.exit(1);
  }
  console.error(`It was moved, unchanged, to ${setAside(file, new Date())}. A new notebook begins.`);
}

function webRoot(): string | undefined {
  const built = join(dirname(fileURLToPath(import.meta.url)), '..', 'app');
  return existsSync(join(built, 'index.html')) ? built : undefined;
}

async function main(): Promise<void> {
  await checkFile();
  const db = await openDatabase(file);
  if (flags.has('--demo-reset')) {
    await resetDemo(db);
    console.log('The Tin Lantern demo set is as new. Your other studies were not touched.');
    return db.destroy();
  }
  if (await loadDemoOnce(db)) console.log('First run: the Tin Lantern demo set was loaded.');
  await copyWhenDue(db, file);
  const { server, port } = await listen(createApp(db, webRoot(), file), Number(process.env.CROW_LADDER_PORT ?? 4714));
  console.log(`Notebook: ${file}`);
  console.log(`Crow Ladder is ready at http://${HOST}:${port}`);
  const stop = (): void => {
    server.close();
    void db.destroy().finally(() => process.exit(0));
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
}

main().catch((e: unknown) => {
  console.error(`Crow Ladder could not start: ${e instanceof Error ? e.message : String(e)}`);
  console.error(`The notebook at ${file} was not changed.`);
  process.exit(1);
});
