// What the first load of the Map weighs, gzipped: every script that the page names itself. Over the budget is a failure, and so
// is a circle among the built files: what one of them begins with would not be there yet.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { ensureBuilt, ROOT } from './ensure.mjs';

/** In kB of 1000 bytes. */
const BUDGET = 220;

await ensureBuilt();
const page = readFileSync(join(ROOT, 'dist/app/index.html'), 'utf8');
const scripts = [...page.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((m) => m[1]);
const sizes = scripts.map((name) => [name, gzipSync(readFileSync(join(ROOT, 'dist/app', name)), { level: 9 }).length / 1000]);
const sum = sizes.reduce((total, [, kB]) => total + kB, 0);
for (const [name, kB] of sizes) console.log(`${kB.toFixed(1).padStart(8)} kB  ${name}`);
console.log(`${sum.toFixed(1).padStart(8)} kB of script on the first load; the budget is ${BUDGET} kB`);

const folder = join(ROOT, 'dist/app/assets');
const imports = new Map(
  readdirSync(folder)
    .filter((file) => file.endsWith('.js'))
    .map((file) => [
      file,
      [...readFileSync(join(folder, file), 'utf8').matchAll(/\b(?:from|import)\s*"\.\/([^"]+\.js)"/g)].map((m) => m[1]),
    ]),
);
const [done, way] = [new Set(), []];
/** The first circle that a file leads into, or null. */
function circle(file) {
  if (way.includes(file)) return [...way.slice(way.indexOf(file)), file];
  if (done.has(file)) return null;
  way.push(file);
  const found = (imports.get(file) ?? []).reduce((so, next) => so ?? circle(next), null);
  way.pop();
  done.add(file);
  return found;
}
const round = [...imports.keys()].reduce((found, file) => found ?? circle(file), null);
if (round) console.error(`A circle among the built files: ${round.join(' → ')}`);
process.exit(sizes.length && sum <= BUDGET && imports.size && !round ? 0 : 1);
