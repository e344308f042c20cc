import type { Page } from '@playwright/test';
import Sqlite from 'better-sqlite3';
import { readFileSync } from 'node:fs';
import { expect, openMap, part, saved, test, typeInto } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const fixture = (name: string): Buffer => readFileSync(`tests/fixtures/files/${name}`);

test('nonsense in the tuning, a capo below the nut, a note too long: the view lives on', async ({ page, server }) => {
  await openMap(page, server.url);
  await part(page, 'strings and tuning').click();
  await page.getByRole('combobox').pressSequentially('E9 A');
  await expect(heading(page)).toContainText('Dorian');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Notebook' }).click();
  const bring = page.getByLabel('Files to bring in');
  for (const [name, mimeType, why] of [
    ['capo-neg.musicxml', 'text/xml', /capo/i],
    ['tab-three-wholes.txt', 'text/plain', /W\+W\+W|length|long/i],
  ] as const) {
    await bring.setInputFiles({ name, mimeType, buffer: fixture(name) });
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText(name);
    await expect(dialog).toContainText(why);
    await page.keyboard.press('Escape');
  }
  await page.getByRole('link', { name: 'Licks' }).click();
  await part(page, 'type a tab').click();
  await page.getByRole('textbox', { name: /A line for every string/ }).fill(fixture('tab-three-wholes.txt').toString());
  const make = page.getByRole('button', { name: 'Make a lick of it' });
  if (await make.isEnabled()) await make.click();
  await expect(heading(page)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(heading(page)).toContainText('The lick');
  for (const view of ['Map', 'Connect', 'Transpose', 'Licks']) {
    await page.getByRole('link', { name: view }).click();
    await expect(heading(page)).not.toContainText('cannot show');
  }
});

test.describe('a view that breaks', () => {
  test('says so, leaves the rest standing, and offers undo, versions, export', async ({ page, server, complaints }) => {
    await openMap(page, server.url);
    await typeInto(page, 'tonic and scale', 'Bb lydian');
    await saved(page);
    // What Connect needs of the browser is taken away: a fault of ours that only this view meets.
    await page.evaluate(() => {
      const make = window.Worker;
      Object.assign(window, {
        Worker: class {
          constructor() {
            throw new Error('no workers here');
          }
        },
        mended: () => Object.assign(window, { Worker: make }),
      });
    });
    await page.getByRole('link', { name: 'Connect' }).click();
    await expect(heading(page)).toContainText('This view cannot show the study');
    await expect(page.getByRole('link', { name: 'Earlier versions' })).toBeVisible();
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Export the study' }).click()]);
    expect(JSON.parse(readFileSync(await file.path(), 'utf8'))).toMatchObject({ studies: [{ id: 'demo-weathervane' }] });
    await page.getByRole('link', { name: 'Map' }).click();
    await expect(heading(page)).toContainText('B♭ Lydian');
    await page.getByRole('link', { name: 'Connect' }).click();
    await expect(heading(page)).toContainText('This view cannot show the study');
    await page.evaluate(() => (window as unknown as { mended: () => void }).mended());
    await page.getByRole('button', { name: 'Undo the last change' }).click();
    await expect(heading(page)).toContainText('box 1');
    complaints.length = 0; // the fault made here on purpose
  });
});

test('a damaged record is shown as damaged, exported as it is, and deleted; the rest works', async ({ page, server }) => {
  const db = new Sqlite(server.db);
  db.prepare('UPDATE studies SET body = ? WHERE id = ?').run('{"name":"Half a st', 'demo-slow-tram');
  db.close();
  await page.goto(`${server.url}/notebook`);
  const row = page.getByRole('row').filter({ hasText: 'damaged' });
  await expect(row).toHaveCount(1);
  const [file] = await Promise.all([page.waitForEvent('download'), row.getByRole('link', { name: /as it is/ }).click()]);
  expect(readFileSync(await file.path(), 'utf8')).toBe('{"name":"Half a st');
  await row.getByRole('button', { name: /^More for/ }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(row).toHaveCount(0);
  await page
    .getByRole('button', { name: /^Weathervane/ })
    .first()
    .click();
  await expect(heading(page)).toContainText('F♯ Dorian');
});
