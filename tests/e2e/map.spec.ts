import type { Page } from '@playwright/test';
import { expect, openMap, part, saved, test, typeInto } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const rungOf = (page: Page) => page.getByRole('radiogroup', { name: /Rungs/ }).getByRole('radio', { checked: true });
const row = (page: Page, name: RegExp) => page.getByRole('row', { name });

test('first opening shows the demo study with frets, steps and fingers string by string', async ({ page, server }) => {
  await openMap(page, server.url);
  await expect(heading(page)).toContainText('six strings, E A D G B E');
  await expect(heading(page)).toContainText('five boxes');
  await expect(page.getByRole('radio', { name: /^box/ })).toHaveCount(8);
  await expect(row(page, /string 6/)).toContainText('2 4 5');
  await expect(row(page, /string 6/)).toContainText('1-3-4');
  await expect(row(page, /string 2/)).toContainText('jog +1 fret');
});

test('the whole sentence changes by mouse', async ({ page, server }) => {
  await openMap(page, server.url);
  await part(page, 'tonic and scale').click();
  await page.getByRole('group', { name: 'Tonic' }).getByRole('button', { name: 'B♭' }).click();
  await page.getByRole('option', { name: /^B♭ Mixolydian 1 2 3 4 5 6/ }).click();
  await part(page, 'strings and tuning').click();
  await page
    .getByRole('option', { name: /drop D/ })
    .first()
    .click();
  await part(page, 'layout').click();
  await page.getByRole('option', { name: 'three notes a string usual' }).click();
  await part(page, 'root').click();
  await page.getByRole('option', { name: 'string 5, fret 13' }).click();
  await expect(heading(page)).toHaveText(/B♭ Mixolydian on .*six strings, D A D G B E, laid out as .*three notes a string/);
  await expect(rungOf(page)).toHaveAttribute('aria-label', /Mixolydian|Dorian|Ionian|Aeolian|Phrygian|Lydian|Locrian/);
});

test('the whole sentence, the ladder and the labels change by keyboard alone', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.keyboard.press('s');
  await page.keyboard.type('Bb mixo');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  await page.keyboard.press('t');
  await page.keyboard.type('D A D G B E');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('D A D G B E');
  await page.keyboard.press('y');
  await page.keyboard.type('one finger');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('one finger per fret, little finger reaches');
  await page.keyboard.press('r');
  await page.keyboard.type('5 13');
  await page.keyboard.press('Enter');
  const rung = rungOf(page);
  const before = await rung.getAttribute('aria-label');
  await page.keyboard.press('ArrowRight');
  await expect(rung).not.toHaveAttribute('aria-label', before ?? '');
  await page.keyboard.press('ArrowLeft');
  await expect(rung).toHaveAttribute('aria-label', before ?? '');
  await page.keyboard.press(']');
  await expect(heading(page)).toContainText('B Mixolydian');
  await page.keyboard.press('l');
  await expect(page.getByRole('radio', { name: 'Notes', checked: true })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('the rung to the right');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  await page.keyboard.press('Control+Shift+Z');
  await expect(heading(page)).toContainText('B Mixolydian');
});

test('keys that come before the chooser are its first ones; its Enter is not heard twice', async ({ page, server }) => {
  let letGo = (): void => undefined;
  const late = new Promise<void>((done) => (letGo = done));
  await page.route(/assets\/ChooserBox-.*\.js/, async (route) => {
    await late;
    await route.continue();
  });
  await openMap(page, server.url);
  await page.keyboard.press('s');
  await page.keyboard.type('Bb mixx');
  await page.keyboard.press('Backspace');
  await page.keyboard.type('o');
  letGo();
  const field = page.getByRole('combobox');
  await expect(field).toHaveValue('Bb mixo');
  await expect(field).toBeFocused();
  // A press of Enter is a keydown and then a click on what has the focus: after the keydown that is the part again.
  expect(
    await field.evaluate((f) => f.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }))),
  ).toBe(false);
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a part that is opened in the same moment as another closes keeps the focus', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.keyboard.press('t');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('s');
  await page.keyboard.type('Bb mixo');
  await expect(page.getByRole('combobox')).toHaveValue('Bb mixo');
  await page.evaluate(async () => {
    const press = (key: string) =>
      document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    press('Enter');
    await Promise.resolve(); // drawn, but nothing that waits for a moment has run
    press('t');
  });
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  await expect(page.getByRole('dialog')).toHaveAccessibleName('strings and tuning');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('D A D G B E');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('D A D G B E');
});

