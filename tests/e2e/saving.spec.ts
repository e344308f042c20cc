import type { Page } from '@playwright/test';
import Sqlite from 'better-sqlite3';
import { writeFileSync, readFileSync } from 'node:fs';
import { expect, FIRST_PORT, inConflict, kill, newDb, openMap, saved, startServer, test, typeInto, whollyLoaded } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

test('what was saved survives a killed server and a new day', async ({ page, server, context }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'Eb lydian');
  await saved(page);
  await kill(server, 'SIGKILL');
  const again = await startServer(server.db, FIRST_PORT + 30);
  const later = await context.newPage();
  await later.goto(`${again.url}/study/demo-weathervane/map`);
  await expect(heading(later)).toContainText('E♭ Lydian');
  await kill(again, 'SIGTERM');
});

test('an edit made while the server is away is kept and sent when it is back', async ({ page, server }) => {
  await openMap(page, server.url);
  await whollyLoaded(page);
  await kill(server, 'SIGKILL');
  await typeInto(page, 'tonic and scale', 'C# phrygian dominant');
  await expect(page.getByRole('alert')).toContainText('Not on the server yet');
  const again = await startServer(server.db, Number(new URL(server.url).port));
  await saved(page);
  await page.reload();
  await expect(heading(page)).toContainText('C♯ Phrygian dominant');
  await kill(again, 'SIGTERM');
});

test('two windows on one study: neither loses, the player chooses', async ({ page, server }) => {
  const other = await inConflict(page, server.url);
  await other.getByRole('button', { name: 'Take the other version' }).click();
  await expect(heading(other)).toContainText('B♭ Mixolydian');
  await other.keyboard.press('Control+z');
  await expect(heading(other)).toContainText('E♭ Lydian');
  await saved(other);
  await typeInto(page, 'tonic and scale', 'D dorian');
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByRole('button', { name: 'Keep both, mine as a copy' }).click();
  await page.getByRole('link', { name: 'Notebook' }).click();
  await expect(page.getByRole('button', { name: /^Weathervane.*other version/ })).toBeVisible();
});

test('a saved study with an unknown scale opens, says so, and loses nothing', async ({ page, server }) => {
  const db = new Sqlite(server.db);
  const row = db.prepare('SELECT body FROM studies WHERE id = ?').get('demo-weathervane') as { body: string };
  const body = { ...(JSON.parse(row.body) as object), scale: { tonic: 'D', scale: 'moonlit' } };
  db.prepare('UPDATE studies SET body = ? WHERE id = ?').run(JSON.stringify(body), 'demo-weathervane');
  db.close();
  await page.goto(`${server.url}/notebook`);
  await expect(page.getByText('there is no scale called "moonlit"')).toBeVisible();
  await page.getByRole('button', { name: 'Weathervane, F♯ Dorian', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('moonlit');
  await page.getByRole('button', { name: 'Use the major scale' }).click();
  await expect(heading(page)).toContainText('D major (Ionian)');
  await saved(page);
});

test('a damaged notebook file stops the start, is named, and stays as it is', async () => {
  const file = newDb();
  writeFileSync(file, 'not a database at all, only words '.repeat(20));
  const before = readFileSync(file);
  await expect(startServer(file, FIRST_PORT + 40)).rejects.toThrow(new RegExp(`cannot be read[\\s\\S]*It was left as it is`));
  expect(readFileSync(file).equals(before)).toBe(true);
});

test('a damaged notebook is set aside on request, and a new one begins', async ({ page }) => {
  const file = newDb();
  writeFileSync(file, 'not a database at all, only words '.repeat(20));
  const server = await startServer(file, FIRST_PORT + 40, ['--new-notebook']);
  expect(server.output()).toMatch(/It was moved, unchanged, to .*damaged-/);
  await openMap(page, server.url);
  await kill(server, 'SIGTERM');
});
