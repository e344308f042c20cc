import { faults } from './axe';
import { drop, expect, openMap, test } from './support';

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
  `${STUDY}/quiz`,
  `${STUDY}/listen`,
  `${STUDY}/plan`,
  `${STUDY}/handout`,
  '/log',
  '/notebook',
  '/instruments',
];
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 360, height: 740 };

/** What was opened in a view before and said the very same there is not asked again. */
const asked = new Set<string>();

const THEMES = ['light', 'dark'] as const;
type Theme = (typeof THEMES)[number];

/** What the theme changes is colour: in the second one only that is asked again. */
const rulesOf = (theme: Theme): string[] => (theme === 'light' ? [] : ['color-contrast', 'link-in-text-block']);

for (const size of [DESK, PHONE])
  for (const view of VIEWS)
    test(`${view} at ${size.width} px, both themes: axe finds nothing, closed or with each part opened; nothing spills sideways`, async ({
      browser,
      server,
    }) => {
      test.slow();
      const context = await browser.newContext({ viewport: size, colorScheme: 'light' });
      const page = await context.newPage();
      await page.addInitScript(() => localStorage.setItem('crow-ladder:prefs', '{"legend":true}'));
      await page.goto(server.url + view);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expect(page.locator('[data-coming]')).toHaveCount(0);
      const found = async (theme: Theme, within: string) => {
        await page.emulateMedia({ colorScheme: theme });
        await expect(page.locator(`html[data-theme=${theme}]`)).toHaveCount(1);
        return [theme, within, await faults(page, within, rulesOf(theme))];
      };
      const clean = async (name: string, within: string, themes: readonly Theme[] = THEMES): Promise<void> => {
        for (const theme of themes) expect([name, ...(await found(theme, within))]).toEqual([name, theme, within, []]);
      };
      await clean('page', 'body');
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
      const parts = await page.locator('[data-part]').evaluateAll((all) => all.map((e) => e.getAttribute('data-part') ?? ''));
      for (const name of parts) {
        await page.locator(`[data-part="${name}"]`).first().click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await expect(page.locator('[role=dialog] [data-coming]')).toHaveCount(0);
        const said = `${size.width} ${await page.getByRole('dialog').innerHTML()}`.replace(/(?:id|for|name|aria-[a-z]+)="[^"]*"/g, '');
        // A part has the same colours on a phone: they were asked for in both themes at the wide size.
        if (!asked.has(said)) await clean(name, '[role=dialog]', size === PHONE ? ['light'] : THEMES);
        asked.add(said);
        await page.keyboard.press('Escape');
        await expect(page.getByRole('dialog')).toBeHidden();
      }
      await context.close();
    });

for (const theme of THEMES)
  test(`questions, answered and open, and a judged pass in ${theme}: axe finds nothing, at 360 px too`, async ({ browser, server }) => {
    test.slow();
    const context = await browser.newContext({ viewport: DESK, colorScheme: theme });
    const page = await context.newPage();
    await page.addInitScript(() => {
      localStorage.setItem('crow-ladder:prefs', '{"asked":["demo-weathervane"]}');
      localStorage.setItem('crow-ladder:listening', JSON.stringify({ source: 'simulated', manner: 'learner', asMidi: true }));
    });
    await page.goto(`${server.url}${STUDY}/quiz`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Ask me');
    await page.keyboard.press(' ');
    for (let k = 0; k < 12; k++) {
      await expect(page.getByText(`Question ${k + 1} of 12`)).toBeVisible();
      if (k === 6) await page.setViewportSize(PHONE);
      expect(await faults(page, 'body', rulesOf(theme))).toEqual([]);
      if (k === 6) expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
      await page.getByRole('button', { name: 'I don’t know' }).click();
      if (k % 4 === 0) expect(await faults(page, 'body', rulesOf(theme))).toEqual([]);
      await page.getByRole('button', { name: 'Next' }).click();
    }
    await page.setViewportSize(DESK);
    await page.goto(`${server.url}${STUDY}/practise`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Play');
    await page.keyboard.press('e');
    await expect(page.locator('[data-heard]')).toBeVisible({ timeout: 30_000 });
    await page.keyboard.press(' ');
    await expect(page.locator('[data-verdict]')).toBeVisible({ timeout: 60_000 });
    await page.keyboard.press('Escape');
    expect(await faults(page)).toEqual([]);
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

for (const theme of THEMES)
  test(`what a dropped file will become, with its choices, in ${theme} at 360 px: axe finds nothing`, async ({ browser, server }) => {
    const context = await browser.newContext({ viewport: PHONE, colorScheme: theme });
    const page = await context.newPage();
    await page.addInitScript(() => localStorage.setItem('crow-ladder:prefs', '{"asked":["demo-weathervane"]}'));
    await page.goto(`${server.url}${STUDY}/licks`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('The lick');
    await drop(page, 'two.abc', 'X:1\nL:1/4\nK:C\nV:1\n[V:1]C D|[Q:1/4=70]G2|]\nV:2 name="Bass"\n[V:2]C,, D,,|A,4|]\n');
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Line of the file').selectOption({ label: 'Bass: 3 notes, 2 beyond the neck' });
    await expect(dialog.getByLabel('Notes beyond the neck')).toBeVisible();
    expect(await faults(page, '[role=dialog]')).toEqual([]);
    await dialog.getByRole('button', { name: 'Close' }).click();
    await drop(page, 'four.scl', 'Four in fourths\n 3\n 500.\n 1000.\n 1500.\n');
    await expect(dialog.getByLabel('Its thickest string sounds')).toBeVisible();
    expect(await faults(page, '[role=dialog]')).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
    await context.close();
  });
