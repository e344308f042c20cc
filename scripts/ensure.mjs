// Installs what is missing, once. Uses Node's own modules only: it runs before anything is installed.
import { createHash } from 'node:crypto';
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { whenParentEnds } from './parent.mjs';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const STAMP = join(ROOT, 'node_modules', '.crow-ladder-stamp');
const BUILD_STAMP = join(ROOT, 'dist', '.stamp');

/** Runs a command to its end; resolves to its exit code. Its output goes to the terminal. */
export const run = (command, args, options = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
    child.on('error', (e) => {
      console.error(e.message);
      resolve(127);
    });
    child.on('exit', (code, signal) => resolve(signal ? 1 : (code ?? 1)));
  });

/**
 * Runs a long-lived command; it stops when this process is told to, and when whoever started this process is gone. The
 * channel to it breaks with this process, so that it notices even a kill.
 */
export function runUntilStopped(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: ['inherit', 'inherit', 'inherit', 'ipc'], ...options });
  for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP']) process.on(signal, () => child.kill(signal));
  whenParentEnds(() => child.kill());
  child.on('exit', (code) => process.exit(code ?? 1));
  return child;
}

/** A package's command as the script that node runs: the same on every system, no shell and no .cmd file between. */
export function commandOf(name, command = name) {
  const { bin } = JSON.parse(readFileSync(join(ROOT, 'node_modules', name, 'package.json'), 'utf8'));
  return join(ROOT, 'node_modules', name, typeof bin === 'string' ? bin : bin[command]);
}

const installStamp = (parts) =>
  createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .update(process.versions.modules)
    .update(parts)
    .digest('hex');

/** Windows finds npm only as a command of its shell. */
const NPM = process.platform === 'win32' ? { command: 'npm.cmd', shell: true } : { command: 'npm', shell: false };

/** Installs what running needs, or with `tests` all there is. What tests need holds what running needs. */
export async function ensureInstalled({ tests = false } = {}) {
  const stamp = existsSync(STAMP) ? readFileSync(STAMP, 'utf8') : '';
  const [forRun, all] = [installStamp('run'), installStamp('all')];
  if (stamp === all || (!tests && stamp === forRun)) return;
  console.log(
    tests
      ? 'Installing packages, those for the tests too ...'
      : 'Installing packages; this is needed once and takes about half a minute ...',
  );
  const args = ['ci', ...(tests ? [] : ['--omit=dev']), '--no-audit', '--no-fund', '--loglevel=error'];
  const code = await run(NPM.command, args, { shell: NPM.shell });
  if (code !== 0) {
    console.error('The packages could not be installed; npm says why above.');
    process.exit(code);
  }
  writeFileSync(STAMP, tests ? all : forRun);
}

const SOURCES = [
  'app',
  'server',
  'contract',
  'formats',
  'core',
  'demo',
  'vite.config.ts',
  'scripts/build.mjs',
  'scripts/bundle-server.mjs',
  'scripts/licences.mjs',
  'scripts/compress.mjs',
  'package.json',
  'package-lock.json',
];

function newestIn(path) {
  const info = statSync(path);
  if (!info.isDirectory()) return info.mtimeMs;
  return Math.max(info.mtimeMs, ...readdirSync(path).map((name) => newestIn(join(path, name))));
}

export async function ensureBuilt() {
  const newest = Math.max(
    ...SOURCES.map((s) => join(ROOT, s))
      .filter(existsSync)
      .map(newestIn),
  );
  if (existsSync(BUILD_STAMP) && Number(readFileSync(BUILD_STAMP, 'utf8')) >= newest) return;
  console.log('Building the application ...');
  const code = await run(process.execPath, ['scripts/build.mjs']);
  if (code !== 0) process.exit(code);
  mkdirSync(dirname(BUILD_STAMP), { recursive: true });
  writeFileSync(BUILD_STAMP, String(newest));
}
