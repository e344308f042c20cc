import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Download, Page } from '@playwright/test';
import { XMLValidator } from 'fast-xml-parser';
import { expect, openMap, part, saved, test, typeInto } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const poppler = (tool: string, ...args: string[]): string => execFileSync(tool, args, { encoding: 'utf8' });

const LAYOUTS: [typed: string, sentence: string, why: string][] = [
  ['five boxes', 'five boxes', 'Two skeleton notes'],
  ['3 notes', 'three notes a string', 'Three on every string'],
  ['one finger', 'one finger per fret', 'hand owns four frets'],
  ['formula', 'string 6 alone', 'along string 6'],
  ['pair of strings', 'strings 6 5, 4 4 notes', 'Only strings 6, 5'],
  ['every other', 'strings 6 4 2, 3 3 3 notes', 'after a skipped string'],
  ['diagonal', 'a diagonal from string 6, fret 2', 'Two counts take turns'],
  ['split', 'split runs', 'one string back'],
  ['region', 'a region, frets 0 to 7', 'from fret 0 to fret 7'],
  ['grown', 'grown from string 6, fret 2', 'turned out to be'],
];

for (const [typed, sentence, why] of LAYOUTS)
  test(`two actions lay it out: ${typed}`, async ({ page, server }) => {
    await openMap(page, server.url);
    await typeInto(page, 'layout', typed);
    await expect(heading(page)).toContainText(sentence);
    await expect(page.getByText(why)).toBeVisible();
    await expect(page.getByRole('radiogroup', { name: /Rungs/ }).getByRole('radio', { checked: true })).toBeVisible();
    await saved(page);
  });

test('a layout’s own controls change it, and refuse nonsense in place', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'layout', 'region');
  await part(page, 'layout').click();
  await page.getByLabel('To fret').fill('99');
  await expect(page.getByText('To fret: a whole number from 0 to 22.')).toBeVisible();
  await page.getByLabel('To fret').fill('12');
  await expect(heading(page)).toContainText('frets 0 to 12');
});

test('a grown shape builds up a string at a time', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'layout', 'grown');
  const plates = page.locator('svg[role=img] g[transform] > text');
  const all = await plates.count();
  await page.keyboard.press('b');
  expect(await plates.count()).toBeLessThan(all);
  await expect(page.getByRole('button', { name: /1 of 6/ })).toBeVisible();
  for (let k = 0; k < 5; k++) await page.keyboard.press('b');
  await expect(plates).toHaveCount(all);
});

test('the scale is bent by mouse and by key, and the name follows', async ({ page, server }) => {
  await openMap(page, server.url);
  const slots = page.getByRole('group', { name: 'Degrees of the scale, twelve slots' });
  await slots.getByRole('button', { name: '♭3, A' }).focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(heading(page)).toContainText('F♯ Mixolydian');
  await slots.getByRole('button', { name: '4, B', exact: true }).click();
  await expect(page.getByText('no name of its own')).toBeVisible();
  await page.getByLabel('Name of your scale').fill('Weathervane six');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Weathervane six, your own')).toBeVisible();
  const box = await slots.getByRole('button', { name: '6, D♯', exact: true }).boundingBox();
  if (!box) throw new Error('no slot');
  await page.mouse.move(box.x + 16, box.y + 16);
  await page.mouse.down();
  await page.mouse.move(box.x + 16 - 33, box.y + 16, { steps: 4 });
  await page.mouse.up();
  await expect(slots.getByRole('button', { name: '♭6, D', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await part(page, 'tonic and scale').click();
  await page.getByRole('combobox').fill('weather');
  await page.keyboard.press('Enter');
  await expect(slots.getByRole('button', { name: '6, D♯', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await saved(page);
  // It is the notebook's: another study has it too, on any tonic; it can be renamed, deleted and brought back.
  await page.goto(`${server.url}/notebook`);
  await page.getByRole('button', { name: /^Cold Forge/ }).first().click(); // prettier-ignore
  await expect(heading(page)).toContainText('Phrygian dominant');
  await part(page, 'tonic and scale').click();
  await page.getByRole('combobox').fill('G weather');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('G Weathervane six');
  await page.getByLabel('Name of your scale').fill('vane');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('G vane');
  await page.getByRole('button', { name: 'Delete from the notebook' }).click();
  await expect(heading(page)).not.toContainText('vane');
  await page.getByRole('button', { name: 'Bring back “vane”' }).click();
  await expect(heading(page)).toContainText('G vane');
  await saved(page);
});

test('modes both ways, and a mode laid over the other', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.getByRole('tab', { name: 'Relative modes' }).click();
  await page.getByRole('button', { name: '4. A Lydian' }).click();
  await expect(heading(page)).toContainText('A Lydian');
  await page.getByRole('tab', { name: 'Parallel modes' }).click();
  await expect(page.getByRole('row', { name: /A Ionian/ })).toContainText('♯4 → 4');
  await page.getByRole('button', { name: 'Lay ionian over it' }).click();
  await expect(page.getByText('A Ionian over it keeps')).toBeVisible();
  await page.getByRole('button', { name: 'A Mixolydian', exact: true }).click();
  await expect(heading(page)).toContainText('A Mixolydian');
});

test('chord tones, roots only, and an unknown chord', async ({ page, server }) => {
  await openMap(page, server.url);
  await part(page, 'chord').click();
  await page.getByRole('combobox').fill('moon');
  await expect(page.getByText('is no note')).toBeVisible();
  await page.getByRole('combobox').fill('b7');
  await page.keyboard.press('Enter');
  await expect(part(page, 'chord')).toContainText('B7');
  const plates = page.locator('svg[role=img] g[transform] > text');
  await part(page, 'notes that stand out').click();
  await page.getByRole('button', { name: 'roots only' }).click();
  await page.keyboard.press('Escape');
  await expect(plates).toHaveCount(3);
  await saved(page);
});

async function made(page: Page, format: string, change: () => Promise<unknown>): Promise<string> {
  await part(page, 'print or export').click();
  await change();
  const [download]: [Download, unknown] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: format, exact: true }).click(),
  ]);
  await page.keyboard.press('Escape');
  return download.path();
}

test('a sheet as PDF, read back by poppler: text, pages, size, fonts', async ({ page, server }) => {
  await openMap(page, server.url);
  const what = page.getByLabel('What', { exact: true });
  const file = await made(page, 'PDF', () => what.selectOption('keys'));
  expect(poppler('pdfinfo', file)).toMatch(/Pages:\s+12\n[\s\S]*Page size:\s+595\.276 x 841\.89 pts \(A4\)/);
  expect(poppler('pdftotext', '-layout', file, '-')).toMatch(/F♯ Dorian[\s\S]*box 1[\s\S]*1-3-4/);
  const fonts = poppler('pdffonts', file).split('\n').slice(2).filter(Boolean); // prettier-ignore
  expect(fonts).toHaveLength(3);
  for (const font of fonts) expect(font).toMatch(/yes no +yes/);
  const letter = await made(page, 'PDF', async () => {
    await what.selectOption('shape');
    await page.getByLabel('Paper').selectOption('letter');
    await page.getByLabel('Turned').selectOption('landscape');
  });
  expect(poppler('pdfinfo', letter)).toMatch(/Pages:\s+1\n[\s\S]*792 x 612 pts \(letter\)/);
});

test('a large sheet says how far it is and can be cancelled', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'strings and tuning', 'E2 A2 D3 G3 C4 F4 Bb4 Eb5');
  await typeInto(page, 'layout', 'one finger');
  await part(page, 'print or export').click();
  await page.getByLabel('What', { exact: true }).selectOption('keys');
  await page.getByRole('checkbox', { name: /Copies twelve frets away/ }).check();
  await page.getByRole('button', { name: 'PDF', exact: true }).click();
  await expect(page.getByText(/[1-9]\d* pages? done/)).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText(/pages? done/)).toBeHidden();
  await expect(page.getByRole('button', { name: 'PDF', exact: true })).toBeEnabled();
});

