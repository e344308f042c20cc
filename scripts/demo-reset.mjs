import { ensureBuilt, ensureInstalled, runUntilStopped } from './ensure.mjs';

await ensureInstalled();
await ensureBuilt();
runUntilStopped(process.execPath, ['dist/server/main.js', '--demo-reset']);
