import type { Page } from '@playwright/test';
import { expect, openMap, part, saved, test, typeInto } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const step = (page: Page) => page.locator('[data-step]');
const command = async (page: Page, text: string): Promise<void> => {
  await page.keyboard.press('Control+k');
  await page.locator('input[role=combobox]').fill(text);
  await page.keyboard.press('Enter');
  await expect(page.locator('input[role=combobox]')).toBeHidden();
};

test('a newcomer looks around on a loose leaf: nothing is kept, the leaf is still there, and becomes a study by a name', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await expect(page.getByText('Loose leaf', { exact: true })).toBeVisible();
  await expect(heading(page)).toContainText('A minor pentatonic');
  await page.keyboard.press(']');
  await expect(heading(page)).toContainText('B♭ minor pentatonic');
  await expect(step(page)).toContainText('Key is now B♭');
  await typeInto(page, 'layout', '3 notes');
  const listed = async (): Promise<number> => ((await (await page.request.get(`${server.url}/api/studies`)).json()) as unknown[]).length;
  expect(await listed()).toBe(4);
  await page.waitForTimeout(400);
  await page.goto(server.url);
  await expect(heading(page)).toContainText('B♭ minor pentatonic');
  await expect(heading(page)).toContainText('three notes');
  await page.keyboard.press('Control+z');
  await expect(heading(page)).toContainText('five boxes');

  await part(page, 'keep as a study').click();
  await page.getByLabel('Name of the study').fill('Mine');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/study\/[^/]+\/map/);
  await expect(page.getByText('Mine', { exact: true })).toBeVisible();
  await saved(page);
  expect(await listed()).toBe(5);
  await page.goto(server.url);
  await expect(heading(page)).toContainText('A minor pentatonic');
});

test('four ways in lead where they say, and are gone for good with one press', async ({ page, server }) => {
  await page.goto(server.url);
  const way = (name: string) => page.getByRole('button', { name: new RegExp(name) });
  await way('A position under my finger').click();
  await page.locator('input[role=combobox]').fill('6 5 2');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('string 6, fret 5 under the 2nd finger');

  await page.goto(server.url);
  await way('Join two boxes').click();
  await expect(heading(page)).toContainText('changing hands on a seam');
  await expect(page.getByRole('listbox', { name: 'Notes of the route' })).toBeVisible();

  await page.getByRole('link', { name: 'Map' }).click();
  await way('A lick in every place').click();
  await expect(heading(page)).toContainText('First lick');
  await expect(page.getByRole('row').filter({ hasText: 'Put it here' }).first()).toBeVisible();

  await page.getByRole('link', { name: 'Map' }).click();
  await way('A sheet of shapes').click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PDF', exact: true }).click()]);
  expect(file.suggestedFilename()).toMatch(/pdf$/);
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Do not show this again' }).click();
  await expect(page.getByText('What do you want to do?')).toBeHidden();
  await page.reload();
  await expect(heading(page)).toBeVisible();
  await expect(page.getByText('What do you want to do?')).toBeHidden();
});

test('an address is a bookmark; back and forward go through choices; what does not hold is said', async ({ page, server }) => {
  await page.goto(`${server.url}/map?scale=F%23+dorian&layout=per-string+notes:3&rung=2.4&labels=notes`);
  await expect(heading(page)).toContainText('F♯ Dorian');
  await expect(heading(page)).toContainText('three notes a string');
  await expect(page.getByRole('radio', { name: 'Notes', exact: true })).toBeChecked();
  await typeInto(page, 'tonic and scale', 'Bb mixo');
  await expect(page).toHaveURL(/scale=Bb\+mixolydian/);
  await typeInto(page, 'layout', 'boxes');
  await expect(page).toHaveURL(/layout=box/);
  await page.goBack();
  await expect(heading(page)).toContainText('three notes a string');
  await page.goBack();
  await expect(heading(page)).toContainText('F♯ Dorian');
  await page.goForward();
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  await page.getByRole('link', { name: 'Transpose' }).click();
  await expect(heading(page)).toContainText('Move');
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/transpose\?.*move=key\+3/);
  const bookmark = page.url();
  await page.goto(`${server.url}/notebook`);
  await page.goto(bookmark);
  await expect(heading(page)).toContainText('to D♭ Mixolydian');
  await page.goto(`${server.url}/map?scale=H+dorian&frets=99`);
  await expect(page.getByRole('alert')).toContainText('scale “H dorian”');
  await expect(page.getByRole('alert')).toContainText('frets “99”');
  await page.goto(`${server.url}/study/nowhere/map`);
  await expect(page.getByText('That study is gone')).toBeVisible();
  await page.goto(`${server.url}/study/demo-slow-tram/map`);
  await expect(heading(page)).toContainText('E♭ Lydian');
});

