import type { Page } from '@playwright/test';
import { expect, part, saved, test, typeInto } from './support';

const STUDY = '/study/demo-weathervane/harmony';
const LEAF = '/harmony?scale=D+dorian&layout=box+numbering:minor-root&rung=1.10';
const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const page1 = (page: Page, name: string) => page.getByRole('radio', { name, exact: true });
const held = (page: Page): Promise<(string | null)[]> =>
  page.locator('[data-held]').evaluateAll((all) => all.map((e) => e.getAttribute('data-held')));
const tile = (page: Page, name: string | RegExp) => page.getByRole('button', { name });

async function open(page: Page, url: string): Promise<void> {
  await page.goto(url);
  await expect(heading(page)).toContainText('The chord');
}

test('D minor at fret 5, by keys: box 4 lies under it; heard, taken apart, moved to the upper region', async ({ page, server }) => {
  await open(page, server.url + LEAF);
  await page.keyboard.press('g');
  await page.keyboard.type('x57765');
  await expect(page.getByRole('listbox').getByRole('option')).toContainText('Dm');
  await page.keyboard.press('Enter');
  await expect.poll(() => held(page)).toEqual(['5/5', '4/7', '3/7', '2/6', '1/5']);
  await expect(page).toHaveURL(/grip=x57765/);
  const box = page.getByRole('button', { name: 'box 4 of D minor pentatonic' });
  await expect(box).toBeVisible();
  await box.click();
  await expect(heading(page)).toContainText('of D minor pentatonic in box 4, frets 5 to 8');
  await expect.poll(() => held(page)).toHaveLength(5);

  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'Hear it' })).toBeVisible();

  await page.keyboard.press('p');
  await expect(page.getByRole('heading', { name: 'Where x57765, Dm, can go' })).toBeVisible();
  await expect(tile(page, 'Hold x-8-12-10-10-10, Dm')).toBeVisible(); // an inversion along the neck
  await tile(page, 'Hold x-17-19-19-18-17, Dm').first().click();
  await expect.poll(() => held(page)).toEqual(['5/17', '4/19', '3/19', '2/18', '1/17']);

  await page.keyboard.press('p');
  await page.keyboard.press('a');
  await expect(page.getByText('The tones of Dm7 alone')).toBeVisible();
  await page.getByRole('button', { name: 'Make it the study’s shape' }).click();
  await expect(heading(page)).toContainText('kept places');
  await page.keyboard.press('Control+z');
  await expect(heading(page)).toContainText('D minor pentatonic');
});

test('chords of the mode: degrees by number, triads to ninths, numerals from mode and parent, what shows it and betrays it', async ({
  page,
  server,
}) => {
  await open(page, server.url + STUDY);
  const row = page.getByRole('group', { name: 'Chords of F♯ Dorian' });
  await expect(row.getByRole('button')).toHaveText([
    /F♯m7 i7/,
    /G♯m7 ii7/,
    /Amaj7 ♭IIImaj7/,
    /B7 IV7/,
    /C♯m7 v7/,
    /D♯m7♭5 viø7/,
    /Emaj7 ♭VIImaj7/,
  ]);
  await page.keyboard.press('4');
  await expect(heading(page)).toContainText('The chord B7');
  await saved(page);
  await page.keyboard.press('f');
  await expect(row.getByRole('button').nth(3)).toHaveText(/B7 V7/);
  await page.keyboard.press('n');
  await expect(row.getByRole('button').nth(1)).toHaveText(/G♯m7♭9/);
  await row.getByRole('button').nth(1).click();
  await expect(page.getByRole('row', { name: 'Of the chord' })).toContainText('♭9');
  await expect(page.getByText('F♯m6 shows it')).toBeVisible();
  await page.getByRole('button', { name: 'D♯m7♭5', exact: true }).last().click();
  await expect(heading(page)).toContainText('D♯m7♭5');
  await page.getByRole('link', { name: 'Map' }).click();
  await expect(part(page, 'chord')).toContainText('D♯m7♭5');
});

test('a chord that cannot be read is pointed at, with what may have been meant; a grip that no hand holds says why', async ({
  page,
  server,
}) => {
  await open(page, server.url + STUDY);
  await part(page, 'chord').click();
  await page.locator('input[role=combobox]').fill('Cmaj7foo');
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('Cmaj7');
  await expect(page.getByRole('status').filter({ hasText: 'Cmaj7⟨foo⟩: “foo” says nothing of a chord' })).toBeVisible();
  await page.locator('input[role=combobox]').fill('?');
  await expect(page.getByRole('status').filter({ hasText: 'is no note' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page1(page, 'Grips').click();
  await page.keyboard.press('g');
  await page.keyboard.type('012345');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'it needs 5 fingers' })).toBeVisible();
  await page.goto(`${server.url}${STUDY}?grip=x57&page=grips`);
  await expect(page.getByRole('alert').filter({ hasText: 'one sign for each of the 6 strings' })).toBeVisible();
});

