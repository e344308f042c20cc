import type { Page } from '@playwright/test';
import { expect, openMap, part, saved, test, typeInto } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const tab = (page: Page) => page.getByRole('listbox', { name: 'Notes of the route' });
const lineOf = (page: Page): Promise<string[]> => tab(page).getByRole('option').allTextContents();
/** A saved study, through the API. */
const bodyOf = async (page: Page, url: string, id: string) =>
  ((await (await page.request.get(`${url}/api/studies/${id}`)).json()) as { body: Record<string, unknown> }).body;

async function keepRoute(page: Page, url: string): Promise<string[]> {
  await page.goto(`${url}/study/demo-weathervane/connect`);
  await page.getByRole('radio', { name: 'Best route', exact: true }).click();
  await expect(page.getByRole('radiogroup', { name: 'Ways there' }).getByRole('radio').first()).toHaveText(/Hand at/);
  await page.getByRole('button', { name: 'Keep this route' }).click();
  await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeVisible();
  const kept = await lineOf(page);
  await saved(page);
  return kept;
}

test('a kept route opens as it was kept, whatever the study became; it is renamed, put in order, solved again', async ({
  page,
  server,
}) => {
  const kept = await keepRoute(page, server.url);
  await page.getByRole('link', { name: 'Map' }).click();
  await typeInto(page, 'layout', 'three notes');
  await typeInto(page, 'tonic and scale', 'Bb lydian');
  await part(page, 'fingering').click();
  await page.getByLabel('Fingering school').selectOption('stretch');
  await page.keyboard.press('Escape');
  await typeInto(page, 'strings and tuning', 'D A D G A D');
  await page.getByRole('link', { name: 'Connect' }).click();
  await page.getByRole('button', { name: /^Open box 1 to/ }).click();
  await expect(heading(page)).toContainText('as it was kept');
  expect(await lineOf(page)).toEqual(kept);
  await expect(page.getByText(/The study by now: B♭ Lydian, .*three notes a string/)).toBeVisible();
  await expect(page.getByRole('note').filter({ hasText: 'another by now' })).toContainText('another pitch there');

  await page.getByLabel('Name of kept route 1').fill('Up the stairs');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('Up the stairs');
  await saved(page);
  await page.reload();
  await expect(heading(page)).toContainText('Up the stairs');
  expect(await lineOf(page)).toEqual(kept);

  await page.getByRole('button', { name: 'Solve again' }).click();
  await expect(heading(page)).toContainText('the best route');
  await expect.poll(() => lineOf(page)).not.toEqual(kept);
  await page.getByRole('button', { name: 'Keep this route' }).click();
  await expect(page.getByLabel('Name of kept route 2')).toBeVisible();
  await page.getByRole('button', { name: 'Move Up the stairs down' }).click();
  await expect(page.getByLabel('Name of kept route 2')).toHaveValue('Up the stairs');
  await expect(page.getByRole('button', { name: 'Move Up the stairs down' })).toBeDisabled();
});

test('a finger settled in one shape leaves its neighbours; “everywhere” is the second choice', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'A natural minor');
  await expect(heading(page)).toContainText('A natural minor (Aeolian)');
  await saved(page);
  await page.reload();
  await expect(heading(page)).toContainText('A natural minor (Aeolian)');
  const rows = page.getByRole('table').first();
  const box = async (n: 1 | 2): Promise<void> => {
    await page.keyboard.press(n === 2 ? 'ArrowRight' : 'ArrowLeft');
    await expect(page.getByRole('radiogroup', { name: /Rungs/ }).getByRole('radio', { checked: true })).toHaveAccessibleName(
      new RegExp(`box ${n}`),
    );
  };
  await box(2);
  const before = await rows.innerText();
  await box(1);
  const string4 = page.getByRole('row', { name: /^string 4, / });
  await string4.getByRole('button', { name: 'finger 3 on string 4, fret 7: why, or another' }).click();
  await page.getByRole('group', { name: 'Finger of this place' }).getByRole('button', { name: 'little finger' }).click();
  await expect(page.getByText('Settled by you, in this shape')).toBeVisible();
  await page.keyboard.press('Escape');
  const settled = string4.getByRole('button', { name: 'finger 4 on string 4, fret 7: why, or another' });
  await expect(settled).toBeVisible();
  await box(2);
  expect(await rows.innerText()).toBe(before);

  await box(1);
  await settled.click();
  await page.getByLabel(/^Everywhere/).check();
  await expect(page.getByText('Settled by you, in every shape')).toBeVisible();
  await page.keyboard.press('Escape');
  await saved(page);
  expect((await bodyOf(page, server.url, 'demo-weathervane')).pins).toMatchObject([{ string: 4, fret: 7, finger: 4, shape: null }]);
});

