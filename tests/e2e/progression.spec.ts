import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { readFormMidi, readFormXml } from '../../formats/form';
import { expect, part, saved, test, writes } from './support';

const SEVEN = '/study/demo-cold-forge/progression';
const TWELVE = '| Bb7 | Eb7 | Bb7 | % | Eb7 | % | Bb7 | % | F7 | Eb7 | Bb7 | F7 |';
const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const strip = (page: Page) => page.getByRole('group', { name: 'The form' });
const chords = (page: Page): Promise<(string | null)[]> => strip(page).getByRole('button').evaluateAll((all) => all.map((b) => b.getAttribute('aria-label'))); // prettier-ignore
const text = (page: Page) => page.getByLabel('Bars, as players write them');

async function written(page: Page, bars: string): Promise<void> {
  await page.getByRole('button', { name: 'Write your own' }).click();
  await expect(text(page)).toBeVisible();
  await text(page).fill(bars);
}

test('a twelve-bar in B♭: typed, scales chosen, in one place, played, moved to D♭ on the seven string, exported and read back', async ({
  page,
  server,
}) => {
  await page.goto(server.url + SEVEN);
  await expect(heading(page)).toContainText('Progression');
  await written(page, TWELVE);
  await expect(strip(page).getByRole('button')).toHaveCount(12);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByRole('button', { name: 'it seems to be B♭ Mixolydian' }).click();
  await expect.poll(() => chords(page)).toContain('bar 1: Bb7, B♭ Mixolydian');
  await expect.poll(async () => (await chords(page))[1]).toBe('bar 2: Eb7, B♭ Dorian');

  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Over E♭7 here' })).toBeVisible();
  await expect(page.getByText('Arrow: moves for B♭7: ♭3 up to 3')).toBeVisible();
  await page.getByRole('button', { name: 'Settle B♭ minor pentatonic' }).click();
  await expect.poll(async () => (await chords(page))[1]).toBe('bar 2: Eb7, B♭ minor pentatonic, settled');
  await expect.poll(async () => (await chords(page))[4]).toBe('bar 5: Eb7, B♭ Dorian'); // the rest adapts, and keeps its own
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await chords(page))[1]).toBe('bar 2: Eb7, B♭ Dorian');

  const counted = await writes(page, /Count [0-9]+|in [0-9]+ beats|on the next beat/);
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect
    .poll(counted, { timeout: 30_000 })
    .toEqual(expect.arrayContaining(['in 4 beats', 'in 3 beats', 'in 2 beats', 'on the next beat']));
  const counts = (await counted()).filter((text) => text.startsWith('Count'));
  expect(counts.length).toBeGreaterThanOrEqual(2); // a page that is held up for a beat may leave one out
  expect(['Count 1', 'Count 2', 'Count 3', 'Count 4']).toEqual(expect.arrayContaining(counts));
  await page.keyboard.press('b');
  await expect(page.getByRole('button', { name: 'Play over it' })).toBeVisible();

  await page.keyboard.press('k');
  await page.getByRole('group', { name: 'Key' }).getByRole('button', { name: 'D♭' }).click();
  await expect.poll(async () => (await chords(page)).slice(0, 2)).toEqual(['bar 1: Db7, D♭ Mixolydian', 'bar 2: Gb7, D♭ Dorian']);
  await saved(page);
  await page.reload();
  await expect.poll(async () => (await chords(page))[8]).toContain('bar 9: Ab7');

  await part(page, 'files').click();
  const get = async (name: string): Promise<string> => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name, exact: true }).click()]);
    return file.path();
  };
  const midi = readFormMidi(new Uint8Array(readFileSync(await get('MIDI with markers'))));
  expect(midi.text).toBe('| Db7 | Gb7 | Db7 | % |\n| Gb7 | % | Db7 | % |\n| Ab7 | Gb7 | Db7 | Ab7 |');
  const score = readFileSync(await get('MusicXML with chords'), 'utf8');
  expect(readFormXml(score)).toMatchObject({ text: midi.text, key: { tonic: 'Db', scale: 'mixolydian' } });
  const wav = readFileSync(await get('Sound (WAV)'));
  expect([wav.toString('latin1', 0, 4), wav.toString('latin1', 8, 12)]).toEqual(['RIFF', 'WAVE']);
  expect(wav.length).toBeGreaterThan(1_000_000);

  await page.getByLabel('Bring in a file').setInputFiles({ name: 'barn.musicxml', mimeType: 'text/xml', buffer: Buffer.from(score.replaceAll('<root-step>D', '<root-step>E')) }); // prettier-ignore
  await expect.poll(async () => (await chords(page))[0]).toContain('bar 1: Eb7');
  await saved(page);
});

