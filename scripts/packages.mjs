// Which installed packages a release carries, what of them is run.
import { cpSync, existsSync, readFileSync } from 'node:fs';
import { dirname, extname, join, relative } from 'node:path';
import { ROOT } from './ensure.mjs';

const manifestOf = (folder) => JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));

/** The folder of a package as Node finds it from another package's folder; null where it is not installed. */
function foundFrom(folder, name) {
  for (let at = folder; at.startsWith(ROOT); at = dirname(at)) {
    const there = join(at, 'node_modules', name);
    if (existsSync(join(there, 'package.json'))) return there;
  }
  return null;
}

/** Whether a package with a binary is for a platform: { os, cpu, libc }. */
const fits = ({ os, cpu, libc }, on) => (!os || os.includes(on.os)) && (!cpu || cpu.includes(on.cpu)) && (!libc || libc.includes(on.libc));

/** Folders of the packages of these names, for a platform, and of whatever they need in turn. */
export function packagesOf(names, on) {
  const folders = new Set();
  const take = (from, name, optional) => {
    const folder = foundFrom(from, name);
    if (!folder) {
      if (optional) return;
      throw new Error(`${name} is needed and not installed.`);
    }
    const manifest = manifestOf(folder);
    if (folders.has(folder) || !fits(manifest, on)) return;
    folders.add(folder);
    for (const need of Object.keys(manifest.dependencies ?? {})) take(folder, need, false);
    for (const need of Object.keys(manifest.optionalDependencies ?? {})) take(folder, need, true);
  };
  for (const name of names) take(ROOT, name, false);
  return [...folders].sort();
}

const KEPT = new Set(['.js', '.cjs', '.mjs', '.json', '.node', '.wasm', '']);
const NOT_RUN = /(^|\/)(node_modules|test|tests|__tests__|docs?|examples?|bench|benchmarks?|coverage|\.github)(\/|$)/;

/** Copies what of a package is run, with its licence. */
export function copyPackage(folder, to) {
  cpSync(folder, join(to, relative(ROOT, folder)), {
    recursive: true,
    dereference: true,
    filter: (file) => {
      const inside = relative(folder, file);
      if (inside === '') return true;
      if (NOT_RUN.test(inside)) return false;
      return /licen[cs]e|notice|copying/i.test(inside) || KEPT.has(extname(inside));
    },
  });
}
