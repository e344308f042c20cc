import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { drop, expect, FIRST_PORT, kill, newDb, part, saved, startServer, test, typeInto } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const notes = (page: Page) => page.getByRole('listbox', { name: 'Notes of the lick' }).getByRole('option');

async function openLicks(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/study/demo-weathervane/licks`);
  await expect(heading(page)).toContainText('Latch');
}

async function exported(page: Page, format: string): Promise<string> {
  await part(page, 'export the lick').click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: format, exact: true }).click()]);
  await page.keyboard.press('Escape');
  return file.path();
}

const TAB = ['E|--------------------|', 'B|--------------------|', 'G|------------3--4--6-|', 'D|-------4--6---------|', 'A|-4-7----------------|', 'E|--------------------|'].join('\n'); // prettier-ignore

test('a lick typed in as text, mended, copied over the neck, moved to the seven string, sent out and brought back', async ({
  page,
  server,
}) => {
  await openLicks(page, server.url);
  await part(page, 'type a tab').click();
  const field = page.getByRole('textbox', { name: /A line for every string/ });
  await field.fill('E|--2--|\nB|----|');
  await expect(page.getByText(/does not line up with the first/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Make a lick of it' })).toBeDisabled();
  await field.fill(TAB);
  await expect(page.getByText('7 notes from 1 row of tab.')).toBeVisible();
  await page.getByRole('button', { name: 'Make a lick of it' }).click();
  await expect(heading(page)).toContainText('From a tab');
  await expect(notes(page)).toHaveCount(7);

  await expect(
    page.getByText('Note 5, A♯, is not in the scale: probably string 3, fret 2.').or(page.getByText(/Note 5, A♯, is not in the scale/)),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Mend note 5/ }).click();
  await expect(page.getByText('Every note is in F♯ Dorian, on the neck and under the hand.')).toBeVisible();

  const copies = page.getByRole('table').getByRole('button', { name: 'Put it here' });
  await expect(copies.nth(3)).toBeVisible();
  const before = await notes(page).allTextContents();
  await copies.nth(2).click();
  await expect.poll(() => notes(page).allTextContents()).not.toEqual(before);
  await page.keyboard.press('Control+z');
  await expect.poll(() => notes(page).allTextContents()).toEqual(before);
  await saved(page);

  await page.getByRole('link', { name: 'Transpose' }).click();
  await typeInto(page, 'what is moved', 'from a tab');
  await page.getByRole('radio', { name: /Another tuning/ }).click();
  await part(page, 'new tuning').click();
  await page.getByPlaceholder('D A D G B E').fill('B E A D G B E');
  await page.keyboard.press('Enter');
  await expect(page.getByText('The same pitches on seven strings')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it as a new lick' }).click();
  await expect(heading(page)).toContainText('From a tab, F♯ Dorian');
  await expect(page.getByText('This lick lies on seven strings, B E A D G B E')).toBeVisible();
  await saved(page);

  const score = await exported(page, 'MusicXML');
  const wanted = await notes(page).allTextContents();
  // Into an empty notebook: another server on a fresh file, its demo deleted but for one study.
  const other = await startServer(newDb(), FIRST_PORT + 50);
  await page.goto(`${other.url}/study/demo-weathervane/licks`);
  await expect(heading(page)).toContainText('Latch');
  await page.getByRole('link', { name: 'Notebook' }).click();
  await page.getByLabel('Files to bring in').setInputFiles({ name: 'moved.musicxml', mimeType: 'text/xml', buffer: readFileSync(score) });
  await expect(page.getByRole('dialog')).toContainText('a lick, “From a tab, F♯ Dorian”');
  await expect(page.getByRole('dialog')).toContainText('On seven strings, B E A D G B E');
  await page.getByRole('button', { name: 'Bring in', exact: true }).click();
  await expect(heading(page)).toContainText('From a tab, F♯ Dorian');
  await expect.poll(() => notes(page).allTextContents()).toEqual(wanted);
  await kill(other, 'SIGTERM');
});

test('every format of a lick is a file that others read', async ({ page, server, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openLicks(page, server.url);
  expect(readFileSync(await exported(page, 'Tab text'), 'utf8')).toContain('Tuning E2 A2 D3 G3 B3 E4');
  expect(execFileSync('midicsv', [await exported(page, 'MIDI')], { encoding: 'utf8' })).toMatch(/Note_on_c, 3, 54[\s\S]*End_of_file/);
  expect(
    readFileSync(await exported(page, 'MusicXML, packed'))
      .subarray(0, 2)
      .toString(),
  ).toBe('PK');
  const pdf = await exported(page, 'PDF');
  expect(execFileSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' })).toMatch(/Latch[\s\S]*F♯ Dorian[\s\S]*h6/);
  const fonts = execFileSync('pdffonts', [pdf], { encoding: 'utf8' }).split('\n').slice(2).filter(Boolean);
  expect(fonts).toHaveLength(3);
  for (const font of fonts) expect(font).toMatch(/yes no +yes/);
  await part(page, 'export the lick').click();
  await page.getByRole('button', { name: 'Copy the text' }).click();
  await expect(page.getByText('Copied: paste it into a message.')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('Latch');
});

test('notes are entered on the neck and edited from the keyboard', async ({ page, server }) => {
  await openLicks(page, server.url);
  await page.getByRole('button', { name: 'New lick' }).click();
  await expect(page.getByText('Press a place on the neck')).toBeVisible();
  const board = await page.locator('[data-board]').boundingBox();
  if (!board) throw new Error('no board');
  await page.mouse.click(board.x + 300, board.y + 20);
  await expect(notes(page)).toHaveCount(1);
  await page.mouse.click(board.x + 420, board.y + 20);
  await expect(notes(page)).toHaveCount(2);
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('1');
  await page.keyboard.press('2');
  await expect(notes(page).nth(1)).toContainText('string 1, fret 12');
  await page.keyboard.press('h');
  await expect(notes(page).nth(1)).toContainText('hammered on');
  await page.keyboard.press('b');
  await expect(notes(page).nth(1)).toContainText('bent to');
  await page.keyboard.press('+');
  await expect(notes(page).nth(1)).toContainText('quarter');
  await page.keyboard.press('/');
  await expect(notes(page).nth(1)).toContainText('triplet quarter');
  await page.keyboard.press('m');
  await expect(notes(page).nth(1)).toContainText('palm muted');
  await page.keyboard.press('ArrowDown');
  await expect(notes(page).nth(1)).toContainText('string 2, fret 17');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Delete');
  await expect(notes(page)).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(notes(page)).toHaveCount(2);
  await page.getByRole('button', { name: 'Hear it' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(notes(page)).toHaveCount(2);
});

test('a degree is changed throughout, and the line goes along its scale', async ({ page, server }) => {
  await openLicks(page, server.url);
  await page.getByLabel('Every', { exact: true }).selectOption('b3');
  await page.getByLabel('becomes').selectOption('3');
  await expect(page.getByText('the scale with it is F♯ Mixolydian.')).toBeVisible();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await expect(page.getByText(/is not in the scale: probably string 4, fret 7/).first()).toBeVisible();
  await page.keyboard.press('Control+z');
  const before = await notes(page).first().textContent();
  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await expect(notes(page).first()).not.toHaveText(before ?? '');
  await expect(page.getByText('Every note is in F♯ Dorian')).toBeVisible();
});

test('files dropped on the window are shown first, and broken ones are refused', async ({ page, server }) => {
  await openLicks(page, server.url);
  await drop(page, 'evil.musicxml', '<!DOCTYPE x [<!ENTITY a "b">]><score-partwise/>');
  await expect(page.getByRole('dialog')).toContainText('nothing: line 1: this file declares entities');
  await expect(page.getByRole('button', { name: 'Bring in', exact: true })).toBeDisabled();
  await page.getByRole('button', { name: 'Close' }).click();
  await drop(page, 'line.txt', TAB);
  await expect(page.getByRole('dialog')).toContainText('a lick, “line”');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(heading(page)).toContainText('Latch');
  await drop(page, 'page.pdf', '%PDF-1.7 ');
  await expect(page.getByRole('dialog')).toContainText('nothing: this is a PDF: a tab in a picture cannot be read');
});

test('of a file with several lines another is a press away; notes beyond the neck go up, out, or onto a neck that fits', async ({
  page,
  server,
}) => {
  await openLicks(page, server.url);
  const tune =
    'X:1\nT:Two hands\nM:4/4\nL:1/4\nK:C\nV:1 name="Lead"\n[V:1] !trill!C D E F |[Q:1/4=70] G4 |]\nV:2 name="Bass"\n[V:2] C,, D,, | A,4 |]\n';
  await drop(page, 'two.abc', tune);
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('2 licks');
  await expect(dialog).toContainText('Left out, as a lick does not carry them: 1 × trill.');
  await expect(dialog).toContainText('Other lines, with their notes, not taken: Bass (3)');
  await dialog.getByLabel('in one piece at the first tempo and meter').check();
  await expect(dialog).toContainText('a lick, “Two hands”');
  await dialog.getByLabel('Line of the file').selectOption({ label: 'Bass: 3 notes, 2 beyond the neck' });
  await expect(dialog).toContainText('2 of its 3 notes lie beyond this neck (from C2 to D2)');
  await expect(dialog.getByRole('button', { name: 'Bring in', exact: true })).toBeDisabled();
  await dialog.getByLabel('Notes beyond the neck').selectOption({ label: 'only what fits, rests for the rest' });
  await expect(dialog).toContainText('2 notes beyond the neck left out');
  await dialog.getByLabel('Notes beyond the neck').selectOption({ label: 'all on a neck that fits' });
  await expect(dialog).toContainText('it can be brought over to the study’s neck');
  await dialog.getByRole('button', { name: 'Bring in', exact: true }).click();
  await expect(heading(page)).toContainText('Two hands');
  await expect(notes(page)).toHaveCount(3);
});

test('a tuning without a mapping asks how high it sounds before it comes in', async ({ page, server }) => {
  await openLicks(page, server.url);
  await drop(page, 'four.scl', '! t\nFour in fourths\n 3\n 500.\n 1000.\n 1500.\n');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('the file does not say how high it sounds');
  await expect(dialog.getByRole('button', { name: 'Bring in', exact: true })).toBeDisabled();
  await dialog.getByLabel('Its thickest string sounds').selectOption({ label: 'B0' });
  await expect(dialog).toContainText('an instrument, “Four in fourths”');
  await expect(dialog).toContainText('Scala has open strings only');
  await dialog.getByRole('button', { name: 'Bring in', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Instruments' })).toBeVisible();
  await expect(page.getByText('Four in fourths').first()).toBeVisible();
});

test('a study on another neck: its licks stay, and are brought over by sound or by shape', async ({ page, server }) => {
  await page.goto(`${server.url}/study/demo-weathervane/map`);
  await part(page, 'strings and tuning').click();
  await page.getByRole('combobox').fill('D A D G B E');
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'Licks' }).click();
  await expect(page.getByText('This lick lies on six strings, E A D G B E; the study is on six strings, D A D G B E.')).toBeVisible();
  const before = await notes(page).first().textContent();
  await page.getByRole('button', { name: 'Bring it over, keep the sound' }).click();
  await expect(page.getByText('This lick lies on')).toBeHidden();
  await expect(notes(page).first()).toHaveText(before ?? '');
  await saved(page);
});

test('a note pressed in the tab takes its fret, its length and undo from the keyboard; the hand’s school is at hand', async ({
  page,
  server,
}) => {
  await openLicks(page, server.url);
  const list = page.getByRole('listbox', { name: 'Notes of the lick' });
  const box = await list.locator('svg').boundingBox();
  if (!box) throw new Error('no tab');
  const first = notes(page).first();
  const before = await first.textContent();
  await list.focus();
  await page.keyboard.press('Home');
  await expect(first).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('1');
  await page.keyboard.press('4');
  await expect(first).toContainText('fret 14');
  await page.keyboard.press(']');
  await expect(first).toContainText('fret 15');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(first).toHaveText(before ?? '');
  const fingers = await notes(page).allTextContents();
  await part(page, 'fingering').click();
  await page.getByLabel('Fingering school').selectOption('no-little-finger');
  await page.keyboard.press('Escape');
  await expect.poll(() => notes(page).allTextContents()).not.toEqual(fingers);
});
