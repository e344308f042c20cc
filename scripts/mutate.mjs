// Applies small changes to the core one by one, in a copy, and tells which of them the unit tests let pass.
// node scripts/mutate.mjs [part of a file's name [from which of them on]]; ends with 1 where fewer than nine in ten are caught.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { ROOT } from './ensure.mjs';
import { MUTATIONS } from './mutations.mjs';

const only = process.argv[2] ?? '';
const copy = mkdtempSync(join(tmpdir(), 'crow-mutants-'));
for (const name of ['core', 'tests', 'package.json', 'jest.config.mjs', 'contract', 'formats', 'server', 'app', 'demo', 'scripts'])
  cpSync(join(ROOT, name), join(copy, name), { recursive: true });
symlinkSync(join(ROOT, 'node_modules'), join(copy, 'node_modules'));

/** These count what their random tests meet, so they need all their runs. */
const COUNTING = 'core/route/connect.test.ts';
const MOMENT_MS = '200';

/** Whether tests pass: random ones stopped after a moment, but for those that count. */
const unnoticed = (paths, randomMs = MOMENT_MS, ...more) =>
  spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--bail',
      '--silent',
      '--passWithNoTests',
      '--maxWorkers=2',
      ...paths,
      ...more,
    ],
    { cwd: copy, stdio: 'ignore', env: { ...process.env, CROW_RANDOM_MS: randomMs } },
  ).status === 0;

/** The quickest tests first, then those beside the file, which are the likeliest to notice, then all of the core's. */
const lives = (file) =>
  unnoticed(['core/ties.test.ts', 'tests/outside/fingers.test.ts', 'tests/outside/shapes.test.ts']) &&
  unnoticed([dirname(file)], MOMENT_MS, `--testPathIgnorePatterns=${COUNTING}`) &&
  unnoticed(['core'], MOMENT_MS, `--testPathIgnorePatterns=${COUNTING}`) &&
  unnoticed([COUNTING], '0');

if (!lives('core/index.ts')) {
  console.error('The unit tests of the core fail as it stands: mend that first.');
  process.exit(1);
}

const survivors = [];
let caught = 0;
const chosen = MUTATIONS.filter(([file]) => file.includes(only)).slice(Number(process.argv[3] ?? 0));
for (const [file, from, to, why] of chosen) {
  const path = join(copy, file);
  const text = readFileSync(path, 'utf8');
  if (text.split(from).length !== 2) {
    console.log(`stale: ${file} has "${from}" ${text.split(from).length - 1} times`);
    survivors.push([file, from, to, 'stale']);
    continue;
  }
  writeFileSync(
    path,
    text.replace(from, () => to),
  );
  const survived = lives(file);
  writeFileSync(path, text);
  if (survived) survivors.push([file, from, to, why]);
  else caught++;
  console.log(`${survived ? 'SURVIVED' : 'caught'}  ${file}: ${from}  ->  ${to || '(nothing)'}`);
}
rmSync(copy, { recursive: true, force: true });
console.log(`\n${caught} of ${chosen.length} caught`);
for (const [file, from, , why] of survivors) console.log(`  ${file}: ${from}${why ? `  (${why})` : ''}`);
process.exit(caught >= 0.9 * chosen.length ? 0 : 1);