test('Enter too, before the chooser is there, takes its first match', async ({ page, server }) => {
  await page.route(/assets\/ChooserBox-.*\.js/, async (route) => {
    await new Promise((done) => setTimeout(done, 700));
    await route.continue();
  });
  await openMap(page, server.url);
  await page.keyboard.press('s');
  await page.keyboard.type('Bb mixo');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('B♭ Mixolydian');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a part closes by a second press; Escape gives the focus back, a press elsewhere takes it there', async ({ page, server }) => {
  await openMap(page, server.url);
  const part = (name: string) => page.locator(`[data-part="${name}"]`);
  const open = page.getByRole('dialog');
  await part('fingering').click();
  await expect(open).toHaveAccessibleName('fingering');
  await expect(part('fingering')).toHaveAttribute('aria-expanded', 'true');
  await part('fingering').click();
  await expect(open).toHaveCount(0);
  await expect(part('fingering')).toHaveAttribute('aria-expanded', 'false');
  await part('tempo').click();
  await expect(open.getByRole('slider')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(open).toHaveCount(0);
  await expect(part('tempo')).toBeFocused();
  await part('fingering').click();
  await expect(open).toHaveCount(1);
  await part('notes that stand out').click();
  await expect(open).toHaveAccessibleName('notes that stand out');
  await expect(part('fingering')).toHaveAttribute('aria-expanded', 'false');
});

test('the ladder is reached and walked with Tab and arrows', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.getByRole('radio', { name: /^box 1, frets 1 to 5/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: /^box 2, frets 4 to 7/ })).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await expect(heading(page)).toContainText(/root on string [1-5], /);
});

test('a scale without boxes says so and offers what fits', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'C whole tone');
  await expect(page.getByRole('alert')).toContainText('no five-box layout');
  await page.getByRole('button', { name: 'three notes a string' }).click();
  await expect(page.getByRole('alert')).toBeHidden();
  await expect(rungOf(page)).toBeVisible();
});

test('bad input is refused in place with its range, and changes nothing', async ({ page, server }) => {
  await openMap(page, server.url);
  await part(page, 'strings and tuning').click();
  await page.getByRole('combobox').fill('E A H');
  await expect(page.getByText('Those are no notes.')).toBeVisible();
  await page.getByRole('spinbutton', { name: 'Frets' }).fill('99');
  await expect(page.getByText('Frets: a whole number from 5 to 36.')).toBeVisible();
  await page.getByRole('spinbutton', { name: 'Frets' }).fill('24');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('img')).toHaveAttribute('aria-label', /24 frets/);
  await part(page, 'tonic and scale').click();
  await page.getByRole('combobox').fill('moonlit');
  await expect(page.getByText('No scale of that name.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(heading(page)).toContainText('F♯ Dorian');
});

test('twelve strings, a capo and a tuning without a name all lie on the neck', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'strings and tuning', 'C2 D2 E2 F2 G2 A2 B2 C3 D3 E3 F3 G3');
  await typeInto(page, 'layout', 'one finger');
  await expect(heading(page)).toContainText('twelve strings, C D E F G A B C D E F G');
  await expect(row(page, /string 12/)).toBeVisible();
  await part(page, 'strings and tuning').click();
  await page.getByLabel('Capo at fret').fill('3');
  await page.keyboard.press('Escape');
  await expect(heading(page)).toContainText('capo at 3');
  const numbers = () => page.getByRole('img', { name: /^Neck with/ }).locator('text[data-fret]').allTextContents(); // prettier-ignore
  expect((await numbers()).slice(0, 2)).toEqual(['3', '5']);
  await part(page, 'strings and tuning').click();
  await page.getByRole('radio', { name: 'frets from the capo' }).click();
  await page.keyboard.press('Escape');
  expect((await numbers()).slice(-2)).toEqual(['17', '19']);
  await saved(page);
});

test('hearing runs through the notes, and stops', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(page.locator('svg[role=img] circle')).toBeVisible();
  await page.keyboard.press(' ');
  await expect(page.getByRole('button', { name: 'Hear it' })).toBeVisible();
  await expect(page.locator('svg[role=img] circle')).toHaveCount(0);
});

