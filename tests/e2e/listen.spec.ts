import type { Page } from '@playwright/test';
import { PLAIN_DRILL, type DrillForm, type KeptPass, type PassPage } from '../../contract';
import type { Climb } from '../../core';
import type { ListenPrefs } from '../../app/sound/listen/listen-prefs';
import { expect, openMap, part, saved, test, withFields } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const heard = (page: Page) => page.locator('[data-heard]');
/** Eleven notes of the top two strings in eighths: a pass of some three seconds. */
const SHORT: Partial<DrillForm> = { order: 'up-down', strings: [1, 2], rhythm: 'eighths' };
const CLIMB: Climb = { start: 120, goal: 140, step: 10, clean: 1, misses: 2 };

const given = (page: Page, url: string, climb: Climb = CLIMB): Promise<void> =>
  withFields(page, url, 'demo-weathervane', () => ({ practice: { form: { ...PLAIN_DRILL, ...SHORT }, climb } }));
const withPrefs = (page: Page, prefs: Partial<ListenPrefs>): Promise<unknown> =>
  page.context().addInitScript((p) => {
    if (localStorage.getItem('crow-ladder:listening') === null) localStorage.setItem('crow-ladder:listening', JSON.stringify(p));
  }, prefs);
async function drill(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/study/demo-weathervane/practise`);
  await expect(heading(page)).toContainText('Play');
}
async function listen(page: Page): Promise<void> {
  await page.keyboard.press('e');
  await expect(heard(page)).toBeVisible({ timeout: 30_000 });
}
const passes = async (page: Page, url: string): Promise<KeptPass[]> =>
  ((await (await page.request.get(`${url}/api/passes?limit=200`)).json()) as PassPage).passes.filter(
    (p) => p.by === 'listening' && !p.id.startsWith('demo'),
  );

test('the simulated player climbs the ladder by itself, by keys alone; the log says who rated', async ({ page, server }) => {
  test.slow();
  await withPrefs(page, { source: 'simulated', manner: 'steady' });
  await given(page, server.url);
  await drill(page, server.url);
  await listen(page);
  await page.keyboard.press(' ');
  await expect(heard(page)).toContainText('right', { timeout: 60_000 });
  await expect(part(page, 'tempo')).toHaveText('140', { timeout: 60_000 });
  await page.keyboard.press('Escape');
  const kept = await passes(page, server.url);
  expect(kept.length).toBeGreaterThanOrEqual(2);
  expect(kept.at(-1)).toMatchObject({ tempo: 120, verdict: 'clean', by: 'listening' });
  await expect(page.locator('[data-verdict=clean]')).toContainText('all');
});

test('a learner: wrong and missed notes stand on the neck, and the weak spots are a drill in one press', async ({ page, server }) => {
  test.slow();
  await withPrefs(page, { source: 'simulated', manner: 'learner', rates: false });
  await given(page, server.url);
  await drill(page, server.url);
  await listen(page);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Drill the weak spots' })).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('Escape');
  const signs = page.locator('[data-trouble]');
  expect(await signs.count()).toBeGreaterThan(0);
  await expect(page.locator('[data-weak-string]')).toHaveCount(1);
  // It did not rate: that is off.
  await expect(part(page, 'tempo')).toHaveText('120');
  await page.getByRole('button', { name: 'Drill the weak spots' }).click();
  await expect(heading(page)).toContainText('Weak spots of box 1 of F♯ Dorian');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(heading(page)).not.toContainText('Weak spots');
});

test('as MIDI it is heard the same; what the player says goes before what is heard', async ({ page, server }) => {
  test.slow();
  await withPrefs(page, { source: 'simulated', manner: 'steady', asMidi: true });
  await given(page, server.url, { ...CLIMB, clean: 3 });
  await drill(page, server.url);
  await listen(page);
  await page.keyboard.press(' ');
  await expect(page.locator('[data-now]')).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('ArrowDown'); // of the pass that is played now
  await expect(heard(page)).toContainText('all 11 notes right', { timeout: 30_000 });
  await expect.poll(async () => (await passes(page, server.url)).length, { timeout: 30_000 }).toBeGreaterThan(0);
  await page.keyboard.press('Escape');
  const all = ((await (await page.request.get(`${server.url}/api/passes?limit=200`)).json()) as PassPage).passes.filter(
    (p) => !p.id.startsWith('demo'),
  );
  expect(all.some((p) => p.by === 'player' && p.verdict === 'miss')).toBe(true);
});

test('nothing heard is said and not rated', async ({ page, server }) => {
  test.slow();
  await withPrefs(page, { source: 'simulated', manner: 'silent' });
  await given(page, server.url);
  await drill(page, server.url);
  await listen(page);
  await page.keyboard.press(' ');
  await expect(heard(page)).toContainText('Nothing was heard in the last pass', { timeout: 60_000 });
  await page.keyboard.press('Escape');
  await expect(part(page, 'tempo')).toHaveText('120');
  expect(await passes(page, server.url)).toEqual([]);
});

/** The sound of the page comes back as its microphone, as where a microphone stands before the loudspeaker. */
const looped = (page: Page): Promise<unknown> =>
  page.addInitScript(() => {
    const { connect } = AudioNode.prototype as unknown as { connect: (this: AudioNode, to: AudioNode) => AudioNode };
    let loop: MediaStreamAudioDestinationNode | null = null;
    AudioNode.prototype.connect = function (this: AudioNode, to: AudioNode) {
      if (to === this.context.destination && !loop) {
        loop = (this.context as AudioContext).createMediaStreamDestination();
        connect.call(this, loop);
      }
      return connect.call(this, to);
    } as typeof AudioNode.prototype.connect;
    navigator.mediaDevices.getUserMedia = () =>
      loop ? Promise.resolve(loop.stream) : Promise.reject(new DOMException('no loop', 'NotFoundError'));
  });

test('looped back: the delay is measured once, and the rendered strings of a drill are judged clean through the microphone', async ({
  page,
  server,
}) => {
  test.slow();
  await looped(page);
  await withPrefs(page, { source: 'microphone', headphones: true, rates: false });
  await given(page, server.url);
  await page.goto(`${server.url}/study/demo-weathervane/listen`);
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  await expect(page.locator('[data-ear=on]')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/a guess from what the browser says/)).toBeVisible();
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(page.getByText(/from \d of 8 clicks/)).toBeVisible({ timeout: 60_000 });
  const ms = Number(await page.locator('[data-latency]').getAttribute('data-latency'));
  expect(Math.abs(ms)).toBeLessThan(200);
  await expect(page.getByText(`${ms} ms are set off, as measured or set.`)).toBeVisible();
  await page
    .getByRole('radio', { name: 'Drill', exact: true })
    .or(page.getByRole('button', { name: 'Drill', exact: true }))
    .first()
    .click();
  await expect(heading(page)).toContainText('Play');
  await page.keyboard.press('s'); // the click alone
  await page.keyboard.press('s'); // the notes alone
  await expect(part(page, 'sounds')).toContainText('notes only');
  await page.keyboard.press(' ');
  await expect(heard(page)).toContainText('all 11 notes right', { timeout: 60_000 });
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-verdict=clean]')).toBeVisible();
});

test('without headphones the microphone is given the click alone', async ({ page, server }) => {
  await looped(page);
  await withPrefs(page, { source: 'microphone' });
  await given(page, server.url);
  await drill(page, server.url);
  await listen(page);
  await expect(page.getByText(/Only the click sounds/)).toBeVisible();
  await part(page, 'listening').click();
  await page.getByRole('checkbox', { name: 'I wear headphones' }).check();
  await expect(page.getByText(/Only the click sounds/)).toBeHidden();
});

test('the tuner goes through the strings with the simulated player turning the pegs; limits are kept', async ({ page, server }) => {
  test.slow();
  await withPrefs(page, { source: 'simulated' });
  await page.goto(`${server.url}/study/demo-weathervane/listen`);
  await expect(heading(page)).toContainText('the simulated player');
  await page.getByRole('button', { name: 'Tune', exact: true }).click();
  await expect(page.getByText('Pick string 6: E2.')).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('[data-cents]').first()).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('Pick string 5: A2.')).toBeVisible({ timeout: 30_000 });
  // A player may go on to another string.
  await page.getByRole('button', { name: 'string 1, E4' }).click();
  await expect(page.getByText('Pick string 1: E4.')).toBeVisible();
  await expect(page.locator('[data-tuner]')).toHaveAttribute('data-tuner', '', { timeout: 40_000 });
  await page.getByLabel('In time means within').fill('500');
  await expect(page.getByText(/from 15 to 200/)).toBeVisible();
  await page.getByLabel('In time means within').fill('40');
  await page.reload();
  await expect(page.getByLabel('In time means within')).toHaveValue('40');
});

test('on the Map it plays the shape, and what was played is kept as a lick', async ({ page, server }) => {
  test.slow();
  await withPrefs(page, { source: 'simulated', manner: 'steady' });
  await openMap(page, server.url);
  await page.keyboard.press('e');
  await page.getByRole('button', { name: 'Let the simulated player play the shape' }).click({ timeout: 30_000 });
  await expect(page.locator('[data-sounding]').first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Keep the last eight bars' }).click();
  await expect(page.getByText(/Kept as “Played 1” in Licks/)).toBeVisible();
});

test('over a backing it says how often beats met the chord', async ({ page, server }) => {
  test.slow();
  await withPrefs(page, { source: 'simulated', manner: 'steady', asMidi: true });
  await page.goto(`${server.url}/study/demo-weathervane/progression`);
  await expect(heading(page)).toBeVisible();
  await page.keyboard.press('e');
  await expect(page.locator('[data-met]')).toContainText('held against its chord', { timeout: 30_000 });
  await page.keyboard.press('b');
  await expect(page.locator('[data-met]')).toContainText(/[1-9]\d* of \d+ beats? you played on met a tone/, { timeout: 60_000 });
  await page.keyboard.press('b');
});
