// Installs what is missing, then runs every check. The last line reads "N passed, N failed".
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { BARE, CHROMIUM } from './chromium.mjs';
import { commandOf, ensureBuilt, ensureInstalled, ROOT, run } from './ensure.mjs';

const JEST_OUT = join(ROOT, '.cache', 'jest.json');
const E2E_OUT = join(ROOT, '.cache', 'e2e.json');

async function ensureSystem() {
  const wanted = [
    [CHROMIUM, 'chromium'],
    ['/usr/bin/pdftotext', 'poppler-utils'],
    ['/usr/bin/midicsv', 'midicsv'],
    ['/usr/bin/abc2midi', 'abcmidi'],
    ['/usr/bin/sqlite3', 'sqlite3'],
    ['/usr/bin/openssl', 'openssl'],
    ['/usr/sbin/ip', 'iproute2'],
  ]
    .filter(([path]) => !existsSync(path))
    .map(([, name]) => name);
  if (!wanted.length) return true;
  if (process.getuid?.() !== 0) {
    console.error(
      `These are needed for the tests: ${wanted.join(', ')}. Install them (on Debian: apt-get install ${wanted.join(' ')}) and run npm test again.`,
    );
    return false;
  }
  return fromDebian(wanted);
}

/** The bare browser saves a quarter of the time; where it cannot be had the whole one serves. */
async function ensureBare() {
  if (process.env.CHROMIUM || existsSync(BARE) || process.getuid?.() !== 0) return;
  if (!(await fromDebian(['chromium-headless-shell']))) console.log('The whole browser is taken in its place, which takes longer.');
}

async function fromDebian(names) {
  console.log(`Installing ${names.join(', ')} from Debian's packages ...`);
  const soon = ['-o', 'Acquire::http::Timeout=20', '-o', 'Acquire::Retries=0']; // with no network it is not waited for
  await run('apt-get', ['update', '-qq', ...soon]);
  return (await run('apt-get', ['install', '-y', '-qq', '--no-remove', ...soon, ...names])) === 0;
}

/** A check that is one thing: it passes or fails as a whole. What it says is shown when it has ended: others run beside it. */
async function check(title, script, args) {
  const start = Date.now();
  const child = spawn(process.execPath, [script, ...args], { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  const said = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part));
  const code = await new Promise((done) => child.on('close', (c) => done(c ?? 1)));
  const seconds = Math.round((Date.now() - start) / 1000);
  console.log(`\n== ${title}\n${Buffer.concat(said)}${code === 0 ? 'ok' : 'FAILED'}: ${title}, ${seconds} s`);
  return code === 0 ? [1, 0] : [0, 1];
}

/** Checks one after another. */
async function row(...checks) {
  const results = [];
  for (const one of checks) results.push(await check(...one));
  return results;
}

/** A runner that writes its counts to a file; no file, or a bad exit without a failed test, is one failure. */
async function suite(title, args, file, count, env = {}) {
  console.log(`\n== ${title}`);
  rmSync(file, { force: true });
  const code = await new Promise((done) =>
    spawn(process.execPath, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } }).on('exit', (c) => done(c ?? 1)),
  );
  const [passed, failed] = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : [0, 1];
  return [passed, code !== 0 && failed === 0 ? 1 : failed];
}

/** The titles of tests that failed once and then passed, over the runner's nested suites. */
const flaky = (suites) =>
  suites.flatMap((s) => [
    ...(s.specs ?? []).filter((spec) => spec.tests.some((t) => t.status === 'flaky')).map((spec) => spec.title),
    ...flaky(s.suites ?? []),
  ]);

mkdirSync(join(ROOT, '.cache'), { recursive: true });
await ensureInstalled({ tests: true });
const system = await ensureSystem();
await ensureBare();
await ensureBuilt();

const FLOORS = ['core', 'formats', 'contract', 'server', 'app', 'demo'];
/** Two rows beside each other, one for each core that even a small machine has; the shorter one goes on with the unit checks. */
const [first, second] = await Promise.all([
  row(
    ['types', commandOf('typescript', 'tsc'), ['--noEmit']],
    ['format', commandOf('prettier'), ['--check', '--log-level', 'warn', '.']],
    ['nothing unused', commandOf('knip'), ['--no-progress']],
    ['boundaries', commandOf('dependency-cruiser', 'depcruise'), ['--config', '.dependency-cruiser.cjs', ...FLOORS]],
  ).then(async (checks) => [
    ...checks,
    await suite(
      'unit and outside checks',
      ['--experimental-vm-modules', '--no-warnings', 'node_modules/jest/bin/jest.js', '--json', `--outputFile=${JEST_OUT}`],
      JEST_OUT,
      (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites],
    ),
  ]),
  row(
    ['lint', commandOf('eslint'), ['.']],
    ['broken files', join(ROOT, 'scripts/fuzz.mjs'), ['all', '500', '1']],
    ['size of the first load', join(ROOT, 'scripts/budget.mjs'), []],
    ['where things go', join(ROOT, 'scripts/where.mjs'), ['--standing']],
  ),
]);

const results = [
  system ? [1, 0] : [0, 1],
  ...first,
  ...second,
  await suite(
    'the real interface',
    [commandOf('@playwright/test', 'playwright'), 'test', '--reporter=list,json'],
    E2E_OUT,
    (r) => {
      if (r.stats.flaky) console.log(`Passed only at the second try: ${flaky(r.suites).join('; ')}`);
      return [r.stats.expected + r.stats.flaky, r.stats.unexpected];
    },
    { PLAYWRIGHT_JSON_OUTPUT_NAME: E2E_OUT },
  ),
];

const [passed, failed] = results.reduce(([p, f], [a, b]) => [p + a, f + b], [0, 0]);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