test('what cannot be read is said in its place, mended with a press, and the rest plays', async ({ page, server }) => {
  await page.goto(server.url + SEVEN);
  await expect(heading(page)).toContainText('Progression');
  await written(page, 'cm7 | Fm7 Ab7x | | H | N.C. |');
  await expect(page.getByText('3 places to mend; the rest plays.')).toBeVisible();
  await expect(page.getByText('“x” says nothing of a chord')).toBeVisible();
  await expect(strip(page).getByRole('button')).toHaveCount(2);
  await page.getByRole('button', { name: 'Write Ab7', exact: true }).click();
  await expect(page.getByText('2 places to mend; the rest plays.')).toBeVisible();
  await expect(text(page)).toHaveValue('cm7 | Fm7 Ab7 | | H | N.C. |');
  await text(page).fill('');
  await expect(page.getByText('No chord to play over yet: write one.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Play over it' })).toBeDisabled();
  await text(page).fill('C | '.repeat(500));
  await expect(strip(page).getByRole('button')).toHaveCount(500);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('No chord to play over yet: write one.')).toBeVisible();
});

test('lines: a guide line on the neck, a study line as a lick, and drilled over the backing', async ({ page, server }) => {
  await page.goto(`${server.url}/study/demo-weathervane/progression`);
  await expect(strip(page).getByRole('button')).toHaveCount(10);
  await expect(page.getByRole('heading', { name: 'Over F♯m7 here' })).toBeVisible();
  await page.keyboard.press('g');
  await expect(page.locator('[data-ring=guide]')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByText(/^With a bar.*From F♯ into B7: F♯ \(5\)/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Make the study line a lick' }).click();
  await expect(page).toHaveURL(/\/licks/);
  await expect(heading(page)).toContainText('Weathervane, the tune: study line 1');
  await page.goBack();
  await expect(strip(page)).toBeVisible(); // until then keys are those of the view before
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Another' }).click();
  await page.getByRole('button', { name: 'Drill it over the backing' }).click();
  await expect(page).toHaveURL(/\/practise/);
  await expect(heading(page)).toContainText('study line 2 as it is written in eighths');
  await page.keyboard.press(' ');
  await expect.poll(() => page.locator('[data-running]').getAttribute('data-running'), { timeout: 20_000 }).toMatch(/^[3-9]|^\d\d/);
  await page.keyboard.press('Escape');
  await saved(page);
});

test('by keys: from Harmony, a starting point, one parent scale, climbing, another way, the hand, a loop', async ({ page, server }) => {
  await page.goto(`${server.url}/study/demo-weathervane/harmony`);
  await page.getByRole('radio', { name: 'Progression' }).click();
  await expect(page).toHaveURL(/\/progression/);
  await expect(strip(page)).toBeVisible();
  await page.keyboard.press('p');
  await page.keyboard.type('two five one, minor');
  await page.keyboard.press('Enter');
  await expect(heading(page)).toContainText('Two five one, minor');
  await expect.poll(async () => (await chords(page))[0]).toContain('bar 1: G#m7b5');
  await page.keyboard.press('y');
  await expect(heading(page)).toContainText('one parent scale');
  await page.keyboard.press('t');
  await expect(heading(page)).toContainText('climbing from');
  await page.keyboard.press('ArrowUp');
  await expect(heading(page)).toContainText('near fret 3');
  await page.keyboard.press('v');
  await expect(page.getByRole('button', { name: /^Way 2/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Go round').selectOption('own');
  await page.getByLabel('to bar').selectOption({ label: '2' });
  await expect(page.getByLabel('to bar')).toHaveValue('1');
  await page.getByLabel('Drums on').uncheck();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('to bar')).toHaveValue('1');
  await expect(page.getByLabel('Drums on')).not.toBeChecked();
});
