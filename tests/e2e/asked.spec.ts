import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, openMap, part, saved, test, typeInto } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const downloaded = async (page: Page, button: string): Promise<string> => {
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: button, exact: true }).click()]);
  return file.path();
};
const words = (pdf: string): string => execFileSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' });

test('one string from root to root, with its groups; from fret to fret; octave frames from a typed place', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'A natural minor');
  await typeInto(page, 'layout', 'string 3 root to root');
  await expect(heading(page)).toContainText('string 3 from root to root');
  await expect(page.getByText('2 4 5, shift, 7 9 10, shift, 12 14')).toBeVisible();
  await part(page, 'layout').click();
  await page.getByLabel('How much of it').selectOption('from fret to fret');
  await page.getByLabel('To fret').fill('9');
  await page.getByLabel('To fret').press('Enter');
  await page.keyboard.press('Escape');
  await expect(heading(page)).toContainText('string 3, frets 0 to 9');
  await typeInto(page, 'layout', 'octaves 6 5');
  await expect(heading(page)).toContainText('octave frames from string 6, fret 5');
  await expect(page.getByText(/The root here: string 6, fret 5 and string 4, fret 7/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(heading(page)).toContainText('octave frames from string 6, fret 5');
});

test('both ways to play a two-note cell, by name, a press each', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'A minor pentatonic');
  await typeInto(page, 'root', '5 12');
  const cell = page.getByRole('group', { name: 'string 3, 9 12' });
  await expect(cell.getByRole('button', { name: '1-4 and move' })).toHaveAttribute('aria-pressed', 'true');
  await cell.getByRole('button', { name: /^1-3 and / }).click();
  await expect(cell.getByRole('button', { name: /^1-3 and / })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Control+z');
  await expect(cell.getByRole('button', { name: '1-4 and move' })).toHaveAttribute('aria-pressed', 'true');
});

test('a place asked for on Connect stays when the way changes', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'F major');
  await page.getByRole('link', { name: 'Connect' }).click();
  await expect(heading(page)).toContainText('by');
  await page.keyboard.press('f');
  await page.locator('input[role=combobox]').fill('6 8');
  await page.keyboard.press('Enter');
  await expect(part(page, 'from')).toContainText('string 6, fret 8');
  await page.getByRole('radio', { name: 'Diagonal', exact: true }).click();
  await expect(part(page, 'from')).toContainText('string 6, fret 8');
  await expect(page.getByRole('listbox', { name: 'Notes of the route' }).getByRole('option').first()).toContainText('string 6, fret 8');
});

test('a route goes out as a lick does; kept routes, licks and shapes are printed together', async ({ page, server }) => {
  await page.goto(`${server.url}/study/demo-weathervane/connect`);
  await expect(heading(page)).toContainText('box 1');
  await expect(page.getByRole('button', { name: 'Keep this route' })).toBeEnabled();
  await page.keyboard.press('k');
  await part(page, 'export the route').click();
  expect(readFileSync(await downloaded(page, 'Tab text'), 'utf8')).toContain('Tuning E2 A2 D3 G3 B3 E4');
  expect(readFileSync(await downloaded(page, 'MusicXML'), 'utf8')).toContain('<score-partwise');
  const route = words(await downloaded(page, 'PDF'));
  expect(route).toMatch(/box 1 to box 3[\s\S]*Frets 2 to 10/);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Map' }).click();
  await part(page, 'print or export').click();
  await page.getByLabel('What', { exact: true }).selectOption('study');
  const all = words(await downloaded(page, 'PDF'));
  for (const name of ['box 5', 'box 1 to box 3', 'Latch']) expect(all).toContain(name);
});

test('lengths of a typed tab at a press, and of several notes together', async ({ page, server }) => {
  await page.goto(`${server.url}/study/demo-weathervane/licks`);
  await part(page, 'type a tab').click();
  await page.getByRole('textbox', { name: /A line for every string/ }).fill('B|-------|\nG|-2-4-5-|');
  await expect(page.getByText(/every note was taken as an eighth/)).toBeVisible();
  await page.getByRole('radio', { name: 'All triplets' }).click();
  await expect(page.getByText(/taken as a triplet eighth/)).toBeVisible();
  await page.getByRole('button', { name: 'Make a lick of it' }).click();
  const notes = page.getByRole('listbox', { name: 'Notes of the lick' }).getByRole('option');
  await expect(notes).toHaveCount(3);
  await expect(notes.first()).toContainText('triplet eighth');
  await page.keyboard.press('Shift+ArrowLeft');
  await page.getByRole('button', { name: 'quarter', exact: true }).click();
  await expect(notes.nth(0)).toContainText('triplet eighth');
  await expect(notes.nth(1)).toContainText('quarter');
  await expect(notes.nth(2)).toContainText('quarter');
  await page.keyboard.press('x');
  await expect(notes.nth(1).or(notes.nth(2)).filter({ hasText: 'tapped' })).toHaveCount(1);
});
