// Development: the server restarts on change, the client reloads hot and passes /api on to it.
import { ensureInstalled, run, runUntilStopped } from './ensure.mjs';

await ensureInstalled();
void run('node_modules/.bin/tsx', ['watch', 'server/main.ts'], { env: { ...process.env, CROW_LADDER_PORT: '4714' } });
runUntilStopped('node_modules/.bin/vite', ['--host', '127.0.0.1']);
