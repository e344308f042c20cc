// Prints the JSON Schemas of what Crow Ladder writes as JSON to docs/schema, from the schemas that saving goes by.
import { build } from 'esbuild';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './ensure.mjs';

const outfile = join(ROOT, '.cache', 'json-schema.mjs');
await build({ entryPoints: [join(ROOT, 'contract/json-schema.ts')], outfile, bundle: true, platform: 'node', format: 'esm', packages: 'external', logLevel: 'warning' }); // prettier-ignore
const { PUBLISHED, schemaText } = await import(pathToFileURL(outfile).href);
mkdirSync(join(ROOT, 'docs/schema'), { recursive: true });
for (const name of Object.keys(PUBLISHED)) writeFileSync(join(ROOT, 'docs/schema', `${name}.schema.json`), schemaText(name));
