import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { faults } from './axe';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import type { HandoutPart } from '../../contract';
import { expect, saved, test, withFields } from './support';

const STUDY = '/study/demo-weathervane/handout';
/** A study without a handout. */
const NONE = '/study/demo-salt-ferry/handout';
const parts = (page: Page): Promise<string[]> => page.locator('ol > li p').allInnerTexts();
const names = async (page: Page): Promise<string[]> => (await parts(page)).map((t) => t.replace(/^\d+\. /, ''));
const add = async (page: Page, kind: string, from?: string): Promise<void> => {
  await page.getByLabel('What', { exact: true }).selectOption({ label: kind });
  if (from) await page.getByLabel('From').selectOption(from);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
};

test('a handout of two studies: put together, ordered by mouse, keys and arrows, kept, and made as PDF and files', async ({
  page,
  server,
}) => {
  test.slow();
  await page.goto(server.url + NONE);
  await page.getByRole('button', { name: 'Begin a handout' }).click();
  await page.getByLabel('Pupil').fill('Ines');
  await page.getByLabel('Teacher').fill('M. Ferrow');
  await page.getByLabel('Teacher').press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('for Ines');
  const title = page.getByLabel('Title');
  const before = await title.inputValue();
  await title.fill('  ');
  await title.press('Enter');
  await expect(title).toHaveValue(before);
  await add(page, 'Text of your own');
  await page.getByLabel('Your text').fill('Slowly, and say the degrees.');
  await add(page, 'All rungs', 'demo-cold-forge');
  const [rungs, lick, text, other] = await names(page);
  expect([rungs, lick, text]).toEqual(['All rungs', 'A lick: Mooring', 'Text of your own']);

  await page.getByRole('button', { name: `Up: ${text}` }).click();
  expect(await names(page)).toEqual([rungs, text, lick, other]);
  const handle = page.getByRole('button', { name: new RegExp(`^Move ${text}:`) });
  await handle.focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(200);
  await page.keyboard.press('ArrowUp');
  await page.waitForTimeout(200);
  await page.keyboard.press('Space');
  await expect.poll(() => names(page)).toEqual([text, rungs, lick, other]);
  const box = await page.getByRole('button', { name: new RegExp(`^Move ${other}:`) }).boundingBox();
  const top = await page.getByRole('button', { name: new RegExp(`^Move ${rungs}:`) }).boundingBox();
  if (!box || !top) throw new Error('no handle');
  await page.mouse.move(box.x + 8, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 8, box.y - 20, { steps: 5 });
  await page.mouse.move(top.x + 8, top.y + 4, { steps: 10 });
  await page.mouse.up();
  await expect.poll(() => names(page)).toEqual([text, other, rungs, lick]);
  await saved(page);
  await page.reload();
  await expect.poll(() => names(page)).toEqual([text, other, rungs, lick]);

  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PDF', exact: true }).click()]);
  const file = await pdf.path();
  const said = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  expect(said).toContain('For Ines, from M. Ferrow');
  expect(said).toContain('Slowly, and say the degrees.');
  expect(said.indexOf('Phrygian dominant')).toBeLessThan(said.indexOf('Mooring'));
  expect(execFileSync('pdffonts', [file], { encoding: 'utf8' })).not.toMatch(/ no +(yes|no) +\w+ +\d+ +0\s*$/m);
  const outline = execFileSync('pdftohtml', ['-xml', '-i', '-stdout', file], { encoding: 'utf8' });
  expect([...outline.matchAll(/<item page="\d+">([^<]*)</g)].map((m) => m[1])).toHaveLength(3);

  const [zip] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /^MusicXML and MIDI/ }).click()]);
  const files = unzipSync(new Uint8Array(readFileSync(await zip.path())));
  expect(Object.keys(files)).toEqual(['01-mooring.musicxml', '02-mooring.mid']);
  expect(execFileSync('midicsv', ['-'], { input: Buffer.from(files['02-mooring.mid']!), encoding: 'utf8' })).toContain('Note_on_c');
});