test('a sheet as SVG and PNG, printed, and as text', async ({ page, server, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openMap(page, server.url);
  const what = page.getByLabel('What', { exact: true });
  const svg = await made(page, 'SVG', () => what.selectOption('shape'));
  expect(XMLValidator.validate(readFileSync(svg, 'utf8'))).toBe(true);
  const png = await made(page, 'PNG', () => what.selectOption('shape'));
  const bytes = readFileSync(png);
  expect(bytes.toString('latin1', 1, 4)).toBe('PNG');
  expect([bytes.readUInt32BE(16), bytes.readUInt32BE(20)]).toEqual([1786, 2526]); // A4 at 216 dots an inch
  await page.evaluate(() => (window.print = () => (document.title = `${document.querySelectorAll('.print-sheet svg').length} printed`)));
  await part(page, 'print or export').click();
  await page.getByRole('button', { name: 'Print', exact: true }).click();
  await expect(page).toHaveTitle('1 printed');
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.print-sheet svg').first()).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('button', { name: 'Copy as text' }).click();
  await expect(page.getByText('Copied: paste it into a message.')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('box 1, frets 1 to 5');
});

test('a hand is measured, shows what it changes, and is kept for the next study', async ({ page, server }) => {
  await openMap(page, server.url);
  await typeInto(page, 'layout', 'three notes');
  const open = () => page.getByRole('button', { name: /^fingering/ }).click();
  await open();
  await page.getByLabel('Fingering school').selectOption('stretch');
  await page.getByText('Measure my hand').click();
  await expect(page.getByText('126 mm at most')).toBeVisible();
  const low = page.getByRole('group', { name: /^Index at fret 1:/ });
  await low.getByLabel('frets at most').fill('2.5');
  await expect(low.getByLabel('frets at ease')).toHaveValue('2.5');
  await low.getByLabel('frets at most').fill('22');
  await expect(low.getByText(/from 1 to 9/)).toBeVisible();
  await low.getByLabel('frets at most').fill('2.5');
  await expect(page.getByText(/notes of this study’s shapes get another finger|No finger of/)).toBeVisible();
  await page.getByRole('button', { name: 'This is my hand' }).click();
  await expect(page.getByLabel('Hand', { exact: true })).toHaveValue('mine');
  await page.keyboard.press('Escape');
  await saved(page);
  await page.goto(`${server.url}/notebook`);
  await page.getByRole('button', { name: /New study/ }).click();
  await page.getByLabel(/^Name/).fill('Brazier');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('A minor pentatonic');
  await open();
  await expect(page.getByLabel('Hand', { exact: true })).toHaveValue('mine');
});
