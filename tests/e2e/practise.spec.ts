import type { Page } from '@playwright/test';
import type { KeptPass, PassPage, StudyBody } from '../../contract';
import { PLAIN_DRILL, type DrillForm } from '../../contract';
import type { Climb } from '../../core';
import { expect, kill, openMap, part, saved, startServer, test, typeInto, type Running, withFields } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const asked = (page: Page) => page.locator('[data-asked]');
const PRACTISE = '/study/demo-weathervane/practise';

/** A pass of a second or so: five notes of the top two strings. */
const QUICK: Partial<DrillForm> = { order: 'up', strings: [1, 2], rhythm: 'sixteenths' };
const CLIMB: Climb = { start: 200, goal: 212, step: 6, clean: 2, misses: 2 };

const quick =
  (climb: Climb = CLIMB) =>
  (): Partial<StudyBody> => ({ practice: { form: { ...PLAIN_DRILL, ...QUICK }, climb } });
const forget = async (page: Page, url: string): Promise<void> => {
  for (;;) {
    const { passes } = (await (await page.request.get(`${url}/api/passes?limit=200`)).json()) as PassPage;
    if (!passes.length) return;
    for (const p of passes) await page.request.delete(`${url}/api/passes/${p.id}`);
  }
};
const logged = async (page: Page, url: string): Promise<KeptPass[]> =>
  ((await (await page.request.get(`${url}/api/passes?limit=200`)).json()) as PassPage).passes.reverse();

/** Waits until a pass has ended and is asked about, and says how it was. */
async function rate(page: Page, key: ' ' | 'ArrowDown'): Promise<void> {
  await expect(asked(page)).toContainText('Was pass', { timeout: 20_000 });
  await page.keyboard.press(key);
}
async function open(page: Page, url: string, path = PRACTISE): Promise<void> {
  await page.goto(url + path);
  await expect(heading(page)).toContainText('Play');
}

test('from the Map to a running drill in two presses; it shows, says and stops', async ({ page, server }) => {
  test.slow(); // the first sound of the run: its notes are rendered while the machine is busy with everything else
  await openMap(page, server.url);
  await page.keyboard.press('x');
  await expect(heading(page)).toContainText('Play box 1 of F♯ Dorian from the root, up, down and home in triplets');
  await page.keyboard.press(' ');
  await expect(page.locator('[data-say="1"]')).toBeVisible(); // the count-in, or the first note
  await expect(page.locator('[data-ring]')).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('[data-now]')).toBeVisible();
  const first = Number(await page.locator('[data-running]').getAttribute('data-running'));
  await expect.poll(async () => Number(await page.locator('[data-running]').getAttribute('data-running'))).toBeGreaterThan(first);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Start' })).toBeVisible();
  await expect(page.locator('[data-ring]')).toBeHidden();
  expect((await logged(page, server.url)).filter((p) => !p.id.startsWith('demo'))).toEqual([]); // broken off: no pass
});

test('the ladder, by keys alone: clean ones climb, misses step down, the tempo changes without a stop, every pass is on record', async ({
  page,
  server,
}) => {
  await withFields(page, server.url, 'demo-weathervane', quick());
  await forget(page, server.url);
  await open(page, server.url);
  await expect(part(page, 'tempo')).toHaveText('200');
  await page.keyboard.press(' ');
  await rate(page, ' ');
  await rate(page, ' ');
  await expect(part(page, 'tempo')).toHaveText('206');
  await expect(page.getByRole('button', { name: 'Stop', exact: true }).first()).toBeVisible();
  // Passes that ended before the new tempo came do not count for it.
  await expect.poll(async () => (await logged(page, server.url)).length).toBeGreaterThanOrEqual(2);
  for (let k = 0; k < 6 && (await part(page, 'tempo').textContent()) === '206'; k++) await rate(page, 'ArrowDown');
  await expect(part(page, 'tempo')).toHaveText('200');
  await page.keyboard.press('Escape');
  const passes = await logged(page, server.url);
  expect(passes.slice(0, 2).map((p) => [p.tempo, p.verdict])).toEqual([[200, 'clean'], [200, 'clean']]); // prettier-ignore
  expect(passes.filter((p) => p.verdict === 'miss').length).toBeGreaterThanOrEqual(2);
  expect(new Set(passes.map((p) => p.id)).size).toBe(passes.length);
  // The next day goes on where this one ended.
  await page.reload();
  await expect(part(page, 'tempo')).toHaveText('200');
});

