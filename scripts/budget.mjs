// What the first load of the Map weighs, gzipped: every script that the page names itself. Over the budget is a failure.
import { readFileSync } from 'node:fs';
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
process.exit(sizes.length && sum <= BUDGET ? 0 : 1);