test('a root is asked for by string, fret and finger, and what is no place is said', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'A major');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('A major (Ionian)');
  await typeInto(page, 'layout', 'one finger');
  await part(page, 'root').click();
  const field = page.getByRole('combobox');
  for (const [text, words] of [
    ['6 5.5', 'is no place'],
    ['abc', 'is no place'],
    ['6 6', 'not the root A'],
    ['6 5 7', 'There is no finger 7'],
  ]) {
    await field.fill(text!);
    await expect(page.getByText(words!)).toBeVisible();
  }
  await field.fill('6 5 finger 2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('string 6, fret 5 under the 2nd finger');
  await expect(page.getByRole('heading', { name: 'Position 4, root on string 6 under the 2nd finger' })).toBeVisible();
  const cells = page.getByRole('table').first().getByRole('row');
  for (const [string, frets] of [
    [6, '4 5 7'],
    [5, '4 5 7'],
    [4, '4 6 7'],
    [3, '4 6 7'],
    [2, '5 7'],
    [1, '4 5 7'],
  ] as const)
    await expect(cells.filter({ hasText: `string ${string},` })).toContainText(frets);
  await typeInto(page, 'layout', 'three notes');
  await typeInto(page, 'tonic and scale', 'B phrygian');
  await expect(page.getByRole('radiogroup', { name: /Rungs/ }).getByRole('radio', { checked: true })).toHaveAccessibleName(/B Phrygian/);
});

test('a grip that is pressed on the neck leads to the shape under it', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'C major');
  await typeInto(page, 'layout', 'boxes');
  const board = page.locator('[data-board]');
  const wires = await page.getByRole('img', { name: /^Neck with/ }).locator('line').evaluateAll((all) => all.map((l) => ['x1', 'x2', 'y1', 'y2'].map((a) => Number(l.getAttribute(a))))); // prettier-ignore
  const fretX = wires.filter(([a, b]) => a === b).map(([a]) => a).sort((a, b) => a! - b!); // prettier-ignore
  const stringY = wires.filter(([, , a, b]) => a === b).map(([, , a]) => a).sort((a, b) => a! - b!); // prettier-ignore
  const top = Math.min(...wires.filter(([a, b]) => a === b).map(([, , y]) => y!)); // prettier-ignore
  for (const [string, fret] of [
    [5, 5],
    [4, 7],
    [3, 7],
    [2, 6],
    [1, 5],
  ])
    // prettier-ignore
    await board.click({ position: { x: (fretX[fret! - 2]! + fretX[fret! - 1]!) / 2, y: stringY[string! - 1]! - top } });
  const grip = page.getByRole('region', { name: 'Grip' });
  await expect(grip).toContainText('x57765');
  await grip.getByRole('button', { name: /^box 1/ }).first().click(); // prettier-ignore
  await expect(page.getByRole('radiogroup', { name: /Rungs/ }).getByRole('radio', { checked: true })).toHaveAccessibleName(/box 1/);
  await grip.getByRole('button', { name: 'Lift the grip' }).click();
  await expect(grip).toHaveCount(0);
  await saved(page);
});

test('a grip that is typed leads to the shape under it', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'tonic and scale', 'C major');
  await page.keyboard.press('g');
  const field = page.getByRole('combobox');
  await field.fill('x5776');
  await expect(page.getByText('one sign for each of the 6 strings')).toBeVisible();
  await field.fill('x57765');
  await expect(page.getByRole('option').first()).toContainText('box 1');
  await expect(page.getByRole('option').filter({ hasText: 'three notes a string' }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('radiogroup', { name: /Rungs/ }).getByRole('radio', { checked: true })).toHaveAccessibleName(/box 1/);
  await saved(page);
});

test('the neck stands without what is below it, which comes when it can', async ({ page, server }) => {
  let asked = 0;
  await page.route('**/assets/MapBelow-*.js', (route) => (asked++ ? route.continue() : route.abort()));
  await openMap(page, server.url);
  await expect.poll(() => asked).toBeGreaterThan(0);
  await expect(page.getByRole('heading', { name: 'Box 1', exact: true })).toBeVisible({ timeout: 20_000 });
  expect(asked).toBeGreaterThan(1);
});
