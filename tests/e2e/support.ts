import type { StudyBody } from '../../contract';
import { test as base, expect, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

export interface Running {
  url: string;
  db: string;
  child: ChildProcess;
  output: () => string;
}

export const newDb = (): string => join(mkdtempSync(join(tmpdir(), 'crow-e2e-')), 'notebook.sqlite');

/** The demo notebook as a first start leaves it, made once a run (`fresh.ts`). */
export const FRESH = join(import.meta.dirname, '../../.cache/fresh/notebook.sqlite');

/** A notebook of a test's own, as after a first start, without waiting for one. */
function freshDb(): string {
  const db = newDb();
  cpSync(dirname(FRESH), dirname(db), { recursive: true });
  return db;
}

/** Ports of this worker's own: two workers run beside each other. None that a browser refuses, as it does 5060 and 5061. */
export const FIRST_PORT = 4300 + 100 * Number(process.env.TEST_PARALLEL_INDEX ?? 0);

/** Starts the built server on a notebook; resolves when it says that it is ready, rejects if it ends first. */
export function startServer(db: string, port = FIRST_PORT, flags: string[] = []): Promise<Running> {
  const child = spawn(process.execPath, ['dist/server/main.js', ...flags], {
    env: { ...process.env, CROW_LADDER_DB: db, CROW_LADDER_PORT: String(port) },
  });
  let said = '';
  return new Promise((resolve, reject) => {
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      const url = /ready at (\S+)/.exec(said)?.[1];
      if (url) resolve({ url, db, child, output: () => said });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
}

export const kill = (r: Running, signal: NodeJS.Signals): Promise<void> =>
  new Promise((done) => {
    r.child.once('exit', () => done());
    r.child.kill(signal);
  });

/** A player who was asked about the demo studies before; what a newcomer meets has tests of its own. */
function asKnown(): void {
  const key = 'crow-ladder:prefs';
  if (localStorage.getItem(key) !== null) return;
  const asked = ['weathervane', 'cold-forge', 'slow-tram', 'salt-ferry'].map((name) => `demo-${name}`);
  localStorage.setItem(key, JSON.stringify({ asked }));
}

/** A page on a fresh notebook. Anything the browser complains of fails the test. */
export const test = base.extend<{ server: Running; complaints: string[] }>({
  server: async ({}, use) => {
    const server = await startServer(freshDb());
    await use(server);
    if (server.child.exitCode === null && server.child.signalCode === null) await kill(server, 'SIGTERM');
  },
  complaints: [
    async ({ page }, use, info) => {
      const complaints: string[] = [];
      await page.context().addInitScript(asKnown);
      page.on('pageerror', (e) => complaints.push(e.message));
      page.on('console', (m) => m.type() === 'error' && !/Failed to load resource/.test(m.text()) && complaints.push(m.text()));
      await use(complaints);
      // What was on the screen goes into the log: the machine that failed may not be at hand.
      if (info.status !== info.expectedStatus && !page.isClosed())
        console.log(`On the screen at ${page.url()}:\n${(await page.locator('body').innerText()).slice(0, 2000)}`);
      expect(complaints).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

export async function openMap(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/study/demo-weathervane/map`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Dorian');
}

/** Windows opened from now on do not follow each other: what each has is its own until it saves. */
export const notFollowing = (page: Page): Promise<unknown> =>
  page.context().addInitScript(() => {
    const key = 'crow-ladder:prefs';
    const prefs = JSON.parse(localStorage.getItem(key) ?? '{}') as object;
    localStorage.setItem(key, JSON.stringify({ ...prefs, follow: 'off' }));
  });

/** What loads once the first view stands is there: from now on the server may go. */
export const whollyLoaded = (page: Page): Promise<void> =>
  expect.poll(() => page.evaluate(() => performance.getEntriesByType('resource').some((r) => r.name.includes('/ChooserBox-')))).toBe(true);

/** What the page writes from now on, also where it stands for a beat only: asking again and again may miss that on a busy machine. */
export async function writes(page: Page, what: RegExp): Promise<() => Promise<string[]>> {
  const seen = await page.evaluateHandle((source) => {
    const [found, wanted] = [new Set<string>(), new RegExp(source, 'g')];
    const look = (changes: MutationRecord[]): void => {
      for (const { target } of changes) for (const [text] of (target.textContent ?? '').matchAll(wanted)) found.add(text);
    };
    new MutationObserver(look).observe(document.body, { subtree: true, childList: true, characterData: true });
    return found;
  }, what.source);
  return () => seen.evaluate((found) => [...found]);
}

export const saved = (page: Page): Promise<void> => expect(page.locator('[data-save=saved]')).toBeVisible();
export const part = (page: Page, name: string) => page.locator(`[data-part="${name}"]`);

/** Types into an open part of the sentence and takes the first match. */
export async function typeInto(page: Page, name: string, text: string): Promise<void> {
  await part(page, name).click();
  await page.locator('input[role=combobox]').fill(text);
  await page.keyboard.press('Enter');
  await expect(page.locator('input[role=combobox]')).toBeHidden();
}

/** Two windows changed one study: the first one's B♭ Mixolydian is saved, the second, handed back, is told of it with E♭ Lydian. */
export async function inConflict(page: Page, url: string): Promise<Page> {
  await notFollowing(page);
  await openMap(page, url);
  const other = await page.context().newPage();
  await openMap(other, url);
  await typeInto(page, 'tonic and scale', 'Bb mixo');
  await saved(page);
  await typeInto(other, 'tonic and scale', 'Eb lydian');
  await expect(other.getByRole('alert')).toContainText('changed in another window');
  return other;
}

/** A file dropped on the window, as from a folder. */
export const drop = (page: Page, name: string, text: string): Promise<void> =>
  page.evaluate(
    ({ n, t }) => {
      const data = new DataTransfer();
      data.items.add(new File([t], n));
      document.body.dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: data }));
    },
    { n: name, t: text },
  );

/** A study with other fields, through the API, before it is opened. */
export async function withFields(page: Page, url: string, id: string, fields: (b: StudyBody) => Partial<StudyBody>): Promise<void> {
  const kept = (await (await page.request.get(`${url}/api/studies/${id}`)).json()) as { revision: number; body: StudyBody };
  const body = { ...kept.body, ...fields(kept.body) };
  expect((await page.request.put(`${url}/api/studies/${id}`, { data: { revision: kept.revision, body } })).status()).toBe(200);
}
