import type { Page } from '@playwright/test';
import { expect, openMap, part, saved, test, typeInto } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const tab = (page: Page) => page.getByRole('listbox', { name: 'Notes of the route' });
const ways = (page: Page) => page.getByRole('radiogroup', { name: 'Ways there' }).getByRole('radio');

async function openConnect(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/study/demo-weathervane/connect`);
  await expect(heading(page)).toContainText('box 1');
  await expect(ways(page).first()).toBeVisible();
}

const WAYS: [chip: string, sentence: string, title: RegExp][] = [
  ['Seam', 'changing hands on a seam', /seams, strings/],
  ['One string', 'going along one string', /Along string/],
  ['String pair', 'stepping up a pair of strings', /Strings 2 and 1/],
  ['Diagonal', 'climbing a diagonal', /up the diagonal/],
  ['Split', 'splitting the rungs', /Back a string/],
  ['Leap', 'leaping to the other region', /Leap from/],
  ['Merge', 'merging rungs on skipped strings', /Strings \d/],
  ['Best route', 'the best route', /Hand at/],
];

for (const [chip, sentence, title] of WAYS)
  test(`a way there: ${chip}`, async ({ page, server }) => {
    await openConnect(page, server.url);
    await page.getByRole('radio', { name: chip, exact: true }).click();
    await expect(heading(page)).toContainText(sentence);
    await expect(ways(page).first()).toHaveText(title);
    await expect(tab(page).getByRole('option').first()).toHaveText(/note 1, /);
    await expect(page.getByRole('list', { name: 'Places of the hand' }).getByRole('listitem').first()).toBeVisible();
  });

test('a route is asked for by typing: place, hand, pitch, given notes, and what is no note', async ({ page, server }) => {
  await openConnect(page, server.url);
  await page.keyboard.press('t');
  await page.getByRole('combobox').fill('hand 9');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('the hand at fret 9');
  await expect(heading(page)).toContainText('the best route');
  await page.keyboard.press('f');
  await page.getByRole('combobox').fill('5 3');
  await expect(page.getByText('No note of the scale lies there.')).toBeVisible();
  await page.getByRole('combobox').fill('5 4');
  await page.keyboard.press('Enter');
  await expect(tab(page).getByRole('option').first()).toContainText('string 5, fret 4');
  await part(page, 'way').click();
  await page.getByRole('radio', { name: 'given pitches' }).click();
  const pitches = page.getByLabel('Pitches in the order they sound');
  await pitches.fill('F#3 A3 zz');
  await expect(page.getByText('“zz” is no pitch')).toBeVisible();
  await pitches.fill('F#3 A3 B3 C#7');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('alert')).toContainText('Note 4, C♯7, needs fret 33 on string 1; the neck has 22.');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('alert')).toBeHidden();
  await saved(page);
});

test('weights change the route, a note is dragged, undo, keep, reload', async ({ page, server }) => {
  await openConnect(page, server.url);
  await page.getByRole('radio', { name: 'Best route', exact: true }).click();
  await expect(tab(page).getByRole('option').nth(2)).toContainText('open string'); // the best route: the one along seams has none
  const usual = await tab(page).getByRole('option').allTextContents();
  await part(page, 'what counts').click();
  await page.getByLabel('Tone', { exact: true }).fill('-1');
  await page.keyboard.press('Escape');
  await expect(part(page, 'what counts')).toContainText('1 changed');
  await expect.poll(() => tab(page).getByRole('option').allTextContents()).not.toEqual(usual);
  await page.keyboard.press('Control+z');
  await expect.poll(() => tab(page).getByRole('option').allTextContents()).toEqual(usual);

  const words = usual[6]!;
  const from = await page.locator('[data-note="6"]').boundingBox();
  if (!from) throw new Error('no note');
  const [, string, fret] = /string (\d), fret (\d+)/.exec(words)?.map(Number) ?? [];
  await page.mouse.move(from.x + 16, from.y + 15);
  await page.mouse.down();
  const neck = await page.locator('svg:has([data-handles])').boundingBox();
  if (!neck) throw new Error('no neck');
  // The same pitch on the next thicker string lies five frets up, four from string 2.
  const to = { s: string! + 1, f: fret! + (string === 2 ? 4 : 5) };
  const x = await fretX(page, to.f);
  await page.mouse.move(neck.x + x, from.y + 15 + 36, { steps: 6 });
  await page.mouse.up();
  await expect(tab(page).getByRole('option').nth(6)).toContainText(`string ${to.s}, fret ${to.f}`);
  await page.getByRole('button', { name: 'Keep this route' }).click();
  await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeDisabled();
  const kept = await tab(page).getByRole('option').allTextContents();
  await saved(page);
  await page.reload();
  await expect.poll(() => tab(page).getByRole('option').allTextContents()).toEqual(kept);
  await page.getByRole('radio', { name: 'Split', exact: true }).click();
  await expect(heading(page)).toContainText('splitting');
  await page.getByRole('button', { name: /^Open box 1 to box 3/ }).click();
  await expect.poll(() => tab(page).getByRole('option').allTextContents()).toEqual(kept);
  await page.getByRole('button', { name: /^Drop box 1/ }).click();
  await expect(page.getByText('Kept with this study')).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Kept with this study')).toBeVisible();
});

/** x of a fret in the drawn neck, from a note of the line that lies on it, or between its neighbours' studs. */
async function fretX(page: Page, fret: number): Promise<number> {
  return page.evaluate((f) => {
    const svg = document.querySelector('[data-handles]')?.closest('svg');
    const width = Number(svg?.getAttribute('width'));
    const [left, right, frets] = [58, width - 8, 22];
    const along = (n: number): number => 0.45 * ((1 - 2 ** (-n / 12)) / (1 - 2 ** (-frets / 12))) + (0.55 * n) / frets;
    return left + ((right - left) * (along(f - 1) + along(f))) / 2;
  }, fret);
}

test('from the keyboard alone: walk the notes, other places, other fingers, turn round, the list of keys', async ({ page, server }) => {
  await openConnect(page, server.url);
  await page.keyboard.press('4');
  await expect(ways(page).nth(3)).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('1');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: /Note 2/ })).toBeVisible();
  const finger = page.getByRole('group', { name: 'Finger of this note' }).getByRole('button', { name: /more effort/ }).first(); // prettier-ignore
  await finger.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Settled here')).toBeVisible();
  await page.getByRole('button', { name: 'Turn round' }).focus();
  await page.keyboard.press('v');
  await expect(heading(page)).toContainText('From box 3');
  await page.keyboard.press(']');
  await expect(heading(page)).toContainText('to box 2');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('turn round');
});

test('fingers that no hand can do are refused with a way out', async ({ page, server }) => {
  await openConnect(page, server.url);
  await page.getByRole('radio', { name: 'String pair', exact: true }).click();
  await tab(page).focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowRight');
  const places = page.getByRole('group', { name: 'Place of this note' }).getByRole('button');
  await places.first().click();
  await expect(page.getByText('Settled here').or(page.getByRole('button', { name: 'Free all settled notes' }))).toBeVisible();
});

test('a long search shows how far it is and can be cancelled', async ({ page, server }) => {
  await page.addInitScript(() => {
    // A slow machine: what is asked of a worker reaches it late while this is set.
    const Quick = Worker;
    window.Worker = class extends Quick {
      postMessage(message: unknown): void {
        setTimeout(() => super.postMessage(message), (window as { late?: number }).late ?? 0);
      }
    };
  });
  await openConnect(page, server.url);
  await page.goto(`${server.url}/study/demo-weathervane/map`);
  await part(page, 'strings and tuning').click();
  await page.getByRole('combobox').fill('E2 F2 G2 A2 B2 C3 D3 E3 F3 G3 A3 B3');
  await page.keyboard.press('Enter');
  await typeInto(page, 'layout', 'one finger');
  await saved(page);
  await page.goto(`${server.url}/study/demo-weathervane/connect`);
  await expect(heading(page)).toContainText('position');
  await part(page, 'way').click();
  await page.getByRole('combobox').fill('best');
  await page.keyboard.press('Enter');
  await part(page, 'way').click();
  await page.getByRole('radio', { name: 'given pitches' }).click();
  await page.evaluate(() => Object.assign(window, { late: 20_000 }));
  await page.getByLabel('Pitches in the order they sound').fill('F#3 A3 B3 C#4 '.repeat(100));
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('The search was cancelled')).toBeVisible();
  await page.evaluate(() => Object.assign(window, { late: 0 }));
  await page.getByRole('button', { name: 'Search again' }).click();
  await expect(tab(page).getByRole('option')).toHaveCount(400, { timeout: 40_000 });
});

test('the staff is engraved beside the tab, and the line is heard', async ({ page, server }) => {
  await openConnect(page, server.url);
  await page.getByRole('button', { name: 'Staff' }).click();
  await expect(page.getByRole('img', { name: /on a staff/ }).locator('svg')).toBeVisible();
  await page.getByRole('button', { name: 'Hear it' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(page.locator('rect[stroke="var(--color-brass)"]')).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Hear it' })).toBeVisible();
});

test('the Map’s ladder shows seams, both hands of one, and leads on to Connect', async ({ page, server }) => {
  await openMap(page, server.url);
  const seam = page.getByRole('group', { name: 'Seams between the rungs' }).getByRole('button', { name: /^Seam of box 2/ }).first(); // prettier-ignore
  await seam.click();
  await expect(seam).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('heading', { name: 'The seam of box 2 and box 3' })).toBeVisible();
  await page.getByRole('button', { name: 'Connect these two' }).click();
  await expect(heading(page)).toContainText('From box 2');
});

test('a finger can be asked why, settled, and freed; the settled one stays with the study', async ({ page, server }) => {
  await openMap(page, server.url);
  const ring = page.getByRole('button', { name: 'finger 3 on string 6, fret 4: why, or another' }).first();
  await ring.click();
  await expect(page.getByText('Going up')).toBeVisible();
  await page.getByRole('button', { name: 'middle finger' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'finger 2 on string 6, fret 4: why, or another' }).first()).toBeVisible();
  await saved(page);
  await page.reload();
  const middle = page.getByRole('button', { name: 'finger 2 on string 6, fret 4: why, or another' }).first();
  await middle.click();
  await page.getByRole('button', { name: 'Free again' }).click();
  await page.keyboard.press('Escape');
  await expect(ring).toBeVisible();
});

test('until other ways are found those in sight keep their names', async ({ page, server }) => {
  await page.addInitScript(() => {
    let orders = 0;
    globalThis.Worker = class extends Worker {
      override postMessage(message: unknown): void {
        setTimeout(() => super.postMessage(message), orders++ ? 2000 : 0); // the first search at once, the next after a while
      }
    };
  });
  await openConnect(page, server.url);
  await expect(ways(page).first()).toHaveText(/Two seams/);
  await page.getByRole('radio', { name: 'Best route', exact: true }).click();
  await expect(heading(page)).toContainText('the best route');
  await expect(ways(page).first()).toHaveText(/Two seams/);
  await expect(ways(page).first()).toHaveText(/Hand at/);
});

test('a route becomes a lick in one press, and a lick a route', async ({ page, server }) => {
  await openConnect(page, server.url);
  await page.getByRole('radio', { name: 'Best route', exact: true }).click();
  await expect(ways(page).first()).toHaveText(/Hand at/); // until they are found, those of the way before stand there under their own names
  const places = (texts: string[]): string[] => texts.map((t) => /string \d, fret \d+/.exec(t)?.[0] ?? '');
  const line = places(await tab(page).getByRole('option').allTextContents());
  await page.getByRole('button', { name: 'Make a lick of it' }).click();
  await expect(heading(page)).toContainText('box 1 to box 3, best route');
  const notes = page.getByRole('listbox', { name: 'Notes of the lick' }).getByRole('option');
  await expect.poll(async () => places(await notes.allTextContents())).toEqual(line);
  await page.getByRole('button', { name: 'Keep as a route' }).click();
  await expect(heading(page)).toContainText('as it was kept');
  expect(places(await tab(page).getByRole('option').allTextContents())).toEqual(line);
  await saved(page);
});