test('the server killed in the middle of a pass: the pass waits in the browser and is logged once', async ({ page, server }) => {
  await withFields(page, server.url, 'demo-weathervane', quick());
  await forget(page, server.url);
  await open(page, server.url);
  await page.keyboard.press(' ');
  await rate(page, ' ');
  await expect.poll(async () => (await logged(page, server.url)).length).toBe(1);
  await kill(server, 'SIGKILL');
  await rate(page, ' ');
  await expect(page.getByText(/in this browser for the server/)).toBeVisible();
  await page.keyboard.press('Escape');
  const again: Running = await startServer(server.db, Number(new URL(server.url).port));
  await page.reload();
  await expect.poll(async () => (await logged(page, again.url)).filter((p) => p.verdict === 'clean').length).toBe(2);
  await expect(page.getByText(/in this browser for the server/)).toBeHidden();
  const now = await logged(page, again.url);
  await page.reload();
  await expect(heading(page)).toContainText('Play');
  expect(await logged(page, again.url)).toHaveLength(now.length);
  await kill(again, 'SIGTERM');
});

/** The player's clock so many days on. */
const onDay = (page: Page, day: number): Promise<void> =>
  page.evaluate((ms) => localStorage.setItem('crow-ladder:clock-shift', String(ms)), day * 86_400_000);

test('a week of a plan: made in two presses, one position at a time, and what holds comes back', async ({ page, server }) => {
  await withFields(page, server.url, 'demo-weathervane', () => ({ ...quick({ ...CLIMB, goal: 200, clean: 1 })(), plan: null }));
  await forget(page, server.url);
  await open(page, server.url);
  await page
    .getByRole('radio', { name: 'Plan' })
    .or(page.getByRole('button', { name: 'Plan', exact: true }))
    .first()
    .click();
  await page.getByRole('button', { name: 'Plan this study' }).click();
  const items = page.locator('[data-plan-state]');
  await expect(items.nth(0)).toContainText('being learnt');
  await expect(items.nth(1)).toContainText('opens when box 1 holds its goal');
  await expect(page.getByText('Today, 12 minutes')).toBeVisible();
  await saved(page);

  // Day 0: box 1 holds its goal with the first clean pass.
  await items.nth(0).getByRole('button', { name: 'Practise it' }).click();
  await expect(heading(page)).toContainText('box 1');
  await page.keyboard.press(' ');
  await rate(page, ' ');
  await expect(asked(page)).toContainText('The goal is held');
  await page.keyboard.press('Escape');
  await page.goto(`${server.url}/study/demo-weathervane/plan`);
  await expect(items.nth(0)).toContainText('holds its goal, back in 8 days');
  await expect(items.nth(1)).toContainText('being learnt');

  // Day 1: box 2, missed once first.
  await onDay(page, 1);
  await page.reload();
  await expect(items.nth(0)).toContainText('back in 7 days');
  await items.nth(1).getByRole('button', { name: 'Practise it' }).click();
  await expect(heading(page)).toContainText('box 2');
  await page.keyboard.press(' ');
  await rate(page, 'ArrowDown');
  await rate(page, ' ');
  await expect(asked(page)).toContainText('The goal is held');
  await page.keyboard.press('Escape');

  // Day 4: box 2 is due after three days; days off piled nothing up.
  await onDay(page, 4);
  await page.goto(`${server.url}/study/demo-weathervane/plan`);
  await expect(page.getByRole('button', { name: 'Box 2, due again after 3 days' })).toBeVisible();
  await expect(items.nth(2)).toContainText('being learnt');
  await page.getByRole('button', { name: 'Box 2, due again after 3 days' }).click();
  await expect(heading(page)).toContainText('box 2');

  // Day 8: box 1 comes back; box 3 can be skipped, and known.
  await onDay(page, 8);
  await page.goto(`${server.url}/study/demo-weathervane/plan`);
  await expect(page.getByRole('button', { name: 'Box 1, due again after 8 days' })).toBeVisible();
  await items.nth(2).getByRole('button', { name: 'Skip' }).click();
  await expect(items.nth(2)).toContainText('skipped');
  await expect(items.nth(3)).toContainText('being learnt');
  await items.nth(3).getByRole('button', { name: 'I know it' }).click();
  await expect(items.nth(4)).toContainText('being learnt');

  // Another key: the same shapes; the plan asks, and what was learnt counts.
  await saved(page);
  await page.goto(`${server.url}/study/demo-weathervane/map`);
  await expect(heading(page)).toContainText('Dorian');
  await typeInto(page, 'tonic and scale', 'G dorian');
  await saved(page);
  await page.goto(`${server.url}/study/demo-weathervane/plan`);
  await expect(page.getByText(/This plan was made in F♯ Dorian; the study is in G Dorian now/)).toBeVisible();
  await page.getByRole('button', { name: 'It counts' }).click();
  await expect(page.getByText(/This plan was made in/)).toBeHidden();
  await expect(items.nth(0)).toContainText('holds its goal');
});

