// Prints the fingerings of a hundred lines to docs/fingerings.md and the costs into docs/hand.md.
import { build } from 'esbuild';
import { readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { ROOT } from './ensure.mjs';

const outfile = join(ROOT, '.cache', 'hand-print.mjs');
await build({
  entryPoints: [join(ROOT, 'scripts/hand/print.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  logLevel: 'warning',
});
const { costTables, fingeringsPage } = await import(pathToFileURL(outfile).href);
writeFileSync(join(ROOT, 'docs/fingerings.md'), fingeringsPage());
const page = join(ROOT, 'docs/hand.md');
const [before, , after] = readFileSync(page, 'utf8').split(/<!-- costs -->\n|<!-- end of costs -->\n/);
writeFileSync(page, `${before}<!-- costs -->\n\n${costTables()}\n\n<!-- end of costs -->\n${after}`);
