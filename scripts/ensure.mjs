// Installs what is missing, once. Uses Node's own modules only: it runs before anything is installed.
import { createHash } from 'node:crypto';
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

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

/** Runs a long-lived command and hands signals on to it, so that stopping npm stops the server. */
export function runUntilStopped(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 1));
  return child;
}

/** Node's own headers, where they came with it: the driver then compiles without a download. */
function headersHere() {
  const prefix = join(dirname(process.execPath), '..');
  return existsSync(join(prefix, 'include', 'node', 'node.h')) ? { npm_config_nodedir: prefix } : {};
}

const installStamp = () =>
  createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .update(process.versions.modules)
    .digest('hex');

export async function ensureInstalled() {
  const stamp = installStamp();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === stamp) return;
  console.log('Installing packages. The first time this compiles the SQLite driver, which takes up to four minutes ...');
  const code = await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { env: { ...process.env, ...headersHere() } });
  if (code !== 0) {
    console.error('The packages could not be installed; npm says why above. A C++ compiler, make and python3 are needed once.');
    process.exit(code);
  }
  writeFileSync(STAMP, stamp);
}

const SOURCES = ['app', 'server', 'contract', 'formats', 'core', 'demo', 'vite.config.ts', 'scripts/build.mjs', 'package-lock.json'];

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