test('two windows: the second one asks, and takes over at a press', async ({ page, server, context }) => {
  await open(page, server.url);
  await page.keyboard.press(' ');
  await expect(page.locator('[data-ring]')).toBeVisible({ timeout: 60_000 });
  const other = await context.newPage();
  await open(other, server.url, '/study/demo-cold-forge/practise');
  await other.keyboard.press(' ');
  await expect(other.getByRole('alert')).toContainText('Another window of Crow Ladder is playing');
  await other.getByRole('button', { name: 'Stop it there and play here' }).click();
  await expect(other.locator('[data-ring]')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Start' })).toBeVisible();
  await other.keyboard.press('Escape');
});

test('sound held back is said as that, and can be tried again', async ({ page, server }) => {
  await page.addInitScript(() => {
    const never = (): Promise<void> => new Promise(() => undefined);
    Object.defineProperty(AudioContext.prototype, 'state', { get: () => 'suspended', configurable: true });
    AudioContext.prototype.resume = never;
  });
  await open(page, server.url);
  await page.keyboard.press(' ');
  await expect(page.getByRole('alert')).toContainText('No sound came on');
  await expect(page.getByRole('button', { name: 'Start' })).toBeEnabled();
});

test('without an audio worklet the drill runs all the same', async ({ page, server }) => {
  await page.addInitScript(() => {
    Reflect.deleteProperty(BaseAudioContext.prototype, 'audioWorklet');
  });
  await withFields(page, server.url, 'demo-weathervane', quick());
  await open(page, server.url);
  await page.keyboard.press(' ');
  await rate(page, ' ');
  await page.keyboard.press('Escape');
});

test('every order of the list plays or says why not; a drill is named, kept, taken and dropped, and becomes a lick', async ({
  page,
  server,
}) => {
  await open(page, server.url);
  await page.keyboard.press('o');
  const order = page.getByLabel('order', { exact: true }).last();
  for (const value of await order.locator('option').evaluateAll((all) => all.map((o) => (o as HTMLOptionElement).value))) {
    await order.selectOption(value);
    await expect(page.locator('[data-running]')).toBeVisible();
  }
  await order.selectOption('groups');
  await page.keyboard.press('Escape');
  await expect(heading(page)).toContainText('in groups of four');
  await page.keyboard.press('g');
  await page.getByLabel('Name of the drill').fill('Four by four');
  await page.getByRole('button', { name: 'Keep for all studies' }).click();
  await page.getByRole('button', { name: 'Keep in this study' }).click();
  await expect(page.getByRole('button', { name: 'Drop Four by four' })).toHaveCount(2);
  await page.keyboard.press('Escape');
  await open(page, server.url, '/study/demo-cold-forge/practise');
  await page.keyboard.press('g');
  await page.getByRole('button', { name: 'Four by four', exact: true }).click();
  await expect(heading(page)).toContainText('in groups of four');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('l');
  await expect(page).toHaveURL(/licks/);
  await expect(page.getByText(/in groups of four/).first()).toBeVisible();
});

test('a drill longer than an hour, a shape without what an order needs: each in words, and Start is off', async ({ page, server }) => {
  await withFields(page, server.url, 'demo-weathervane', () => ({
    practice: { form: { ...PLAIN_DRILL, order: 'random', count: 10_000, rhythm: 'quarters' }, climb: { ...CLIMB, start: 60, goal: 60 } },
  }));
  await forget(page, server.url);
  await open(page, server.url);
  await expect(page.getByRole('alert')).toContainText('more than an hour');
  await expect(page.getByRole('button', { name: 'Start' })).toBeDisabled();
  await page.keyboard.press('f');
  await page.getByRole('radio', { name: 'A kept route' }).click();
  await expect(page.getByRole('alert').first()).toContainText('no kept route');
});

test('a page that stalls again and again loses no pass: the clock is the sound’s own', async ({ page, server }) => {
  await page.addInitScript(() => {
    localStorage.setItem('crow-ladder:practise', JSON.stringify({ dry: true, countIn: false }));
    const Real = AudioContext;
    globalThis.AudioContext = class extends Real {
      constructor(o?: AudioContextOptions) {
        super(o);
        Object.assign(globalThis, { soundOfTest: this });
      }
    };
  });
  await withFields(page, server.url, 'demo-weathervane', quick());
  await forget(page, server.url);
  await open(page, server.url);
  const time = (): Promise<number> => page.evaluate(() => (globalThis as unknown as { soundOfTest: AudioContext }).soundOfTest.currentTime);
  await page.keyboard.press(' ');
  await expect(page.locator('[data-ring]')).toBeVisible({ timeout: 60_000 });
  const from = await time();
  for (let k = 0; k < 8; k++) {
    await page.evaluate(() => {
      const until = performance.now() + 500;
      while (performance.now() < until);
    });
    await page.waitForTimeout(100);
  }
  const played = (await time()) - from;
  await page.keyboard.press('Escape');
  await expect.poll(async () => (await logged(page, server.url)).length).toBeGreaterThan(0);
  const length = (await logged(page, server.url))[0]!.seconds;
  // The first one had begun, the last one was broken off; the log hears of them one by one.
  await expect.poll(async () => Math.abs((await logged(page, server.url)).length - played / length)).toBeLessThan(2);
  expect((await logged(page, server.url)).every((p) => p.verdict === 'dry' && p.seconds === length)).toBe(true);
});