test('what is gone is named when it is made; undo brings a removed part back; a chord that cannot be read is said', async ({
  page,
  server,
}) => {
  await page.goto(server.url + STUDY);
  await page.getByRole('button', { name: 'New handout' }).click();
  await add(page, 'A lick', 'demo-slow-tram');
  await page.getByLabel('What', { exact: true }).selectOption({ label: 'An arpeggio' });
  await page.getByLabel('From').selectOption({ label: 'this study' });
  await page.getByLabel('Chord').fill('H7');
  await expect(page.getByText('That chord cannot be read.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add', exact: true })).toBeDisabled();
  await page.getByLabel('Chord').fill('F#m7');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const before = await names(page);
  await page.getByRole('button', { name: 'Remove All rungs' }).click();
  expect(await names(page)).toEqual(before.slice(1));
  await page.keyboard.press('Control+z');
  await expect.poll(() => names(page)).toEqual(before);
  await saved(page);

  // The lick goes; the handout says so when it is made, and makes the rest.
  await page.getByRole('link', { name: 'Licks' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('The lick');
  await page.getByRole('button', { name: 'Delete', exact: true }).first().click();
  await saved(page);
  await page.goto(server.url + STUDY);
  await expect(page.getByText('2. A lick: no longer there')).toBeVisible();
  await expect(page.getByText('3. A lick: Tilt')).toBeVisible();
  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PDF', exact: true }).click()]);
  expect(pdf.suggestedFilename()).toMatch(/\.pdf$/);
  await expect(page.getByText('the lick was deleted.')).toBeVisible();
});

test('by touch at 360 px, in both themes, with axe', async ({ browser, server }) => {
  for (const colorScheme of ['light', 'dark'] as const) {
    const context = await browser.newContext({ viewport: { width: 360, height: 740 }, hasTouch: true, colorScheme });
    const page = await context.newPage();
    await page.addInitScript(() => localStorage.setItem('crow-ladder:prefs', '{"asked":["demo-weathervane"]}'));
    await page.goto(server.url + STUDY);
    const begin = page.getByRole('button', { name: 'New handout' });
    await begin.tap();
    await expect(page.getByRole('button', { name: 'Down: All rungs' })).toBeVisible();
    await page.getByRole('button', { name: 'Down: All rungs' }).tap();
    await expect.poll(async () => (await names(page)).at(-1)).toBe('All rungs');
    expect(await faults(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
    await context.close();
  }
});

test('a long handout is made page after page in sight, can be called off, and is made whole afterwards', async ({ page, server }) => {
  test.slow();
  const parts: HandoutPart[] = Array.from({ length: 70 }, (_, k) => ({ id: `p${k}`, kind: 'rungs', study: null }));
  await withFields(page, server.url, 'demo-weathervane', ({ handouts }) => ({ handouts: handouts.map((h) => ({ ...h, parts })) }));
  await page.goto(server.url + STUDY);
  const make = page.getByRole('button', { name: 'PDF', exact: true });
  let came = 0;
  page.on('download', () => (came += 1));
  await make.click();
  await expect(page.getByRole('status').getByText(/\d+ pages/)).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(make).toBeEnabled();
  await page.waitForTimeout(1500);
  expect(came).toBe(0);
  const [pdf] = await Promise.all([page.waitForEvent('download', { timeout: 60_000 }), make.click()]);
  const about = execFileSync('pdfinfo', [await pdf.path()], { encoding: 'utf8' });
  expect(Number(/^Pages: +(\d+)/m.exec(about)?.[1])).toBeGreaterThanOrEqual(24);
});

test('without an answer of the server nothing is made, and nothing is called gone', async ({ page, server }) => {
  await page.goto(server.url + STUDY);
  await expect(page.getByText('A lick: Rails')).toBeVisible();
  await page.route(/\/api\/studies\/demo-cold-forge/, (r) => r.abort());
  await page.getByRole('button', { name: 'PDF', exact: true }).click();
  await expect(page.getByText(/^The server did not answer/)).toBeVisible();
  await expect(page.getByText('Left out: ')).toBeHidden();

  // Choosing from it: what is away is said, and asked for again.
  await page.getByLabel('What', { exact: true }).selectOption({ label: 'A lick' });
  await page.getByLabel('From').selectOption('demo-cold-forge');
  await expect(page.getByText(/^That study could not be read/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add', exact: true })).toBeDisabled();
  await page.unroute(/\/api\/studies\/demo-cold-forge/);
  await page.getByRole('button', { name: 'Try again' }).click();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect.poll(async () => (await names(page)).at(-1)).toContain('A lick: Rails');
});
