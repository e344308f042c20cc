import { cpSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { FRESH, kill, newDb, startServer } from './support';

/** Before all tests: one first start, whose notebook every test gets a copy of. */
export default async function fresh(): Promise<void> {
  const server = await startServer(newDb());
  await kill(server, 'SIGTERM'); // it writes what is still in the journal and closes the file
  rmSync(dirname(FRESH), { recursive: true, force: true });
  cpSync(dirname(server.db), dirname(FRESH), { recursive: true }); // with the copy of its first day, so that no test waits for its own
}
