// Figures for docs/performance.md. Not a test: nothing here passes or fails.
import { build } from 'esbuild';
import { ensureBuilt, ensureInstalled, run } from './ensure.mjs';

await ensureInstalled({ tests: true });
await ensureBuilt();
const only = process.argv[2];
for (const name of ['core', 'routes', 'licks', 'harmony', 'progression', 'listening', 'practise', 'booklet', 'server', 'browser'].filter(
  (n) => !only || n === only,
)) {
  await build({
    entryPoints: [`bench/${name}.ts`],
    outfile: `.cache/bench-${name}.mjs`,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'warning',
  });
  await run(process.execPath, [`.cache/bench-${name}.mjs`]);
}