test('grips: found, chosen, narrowed, kept under a name, printed, and there again after a reload', async ({ page, server }) => {
  await open(page, server.url + STUDY);
  await page1(page, 'Grips').click();
  await expect(tile(page, 'Hold 242222, F♯m7')).toBeVisible();
  const board = page.locator('[data-board]');
  const box = await board.boundingBox();
  if (!box) throw new Error('no board');
  await board.click({ position: { x: box.width * 0.1, y: box.height * 0.92 } });
  await expect.poll(async () => (await held(page)).map((p) => p?.split('/')[0])).toEqual(['6']); // pressed on the thickest string
  await page.keyboard.press('Escape');
  await expect.poll(() => held(page)).toEqual([]);
  await page1(page, 'fret 8 and up').click();
  await expect(tile(page, 'Hold 242222, F♯m7')).toBeHidden();
  const upper = page.getByRole('button', { name: /^Hold [x0-9-]+, F♯m7$/ }).first();
  await upper.click();
  await expect.poll(async () => (await held(page)).length).toBeGreaterThan(2);
  await page.keyboard.press('k');
  await page.getByLabel('Name of the grip').press('Control+a');
  await page.keyboard.type('Lantern'); // letters and Enter belong to the field at once
  await page.keyboard.press('Enter');
  await saved(page);
  await page.reload();
  await expect(tile(page, /^Hold .*Lantern/)).toBeVisible();
  await expect(tile(page, /^Hold .*Mast/)).toBeVisible();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PDF' }).click()]);
  expect(file.suggestedFilename()).toMatch(/pdf$/);
  await page.getByRole('button', { name: 'Drop Lantern' }).click();
  await expect(tile(page, /^Hold .*Lantern/)).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(tile(page, /^Hold .*Lantern/)).toBeVisible();
});

test('voice leading: chords as typed, the least way first; a chord that cannot be read is named', async ({ page, server }) => {
  await open(page, `${server.url}${LEAF}&page=leading`);
  await page.getByLabel('Chords', { exact: true }).fill('Dm7 G7 Cmaj7');
  const list = page.getByRole('list', { name: /fingers travel \d+ mm/ });
  await expect(list.getByRole('listitem')).toHaveCount(3);
  const ways = await page.getByRole('button', { name: /^Way \d: \d+ mm$/ }).allTextContents();
  const mm = ways.map((w) => Number(/(\d+) mm/.exec(w)?.[1]));
  expect(mm).toEqual([...mm].sort((a, b) => a - b));
  await page.getByLabel('Chords', { exact: true }).fill('Dm7 Gzz');
  await expect(page.getByRole('alert').filter({ hasText: '“Gzz”' })).toBeVisible();
});

test('the grip and the chord in the other views: Map, Connect, Licks', async ({ page, server }) => {
  await open(page, `${server.url}${STUDY}?grip=2x222x`);
  await page.keyboard.press('4');
  await page.keyboard.press('a');
  await page.getByRole('link', { name: 'Map' }).click();
  await expect.poll(() => held(page)).toEqual(['6/2', '4/2', '3/2', '2/2']);
  await expect(page.getByRole('region', { name: 'Grip' })).toContainText('F♯m7');
  await page.getByRole('link', { name: 'Connect' }).click();
  await expect(heading(page)).toContainText('box');
  await typeInto(page, 'to', 'third of B7');
  await expect(heading(page)).toContainText(/string \d/);
  await page.getByRole('link', { name: 'Licks' }).click();
  await expect(part(page, 'chord')).toContainText('B7');
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText(/of B7/);
});

test('twelve strings, four and re-entrant, one: each works or says why', async ({ page, server }) => {
  for (const [tuning, says] of [
    ['E4 B3 G3 D3 A2 E2 E4 B3 G3 D3 A2 E2', /Hold/],
    ['G4 C4 E4 A4', /Hold/],
    ['E2', /needs 3 strings/],
  ] as const) {
    await open(page, `${server.url}/harmony?scale=C+ionian&tuning=${encodeURIComponent(tuning)}&layout=window&page=grips`);
    if (says.source === 'Hold')
      await expect(page.getByRole('button', { name: /^Hold [x0-9-]+, Cmaj7$/ }).first()).toBeVisible({ timeout: 20_000 });
    else await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
  }
});
