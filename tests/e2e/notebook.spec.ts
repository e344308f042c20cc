import { readFileSync } from 'node:fs';
import { expect, openMap, part, saved, test, typeInto } from './support';
import type { Page } from '@playwright/test';

const rows = (page: Page) => page.getByRole('table').getByRole('row');
/** Studies alone, without the head of the table. */
const studies = (page: Page) => page.getByRole('button', { name: /^More for / });
/** One of the things that a study's menu offers. */
async function more(page: Page, study: string, item: string): Promise<void> {
  await page.getByRole('button', { name: `More for ${study}`, exact: true }).click();
  await page.getByRole('menuitem', { name: item, exact: true }).click();
}

test('a study from scratch is made, mapped, and there next time', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.getByRole('link', { name: 'Notebook' }).click();
  await page.getByRole('button', { name: 'New study' }).click();
  await page.getByLabel('Name of the study').fill('Morning boxes');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('A minor pentatonic');
  await typeInto(page, 'tonic and scale', 'C dorian');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('C Dorian');
  await page.getByRole('link', { name: 'Notebook' }).click();
  await expect(studies(page)).toHaveCount(5);
  await page.getByRole('button', { name: 'Weathervane, F♯ Dorian', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('F♯ Dorian');
});

test('studies are duplicated, renamed, deleted and brought back', async ({ page, server }) => {
  await page.goto(`${server.url}/notebook`);
  await more(page, 'Slow Tram, E♭ Lydian', 'Duplicate');
  await more(page, 'Slow Tram, E♭ Lydian (copy)', 'Name and tags');
  await page.getByLabel('New name').fill('Night Tram');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Night Tram', exact: true })).toBeVisible();
  await more(page, 'Night Tram', 'Delete');
  await expect(page.getByRole('button', { name: 'Night Tram', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('button', { name: 'Night Tram', exact: true })).toBeVisible();
  await expect(studies(page)).toHaveCount(5);
});

test('an empty notebook says what to do', async ({ page, server }) => {
  await page.goto(`${server.url}/notebook`);
  for (let k = 4; k > 0; k--) {
    await expect(studies(page)).toHaveCount(k);
    await studies(page).first().click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
  }
  await expect(page.getByText('No studies yet.')).toBeVisible();
  await page.getByRole('link', { name: 'Map' }).click();
  await expect(page.getByText('Loose leaf', { exact: true })).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('A minor pentatonic');
});

test('entries are searched, sifted by kind and tag, tagged, and sorted', async ({ page, server }) => {
  await page.goto(`${server.url}/notebook`);
  await expect(rows(page)).toHaveCount(5);
  await page.getByRole('button', { name: 'Show 1 lick of Slow Tram, E♭ Lydian' }).click();
  await expect(rows(page)).toHaveCount(6);
  await page.keyboard.press('/');
  await page.keyboard.type('phrygian seven');
  await expect(rows(page)).toHaveCount(2);
  await page.getByRole('searchbox').fill('');
  await page.getByRole('radio', { name: 'Licks' }).click();
  await expect(rows(page)).toHaveCount(5);
  await page.getByLabel('Tag', { exact: true }).selectOption('riff');
  await expect(rows(page)).toHaveCount(2);
  await page.getByRole('button', { name: 'Open the lick Rails' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Rails');
  await page.getByRole('link', { name: 'Notebook' }).click();
  await more(page, 'Slow Tram, E♭ Lydian', 'Name and tags');
  await page.getByRole('textbox', { name: 'Tags' }).fill('lamp light');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('row', { name: /Slow Tram/ }).first()).toContainText('lamp light');
  await page.getByRole('button', { name: 'Name', exact: true }).click();
  await expect(rows(page).nth(1)).toContainText('Cold Forge');
  await expect(page.getByRole('columnheader', { name: 'Name' })).toHaveAttribute('aria-sort', 'ascending');
});

test('the whole notebook goes to a file, a damaged one changes nothing, a whole one comes back; so does a dated copy', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/notebook`);
  await part(page, 'backups').click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Whole notebook to a file' }).click()]);
  const text = readFileSync(await file.path(), 'utf8');
  expect(JSON.parse(text)).toMatchObject({ kind: 'crow-ladder notebook', studies: { length: 4 } });
  await page.keyboard.press('Escape');
  await more(page, 'Slow Tram, E♭ Lydian', 'Delete');
  await expect(studies(page)).toHaveCount(3);

  await part(page, 'backups').click();
  const put = page.getByLabel('Notebook file to put back');
  await put.setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text.replace('"tempo":96', '"tempo":9999')),
  });
  await expect(page.getByText(/studies\[\d\].*tempo.*Nothing was changed/)).toBeVisible();
  await put.setInputFiles({ name: 'whole.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'Yes, do it' }).click();
  await expect(page.getByText('Done. What was here before')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(studies(page)).toHaveCount(4);

  await more(page, 'Slow Tram, E♭ Lydian', 'Delete');
  await part(page, 'backups').click();
  const copies = page.getByRole('list', { name: 'Dated copies' }).getByRole('button');
  await expect(copies.first()).toBeVisible();
  await copies.last().click();
  await page.getByRole('button', { name: 'Yes, do it' }).click();
  await expect(page.getByText('Done. What was here before')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(studies(page)).toHaveCount(4);
});

test('five thousand entries stay quick to search and scroll', async ({ page, server }) => {
  const study = (await (await page.request.get(`${server.url}/api/studies/demo-slow-tram`)).json()) as {
    body: { licks: object[]; name: string };
  };
  const studies = Array.from({ length: 100 }, (_, k) => ({
    id: `s${k}`,
    body: {
      ...study.body,
      name: `Study ${k}`,
      instrumentId: null,
      licks: Array.from({ length: 50 }, (_, n) => ({ ...study.body.licks[0], id: `l${n}`, name: `Lick ${k}-${n}` })),
      lick: null,
    },
  }));
  const sent = await page.request.post(`${server.url}/api/notebook`, {
    data: { kind: 'crow-ladder notebook', version: 1, instruments: [], studies },
  });
  expect(sent.status()).toBe(201);
  await page.goto(`${server.url}/notebook`);
  await expect(page.getByText('104 studies, 5004 licks')).toBeVisible();
  expect(await rows(page).count()).toBeLessThan(60);
  await page.getByRole('searchbox').fill('lick 42-17');
  await expect(rows(page)).toHaveCount(2);
  await page.getByRole('searchbox').fill('');
  await expect(page.getByText('104 studies, 5004 licks', { exact: true })).toBeVisible(); // the sieve lets all through again
  await page.getByRole('radio', { name: 'Licks' }).click();
  const region = page.getByRole('region', { name: 'Studies and licks' });
  const last = page.getByRole('button', { name: 'Tilt', exact: true }).or(page.getByRole('button', { name: 'Lick 0-49' }));
  await expect(async () => {
    // Rows are measured as they come into sight, so the end moves a little.
    await region.evaluate((el) => el.scrollTo({ top: el.scrollHeight }));
    await expect(last.first()).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 15_000 });
});