test('what Transpose shows is what it commits; what does not fit is told before and marked after', async ({ page, server }) => {
  await keepRoute(page, server.url);
  await page.getByRole('link', { name: 'Transpose' }).click();
  await page.getByRole('radio', { name: /Another tuning/ }).click();
  await part(page, 'new tuning').click();
  await page.getByPlaceholder('D A D G B E').fill('C G D G B E');
  await page.keyboard.press('Enter');
  const column = (n: number): Promise<string[]> => page.getByRole('table').locator(`tbody tr td:nth-of-type(${n})`).allInnerTexts();
  await expect(heading(page)).toContainText('C G D G B E');
  const shown = await column(2);
  expect(shown).not.toEqual(await column(1));
  await page.getByRole('button', { name: 'Move the whole study' }).click();
  await expect(page.getByText('The whole study was moved.')).toBeVisible();
  await expect.poll(() => column(1)).toEqual(shown);
});

test('a capo above a kept route does not end Transpose', async ({ page, server }) => {
  await keepRoute(page, server.url);
  await page.getByRole('link', { name: 'Map' }).click();
  await part(page, 'strings and tuning').click();
  await page.getByLabel(/Capo/).fill('5');
  await page.keyboard.press('Escape');
  await expect(heading(page)).toContainText('capo');
  await page.getByRole('link', { name: 'Transpose' }).click();
  await expect(heading(page)).toContainText('Move');
  await typeInto(page, 'what is moved', 'the route');
  await expect(heading(page)).toContainText('Move the route');
  await page.getByRole('link', { name: 'Connect' }).click();
  await page.getByRole('button', { name: /^Open box 1 to/ }).click();
  await expect(page.getByRole('note').filter({ hasText: 'another by now' })).toContainText(/of its \d+ notes have no place there/);
});

test('undo and redo survive a reload and say what they undo', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'Bb dorian');
  await typeInto(page, 'layout', 'three notes');
  await saved(page);
  await page.reload();
  await expect(heading(page)).toContainText('three notes');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('status').filter({ hasText: 'Undone: layout to three notes a string, in Map' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('status').filter({ hasText: 'Undone: key to B♭, in Map' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(heading(page)).toContainText('F♯ Dorian');
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('status').filter({ hasText: 'Done again: key to B♭' })).toBeVisible();
  await expect(heading(page)).toContainText('B♭ Dorian');
});

test('an earlier version is looked at on the neck, gone back to, and the going back is undone', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'Bb lydian');
  await saved(page);
  await typeInto(page, 'tonic and scale', 'G dorian');
  await saved(page);
  await page.getByRole('link', { name: 'Versions' }).click();
  await expect(heading(page)).toContainText('Earlier versions of “Weathervane, F♯ Dorian”');
  const list = page.getByRole('list', { name: 'Versions, newest first' }).getByRole('button');
  await expect(list).toHaveCount(2);
  await expect(list.first()).toContainText('before: scale to G Dorian');
  await list.nth(1).click();
  await expect(page.getByRole('img', { name: 'The neck then: F♯ Dorian' })).toBeVisible();
  await page.getByRole('button', { name: 'Go back to this version' }).click();
  await expect(heading(page)).toContainText('F♯ Dorian');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(heading(page)).toContainText('G Dorian');
  await saved(page);
});
