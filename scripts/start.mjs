import { ensureBuilt, ensureInstalled, runUntilStopped } from './ensure.mjs';

await ensureInstalled();
await ensureBuilt();
runUntilStopped(process.execPath, ['--enable-source-maps', 'dist/server/main.js', ...process.argv.slice(2)]);
