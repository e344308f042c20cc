import type { Page } from '@playwright/test';
import { expect, part, saved, test } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const card = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

const go = (page: Page, name: string) => page.getByRole('radio', { name: new RegExp(name) }).click();

async function openTranspose(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/study/demo-weathervane/transpose`);
  await expect(heading(page)).toContainText('box 1');
}

test('another key: every place where it fits, before and after, the whole study, undo', async ({ page, server }) => {
  await openTranspose(page, server.url);
  await page.getByLabel('New key').selectOption('A');
  await expect(page.getByText('F♯ Dorian becomes A Dorian: every note up three frets.')).toBeVisible();
  await page.getByRole('button', { name: 'up 15 frets' }).click();
  await expect(page.getByRole('row', { name: /^6/ })).toContainText('17 19 20');
  await page.getByRole('button', { name: 'Move the whole study' }).click();
  await expect(page.getByText('The whole study was moved.')).toBeVisible();
  await page.getByRole('link', { name: 'Map' }).click();
  await expect(heading(page)).toContainText('A Dorian');
  await page.keyboard.press('Control+z');
  await expect(heading(page)).toContainText('F♯ Dorian');
  await saved(page);
});

test('another root string goes to the rung', async ({ page, server }) => {
  await openTranspose(page, server.url);
  await go(page, 'Another root string');
  await page.getByRole('button', { name: 'string 5', exact: true }).click();
  await expect(page.getByText('F♯ Dorian still, its root on string 5.')).toBeVisible();
  await page.getByRole('button', { name: 'Go to that rung' }).click();
  await page.getByRole('link', { name: 'Map' }).click();
  await expect(heading(page)).toContainText('root on string 5');
});

test('another mode, parallel and relative told apart, as a new study', async ({ page, server }) => {
  await openTranspose(page, server.url);
  await go(page, 'Another mode');
  const mode = card(page, 'Another mode');
  await mode.getByLabel(/Relative/).selectOption('A Lydian');
  await expect(page.getByText('The same notes from another home: A Lydian. No fret moves.')).toBeVisible();
  await mode.getByLabel(/Parallel/).selectOption('F# Mixolydian');
  await expect(page.getByText('F♯ Mixolydian on the same root: ♭3 → 3 (A → A♯).')).toBeVisible();
  await expect(mode.getByLabel(/Relative/)).toHaveValue('');
  await page.getByRole('button', { name: 'Make a new study of it' }).click();
  await expect(heading(page)).toContainText('laid out as');
  await expect(heading(page)).toContainText('F♯ Mixolydian');
  await page.getByRole('link', { name: 'Notebook' }).click();
  await expect(page.getByRole('button', { name: 'Weathervane, F♯ Dorian, F♯ Mixolydian', exact: true })).toBeVisible();
});

test('another tuning: sound, shape and layout; what ceases to exist; a capo', async ({ page, server }) => {
  await openTranspose(page, server.url);
  await go(page, 'Another tuning');
  await part(page, 'new tuning').click();
  await page.getByPlaceholder('D A D G B E').fill('G C F A# D G');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/ceases? to exist: F♯2/)).toBeVisible();
  const tuning = card(page, 'Another tuning');
  await tuning.getByRole('radio', { name: 'Shape' }).click();
  await expect(page.getByText('now sound A Dorian')).toBeVisible();
  await tuning.getByRole('radio', { name: 'Layout' }).click();
  await expect(page.getByText('F♯ Dorian laid out afresh')).toBeVisible();
  await tuning.getByLabel('Capo at fret').fill('99');
  await expect(page.getByText('Capo at fret: a whole number from 0 to 12.')).toBeVisible();
  await tuning.getByLabel('Capo at fret').fill('3');
  await expect(heading(page)).toContainText('capo at 3');
});
