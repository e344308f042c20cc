// Figures for docs/performance.md: npm run bench [-- name]. With --check only ratios are measured, against those of
// bench/ratios.json, and a loss of more than a quarter fails; --keep writes them.
import { build } from 'esbuild';
import { ensureBuilt, ensureInstalled, run } from './ensure.mjs';

await ensureInstalled({ tests: true });
await ensureBuilt();
const asked = process.argv.slice(2);
const flags = asked.filter((a) => a.startsWith('--'));
const only = flags.length ? 'check' : asked[0];
let failed = false;
for (const name of [
  'check',
  'core',
  'routes',
  'licks',
  'harmony',
  'progression',
  'listening',
  'practise',
  'booklet',
  'server',
  'browser',
].filter((n) => !only || n === only)) {
  await build({
    entryPoints: [`bench/${name}.ts`],
    outfile: `.cache/bench-${name}.mjs`,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'warning',
  });
  if ((await run(process.execPath, [`.cache/bench-${name}.mjs`, ...flags])) !== 0) failed = true;
}
process.exit(failed ? 1 : 0);
