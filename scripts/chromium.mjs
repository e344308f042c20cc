// Where Debian's Chromium is, for tests, pictures and measurements. Node's own modules only: it is asked before anything is installed.
import { existsSync } from 'node:fs';

/** The whole browser; the variable CHROMIUM names another one. */
export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** The same engine, of the same build, without windows and microphones: pages cost a quarter less there. */
export const BARE = '/usr/bin/chromium-headless-shell';

/** What tests open pages in: the bare one where it is installed and no other one is named. */
export const CHROMIUM_BARE = !process.env.CHROMIUM && existsSync(BARE) ? BARE : CHROMIUM;