test('a demo study that is changed offers, once, to be one’s own', async ({ page, server }) => {
  await page.addInitScript(() => localStorage.setItem('crow-ladder:prefs', localStorage.getItem('crow-ladder:prefs')?.includes('"asked":["demo-weathervane"]') ? '{"asked":["demo-weathervane"]}' : '{}')); // prettier-ignore
  await openMap(page, server.url);
  await expect(page.getByText('This is a demo study')).toBeHidden();
  await typeInto(page, 'tonic and scale', 'Bb mixo');
  await page.getByRole('button', { name: 'Make it mine' }).click();
  await expect(page.getByText('Weathervane, F♯ Dorian, mine')).toBeVisible();
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  await page.goto(`${server.url}/study/demo-weathervane/map`);
  await expect(heading(page)).toContainText('F♯ Dorian');
  await page.keyboard.press(']');
  await expect(heading(page)).toContainText('G Dorian');
  await expect(page.getByText('This is a demo study')).toBeHidden();
});

test('the command line takes what is wanted in words, and every command of every view', async ({ page, server }) => {
  await page.goto(server.url);
  await expect(heading(page)).toBeVisible();
  await command(page, 'a dorian three notes');
  await expect(heading(page)).toContainText('A Dorian on six strings, E A D G B E, laid out as three notes a string');
  await command(page, 'tune drop d');
  await expect(heading(page)).toContainText('D A D G B E');
  await command(page, 'boxes');
  await command(page, 'connect box 1 to 3');
  await expect(page).toHaveURL(/\/connect/);
  await expect(heading(page)).toContainText(/From box 1.* to box 3/);
  await command(page, 'print all keys');
  await expect(page.getByLabel('What', { exact: true })).toHaveValue('keys');
  await page.keyboard.press('Escape');
  await page.waitForTimeout(400);
  await command(page, 'turn round');
  await expect(page).toHaveURL(/\/connect/);
  await expect(heading(page)).toContainText(/From box 3.* to box 1/);
  await command(page, 'open slow tram');
  await expect(heading(page)).toContainText('E♭ Lydian');
  await page.keyboard.press('Control+k');
  await page.locator('input[role=combobox]').fill('zzzz');
  await expect(page.getByText('Nothing is called so')).toBeVisible();
});

test('keys of one letter can want Alt, or be off; the list of keys says so', async ({ page, server }) => {
  await openMap(page, server.url);
  const chosen = (name: string) => page.getByRole('radio', { name, exact: true });
  const settings = async (how: string): Promise<void> => {
    await page.getByRole('button', { name: 'Settings' }).click();
    await chosen(how).click();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  };
  await settings('With Alt');
  await page.keyboard.press('l');
  await expect(chosen('Degrees')).toBeChecked();
  await page.keyboard.press('Alt+l');
  await expect(chosen('Notes')).toBeChecked();
  await page.keyboard.press('Alt+Shift+?');
  await page.keyboard.press('Escape');
  await settings('Off');
  await page.keyboard.press('l');
  await page.keyboard.press('Alt+l');
  await expect(chosen('Notes')).toBeChecked();
  await page.keyboard.press('ArrowRight'); // arrows are no letters
  await expect(page.getByRole('radio', { name: /^box 2, frets 4/ })).toBeChecked();
});

