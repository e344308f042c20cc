// The built server: one file for it and one for its thread, with the libraries they use inside. Hundreds of small files
// would be looked for and read at every start, a third of its time.
import { build } from 'esbuild';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './ensure.mjs';
import { licencesOf } from './licences.mjs';

/** What stays outside: the database's driver, which brings a binary, and the opener of a browser, which brings a script. */
export const OUTSIDE = ['better-sqlite3', 'open'];
/** Drivers of other databases, which the query builder names and never asks for here. */
const NEVER = ['mariadb', 'mysql', 'mysql2', 'oracledb', 'pg', 'pg-native', 'pg-query-stream', 'sqlite3', 'tedious'];

/** Bundles the server into a folder, with the licences of what went in. */
export async function bundleServer(outdir, { sourcemap }) {
  const { metafile } = await build({
    entryPoints: ['server/main.ts', 'server/worker.ts'],
    absWorkingDir: ROOT,
    outdir,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    external: [...OUTSIDE, ...NEVER],
    // Libraries that are not modules ask for Node's own with `require`.
    banner: { js: "import { createRequire as requireOf } from 'node:module';\nconst require = requireOf(import.meta.url);" },
    sourcemap,
    metafile: true,
    logLevel: 'warning',
  });
  writeFileSync(join(ROOT, outdir, 'licences.txt'), licencesOf(Object.keys(metafile.inputs)));
}
