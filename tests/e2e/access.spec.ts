import AxeBuilder from '@axe-core/playwright';
import { expect, openMap, test } from './support';

const VIEWS = [
  '/study/demo-weathervane/map',
  '/study/demo-weathervane/connect',
  '/study/demo-weathervane/transpose',
  '/study/demo-weathervane/licks',
  '/notebook',
  '/instruments',
];
const SIZES = [
  { width: 1280, height: 800 },
  { width: 360, height: 740 },
];

for (const theme of ['light', 'dark'] as const)
  for (const size of SIZES)
    for (const view of VIEWS)
      test(`${view} in ${theme} at ${size.width} px: axe finds nothing, nothing spills sideways`, async ({ browser, server }) => {
        const context = await browser.newContext({ viewport: size, colorScheme: theme });
        const page = await context.newPage();
        await page.goto(server.url + view);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
        await page.waitForTimeout(300);
        expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => [v.id, v.nodes.map((n) => n.html)])).toEqual([]);
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
        await context.close();
      });

test('every part of the sentence, opened, passes axe', async ({ browser, server }) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await openMap(page, server.url);
  for (const key of ['s', 't', 'y', 'r', 'o', 'c', 'f', 'p', '?']) {
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(
      (await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations.map((v) => [v.id, v.nodes.map((n) => n.html)]),
    ).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
    await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('INPUT');
    await page.waitForTimeout(100); // the focus goes back to the part a moment after the popover has gone
  }
  await context.close();
});
