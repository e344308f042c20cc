import { existsSync } from 'node:fs';
import { homedir } from 'node:os';
import { posix, win32 } from 'node:path';

const FILE = 'notebook.sqlite';

type Env = Record<string, string | undefined>;

/** Where each system's programs keep a user's data: Windows, macOS, and the XDG folder elsewhere. */
function dataFolder(env: Env, platform: NodeJS.Platform, home: string): string {
  if (platform === 'win32') return win32.join(env.LOCALAPPDATA || win32.join(home, 'AppData', 'Local'), 'Crow Ladder');
  if (platform === 'darwin') return posix.join(home, 'Library', 'Application Support', 'Crow Ladder');
  return posix.join(env.XDG_DATA_HOME || posix.join(home, '.local', 'share'), 'crow-ladder');
}

/** The notebook's file: CROW_LADDER_DB, else in the user's data folder. One that an older version left elsewhere is used on. */
export function databaseFile(
  env: Env = process.env,
  platform: NodeJS.Platform = process.platform,
  home: string = env.HOME || homedir(),
  exists: (file: string) => boolean = existsSync,
): string {
  if (env.CROW_LADDER_DB) return env.CROW_LADDER_DB;
  const path = platform === 'win32' ? win32 : posix;
  const usual = path.join(dataFolder(env, platform, home), FILE);
  const older = path.join(home, '.local', 'share', 'crow-ladder', FILE);
  return !exists(usual) && exists(older) ? older : usual;
}

const USUAL_PORT = 4714;

/** The port asked for; a sentence where it is none. */
export function portOf(env: Env = process.env): number {
  const text = env.CROW_LADDER_PORT;
  if (text === undefined || text === '') return USUAL_PORT;
  const port = Number(text);
  if (/^\d{1,5}$/.test(text) && port >= 1 && port <= 65_535) return port;
  throw new Error(`CROW_LADDER_PORT is "${text.slice(0, 40)}": a port is a whole number from 1 to 65535, such as ${USUAL_PORT}.`);
}
