import type { Page } from '@playwright/test';
import { expect, inConflict, kill, openMap, saved, startServer, test, typeInto, type Running, whollyLoaded } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const portOf = (s: Running): number => Number(new URL(s.url).port);
/** A saved study, through the API. */
const bodyOf = async (page: Page, url: string, id: string) =>
  ((await (await page.request.get(`${url}/api/studies/${id}`)).json()) as { body: Record<string, unknown> }).body;

test('drafts are written in every state: a conflict, a deletion', async ({ page, server }) => {
  const other = await inConflict(page, server.url);
  await typeInto(other, 'tonic and scale', 'D dorian');
  await other.waitForTimeout(150);
  await other.reload();
  await expect(heading(other)).toContainText('D Dorian');
  await expect(other.getByRole('alert')).toContainText('changed in another window');
  await other.getByRole('button', { name: 'Take the other version' }).click();
  await expect(heading(other)).toContainText('B♭ Mixolydian');
  await other.reload();
  await expect(heading(other)).toContainText('B♭ Mixolydian');
  await saved(other);
  await expect(other.getByRole('alert')).toBeHidden();

  await page.goto(`${server.url}/notebook`);
  await page.getByRole('button', { name: /^More for Weathervane/ }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByText('was deleted.')).toBeVisible();
  await typeInto(other, 'tonic and scale', 'A aeolian');
  await expect(other.getByRole('alert')).toContainText('deleted in another window');
  await typeInto(other, 'tonic and scale', 'G dorian');
  await other.waitForTimeout(150);
  await other.reload();
  await expect(heading(other)).toContainText('G Dorian');
  await expect(other.getByRole('alert')).toContainText('deleted in another window');
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await saved(other);
  await expect(other.getByRole('alert')).toBeHidden();
  expect(await bodyOf(page, server.url, 'demo-weathervane')).toMatchObject({ scale: { tonic: 'G', scale: 'dorian' } });
});

test('each window reloads its own study, and a late failure stays with the study it belongs to', async ({ page, server, context }) => {
  await openMap(page, server.url);
  const other = await context.newPage();
  await other.goto(`${server.url}/notebook`);
  await other
    .getByRole('button', { name: /^Slow Tram/ })
    .first()
    .click();
  await expect(heading(other)).toContainText('E♭ Lydian');
  await page.reload();
  await expect(heading(page)).toContainText('F♯ Dorian');

  // The answer to a save of the one study comes when another is open.
  await page.route('**/api/studies/demo-weathervane', async (route) => {
    if (route.request().method() !== 'PUT') return route.continue();
    await new Promise((later) => setTimeout(later, 2500));
    await route.fulfill({ status: 500, json: { error: { code: 'FAULT', message: 'late' } } });
  });
  await typeInto(page, 'tonic and scale', 'G dorian');
  await page.waitForTimeout(400);
  await page.getByRole('link', { name: 'Notebook' }).click();
  await page
    .getByRole('button', { name: /^Cold Forge/ })
    .first()
    .click();
  await expect(heading(page)).toContainText('C♯ Phrygian dominant');
  await page.waitForTimeout(3000);
  await saved(page);
  await expect(page.getByRole('alert')).toBeHidden();
});

test('two windows with the server away: both edits are there when it is back', async ({ page, server, context }) => {
  await openMap(page, server.url);
  const other = await context.newPage();
  await openMap(other, server.url);
  await whollyLoaded(page);
  await whollyLoaded(other);
  await kill(server, 'SIGKILL');
  await typeInto(page, 'tonic and scale', 'Bb mixo');
  await typeInto(other, 'tonic and scale', 'Eb lydian');
  await expect(other.getByRole('alert')).toContainText('Not on the server yet');
  await other.waitForTimeout(200);
  await other.close();
  const again = await startServer(server.db, portOf(server));
  await saved(page);
  await page.reload();
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  const bar = page.getByRole('alert').filter({ hasText: 'A window that was closed left a version' });
  await expect(bar).toBeVisible();
  await bar.getByRole('button', { name: 'Show it here' }).click();
  await expect(heading(page)).toContainText('E♭ Lydian');
  await expect(bar).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  await kill(again, 'SIGTERM');
});

for (const [what, width, height] of [
  ['twelve strings', 1280, 800],
  ['a phone', 390, 844],
] as const)
  test(`a save that is refused is in sight and said: ${what}`, async ({ page, server }) => {
    await page.setViewportSize({ width, height });
    await openMap(page, server.url);
    if (width > 1000) await typeInto(page, 'strings and tuning', 'E2 F2 G2 A2 B2 C3 D3 E3 F3 G3 A3 B3');
    await saved(page);
    await page.route('**/api/studies/*', (route) =>
      route.request().method() === 'PUT' ? route.fulfill({ status: 413, json: {} }) : route.continue(),
    );
    await typeInto(page, 'tonic and scale', 'D dorian');
    const alert = page.getByRole('alert').filter({ hasText: 'Not saved' });
    await expect(alert).toContainText('Not saved: this study is larger than one save may be');
    const at = await alert.boundingBox();
    expect(at && at.y >= 0 && at.y + at.height < height && at.x >= 0 && at.x + at.width <= width).toBe(true);
    await page.unroute('**/api/studies/*');
    await alert.getByRole('button', { name: 'Try again' }).click();
    await saved(page);
    await expect(alert).toBeHidden();
  });

test('with the server away a reload still opens the application with the drafts', async ({ browser, server }) => {
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await openMap(page, server.url);
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.reload();
  await expect(heading(page)).toContainText('Dorian');
  await whollyLoaded(page);
  await kill(server, 'SIGKILL');
  await typeInto(page, 'tonic and scale', 'C# phrygian dominant');
  await expect(page.getByRole('alert')).toContainText('Not on the server yet');
  await page.waitForTimeout(200);
  await page.reload();
  await expect(heading(page)).toContainText('C♯ Phrygian dominant');
  await expect(page.getByRole('alert')).toContainText('Not on the server yet');
  await page.getByRole('link', { name: 'Connect' }).click();
  await expect(heading(page)).toContainText('box 1');
  const again = await startServer(server.db, portOf(server));
  await saved(page);
  expect(await bodyOf(page, server.url, 'demo-weathervane')).toMatchObject({ scale: { tonic: 'C#' } });
  await kill(again, 'SIGTERM');
  await context.close();
});