test('keys typed right after the key that opens a chooser are its first ones', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.evaluate(() => {
    // All within one turn of the page, before anything can be drawn.
    for (const key of ['s', 'b', 'b', ' ', 'l', 'y', 'd'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  });
  await expect(page.locator('input[role=combobox]')).toHaveValue('bb lyd');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('B♭ Lydian');
});

test('labels in syllables, German and fixed do; the legend; the list of words; a line at first sight', async ({ page, server }) => {
  await openMap(page, server.url);
  const marks = (text: string) => page.locator('svg[role=img] [data-look] text', { hasText: new RegExp(`^${text}$`) });
  await page.getByRole('button', { name: 'Settings' }).click();
  await page.getByRole('radio', { name: 'do me sol' }).click();
  await page.getByRole('radio', { name: 'A B H C' }).click();
  await page.keyboard.press('Escape');
  await expect(marks('do').first()).toBeVisible();
  await expect(marks('me').first()).toBeVisible();
  await page.keyboard.press('l');
  await expect(marks('Fis').first()).toBeVisible();
  await expect(marks('H').first()).toBeVisible();
  await page.reload();
  await expect(marks('Fis').first()).toBeVisible();
  await page.keyboard.press('i');
  const legend = page.getByRole('region', { name: 'Legend' });
  await expect(legend).toContainText('root; the beak points to the nut');
  await expect(legend).not.toContainText('tone of the chosen chord');
  await typeInto(page, 'chord', 'B7');
  await expect(legend).toContainText('tone of the chosen chord');
  expect(await page.locator('svg[role=img] [data-bar]').count()).toBeGreaterThan(4);
  await expect(page.getByText('Tones of B7 have a bar')).toBeVisible();
  const word = page.locator('[data-word=rung]');
  await expect(word).toContainText('rung (position)');
  await word.getByRole('button', { name: 'Got it' }).click();
  await expect(page.locator('[data-word=seam]')).toBeVisible();
  await page.getByRole('button', { name: 'words', exact: true }).click();
  await expect(page.getByRole('dialog', { name: 'Words' })).toContainText('shared notes');
});

test('the music stand fills the screen, is turned by the keys of a pedal, and closed by one key', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.keyboard.press('z');
  const stand = page.locator('[data-stand]');
  await expect(stand.getByRole('heading')).toContainText('F♯ Dorian: box 1');
  await expect(stand.locator('[data-look=root] path').first()).toBeVisible();
  // Nine millimetres on a screen of 13 inches and 1280 pixels are 40 pixels.
  for (const mark of await stand.locator('[data-look=solid]').all()) expect((await mark.boundingBox())?.width ?? 0).toBeGreaterThan(40);
  await page.keyboard.press('PageDown');
  await expect(stand.getByRole('heading')).toContainText('box 2');
  await page.keyboard.press('PageUp');
  await expect(stand.getByRole('heading')).toContainText('box 1');
  await page.keyboard.press('z');
  await expect(stand).toBeHidden();
  await page.getByRole('link', { name: 'Connect' }).click();
  await expect(page.getByRole('listbox', { name: 'Notes of the route' })).toBeVisible();
  await page.keyboard.press('z');
  await expect(stand.getByRole('heading')).toContainText('box 1 to box 3');
  await page.keyboard.press('PageDown');
  await expect(stand.getByRole('button', { name: 'Back: bar 1' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(stand).toBeHidden();
  await page.getByRole('link', { name: 'Licks' }).click();
  await expect(heading(page)).toContainText('Latch');
  await page.keyboard.press('z');
  await expect(stand.getByRole('heading')).toContainText('Latch');
});

test('Transpose shows before and after on the first screen, fret under fret, and what moved between them', async ({ page, server }) => {
  await page.goto(`${server.url}/study/demo-weathervane/transpose`);
  const necks = page.getByRole('region', { name: 'Before and after' }).locator('svg[role=img]');
  await expect(necks).toHaveCount(2);
  const [a, b] = await Promise.all([necks.nth(0).boundingBox(), necks.nth(1).boundingBox()]);
  expect((b?.y ?? 0) + (b?.height ?? 0)).toBeLessThanOrEqual(800);
  expect([b?.x, b?.width]).toEqual([a?.x, a?.width]);
  await expect(page.locator('[data-links]')).toHaveAttribute('data-links', '4');
});

test('licks are chosen and exported with their studies; studies fold them', async ({ page, server }) => {
  await page.goto(`${server.url}/notebook`);
  await page.getByRole('button', { name: 'Show 1 lick of Weathervane, F♯ Dorian' }).click();
  await page.getByLabel('Choose the lick Latch').check();
  await part(page, 'export').click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Licks as MIDI' }).click()]);
  expect(file.suggestedFilename()).toBe('latch.mid');
  await page.getByRole('button', { name: 'Hide 1 lick of Weathervane, F♯ Dorian' }).click();
  await expect(page.getByLabel('Choose the lick Latch')).toBeHidden();
});

test('a bad number stays as it was typed, says its range and what holds, and can be put back', async ({ page, server }) => {
  await page.goto(server.url);
  await part(page, 'strings and tuning').click();
  const capo = page.getByLabel('Capo at fret');
  await capo.fill('99');
  await capo.blur();
  await expect(capo).toHaveValue('99');
  await expect(page.getByText('Capo at fret: a whole number from 0 to 12. It stays 0.')).toBeVisible();
  await expect(heading(page)).not.toContainText('capo');
  await page.getByRole('button', { name: 'Back to 0' }).click();
  await expect(capo).toHaveValue('0');
});
