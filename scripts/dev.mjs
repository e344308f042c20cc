// Development: the server restarts on change, the client reloads hot and passes /api on to it.
import { commandOf, ensureInstalled, run, runUntilStopped } from './ensure.mjs';

await ensureInstalled({ tests: true });
void run(process.execPath, [commandOf('tsx'), 'watch', 'server/main.ts', '--no-open'], {
  env: { ...process.env, CROW_LADDER_PORT: '4714' },
});
runUntilStopped(process.execPath, [commandOf('vite'), '--host', '127.0.0.1']);
