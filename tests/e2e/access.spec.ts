import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openMap, test } from './support';

const STUDY = '/study/demo-weathervane';
const VIEWS = [
  '/map',
  `${STUDY}/map`,
  `${STUDY}/connect`,
  `${STUDY}/transpose`,
  `${STUDY}/licks`,
  `${STUDY}/harmony`,
  `${STUDY}/progression`,
  `${STUDY}/practise`,
  `${STUDY}/plan`,
  '/log',
  '/notebook',
  '/instruments',
];
const SIZES = [
  { width: 1280, height: 800 },
  { width: 360, height: 740 },
];

const faults = async (page: Page, within = 'body'): Promise<unknown> =>
  (await new AxeBuilder({ page }).include(within).analyze()).violations.map((v) => [v.id, v.nodes.map((n) => n.html)]);

for (const theme of ['light', 'dark'] as const)
  for (const size of SIZES)
    for (const view of VIEWS)
      test(`${view} in ${theme} at ${size.width} px: axe finds nothing, closed or with each part opened; nothing spills sideways`, async ({
        browser,
        server,
      }) => {
        const context = await browser.newContext({ viewport: size, colorScheme: theme });
        const page = await context.newPage();
        await page.addInitScript(() => localStorage.setItem('crow-ladder:prefs', '{"legend":true}'));
        await page.goto(server.url + view);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
        await page.waitForTimeout(300);
        expect(await faults(page)).toEqual([]);
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
        const parts = await page.locator('[data-part]').evaluateAll((all) => all.map((e) => e.getAttribute('data-part') ?? ''));
        for (const name of parts) {
          await page.locator(`[data-part="${name}"]`).first().click();
          await expect(page.getByRole('dialog')).toBeVisible();
          expect([name, await faults(page, '[role=dialog]')]).toEqual([name, []]);
          await page.keyboard.press('Escape');
          await expect(page.getByRole('dialog')).toBeHidden();
        }
        await context.close();
      });

test('what the shell lays over a view, the music stand and the menus pass axe', async ({ page, server }) => {
  await openMap(page, server.url);
  for (const name of ['Commands', 'Keys', 'Settings', 'words']) {
    await page.getByRole('button', { name, exact: true }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    expect([name, await faults(page, '[role=dialog]')]).toEqual([name, []]);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await page.keyboard.press('z');
  await expect(page.locator('[data-stand]')).toBeVisible();
  expect(await faults(page, '[data-stand]')).toEqual([]);
  await page.keyboard.press('z');
  await page.getByRole('link', { name: 'Notebook' }).click();
  await page
    .getByRole('button', { name: /^More for/ })
    .first()
    .click();
  await expect(page.getByRole('menu')).toBeVisible();
  expect(await faults(page, '[role=menu]')).toEqual([]);
});
