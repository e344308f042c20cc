import type { Page } from '@playwright/test';
import type { Round, StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { ladder, QUIZ_KINDS, ruleOfKind, type Place, type Question, type QuizGround, type QuizKind, type QuizLevel } from '../../core';
import type { QuizPrefs } from '../../app/store/practice/quiz-prefs';
import { expect, kill, part, startServer, test, type Running } from './support';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });
const told = (page: Page) => page.locator('[data-told]');
const question = (page: Page) => page.locator('[data-question]');
const BODY: StudyBody = DEMO.studies[0]!.body;

/** The ground of a question as the page has it, so that the right answer can be known. */
function groundOf(): QuizGround {
  const { instrument, scale, layout, hand } = BODY;
  const { rungs, seams } = ladder(instrument, scale, layout, { hand });
  return { instrument, scale, layout, shapes: rungs, seams, from: 0, to: instrument.frets };
}
const GROUND = groundOf();

async function asked(page: Page, level: QuizLevel): Promise<Omit<Question, 'kind' | 'fact' | 'level'>> {
  const kind = (await question(page).getAttribute('data-question')) as QuizKind;
  const fact = (await question(page).getAttribute('data-fact')) ?? '';
  const q = ruleOfKind(kind).ask(GROUND, level, fact, () => 0.5);
  if (!q) throw new Error(`no question of ${fact}`);
  return q;
}

/** Goes to a place by the arrow keys and marks it. */
async function markByKeys(page: Page, to: Place): Promise<void> {
  const cursor = page.locator('[data-cursor]');
  if (!(await cursor.count())) await page.keyboard.press('ArrowRight');
  await expect(cursor).toBeVisible();
  const at = await cursor.getAttribute('data-cursor');
  const [string, fret] = (at ?? '').split(/\D+/).filter(Boolean).map(Number);
  for (let k = string; k! < to.string; k!++) await page.keyboard.press('ArrowDown');
  for (let k = string; k! > to.string; k!--) await page.keyboard.press('ArrowUp');
  for (let k = fret; k! < to.fret; k!++) await page.keyboard.press('ArrowRight');
  for (let k = fret; k! > to.fret; k!--) await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
}

/** Answers the open question rightly, by keys alone. */
async function answer(page: Page, level: QuizLevel = 1): Promise<void> {
  const q = await asked(page, level);
  if (q.answer.by === 'places')
    for (const p of q.answer.need === 'any' ? q.answer.places.slice(0, 1) : q.answer.places) await markByKeys(page, p);
  if (q.answer.by === 'names') {
    await page.keyboard.type(q.answer.names.join(' '));
    await page.keyboard.press('Enter');
  }
  if (q.answer.by === 'choice') {
    const { options, right } = q.answer;
    const text = options[right[0]!]!.text.replace(/#/g, '♯').replace(/b(?=\d)/g, '♭').replace(/(?<=[A-G])b/g, '♭'); // prettier-ignore
    const buttons = await page.getByRole('group', { name: 'Answers' }).getByRole('button').allInnerTexts();
    const at = buttons.findIndex((b) => b.slice(1).trim() === text);
    expect(at, `${text} among ${buttons.join(' | ')}`).toBeGreaterThanOrEqual(0);
    await page.keyboard.press(String(at + 1));
  }
}
async function open(page: Page, url: string, prefs: Partial<QuizPrefs> = {}): Promise<void> {
  if (!page.url().startsWith(url)) await page.goto(`${url}/study/demo-weathervane/quiz`);
  await page.evaluate((p) => localStorage.setItem('crow-ladder:quiz', JSON.stringify(p)), prefs);
  await page.goto(`${url}/study/demo-weathervane/quiz`);
  await expect(heading(page)).toContainText('Ask me');
}
const rounds = async (page: Page, url: string): Promise<Round[]> => ((await (await page.request.get(`${url}/api/rounds`)).json()) as Round[]).filter((r) => !r.id.startsWith('demo')); // prettier-ignore

// Which shape lies under a grip, and what is played, hang on chance: they have tests of their own below.
const BY_KEYS = QUIZ_KINDS.filter((k) => k !== 'under' && k !== 'play');
for (const some of [BY_KEYS.slice(0, 6), BY_KEYS.slice(6, 12), BY_KEYS.slice(12)])
  test(`answered by keys alone: ${some.join(', ')}`, async ({ page, server }) => {
    test.slow();
    for (const kind of some) {
      await open(page, server.url, { kinds: [kind] });
      await page.keyboard.press(' ');
      await expect(question(page)).toHaveAttribute('data-question', kind);
      await answer(page);
      await expect(told(page), kind).toHaveAttribute('data-told', 'right');
      await page.keyboard.press('Escape');
      await expect(page.locator('[data-result="1/1"]')).toBeVisible();
    }
    await expect.poll(async () => (await rounds(page, server.url)).map((r) => r.answers.map((a) => a.kind)[0]).sort()).toEqual([...some].sort()); // prettier-ignore
  });

test('a whole round: wrong ones are shown, counted, kept, and asked first in the next', async ({ page, server }) => {
  test.slow();
  await open(page, server.url, { kinds: ['name', 'degree', 'under'], level: 1 });
  await expect(page.locator('[data-quiz-map]')).not.toHaveAttribute('data-quiz-map', '0'); // the demo's
  await page.keyboard.press(' ');
  const wrong: string[] = [];
  for (let k = 0; k < 12; k++) {
    await expect(page.getByText(`Question ${k + 1} of 12`)).toBeVisible();
    const kind = await question(page).getAttribute('data-question');
    if (k < 2 || kind === 'under') {
      if (kind !== 'under') wrong.push((await question(page).getAttribute('data-fact')) ?? '');
      await page.keyboard.press('n');
      await expect(told(page)).toHaveAttribute('data-told', 'wrong');
      await expect(told(page)).toContainText('It is');
    } else {
      await answer(page);
      await expect(told(page)).toHaveAttribute('data-told', 'right');
    }
    await page.keyboard.press(' ');
  }
  await expect(page.locator('[data-result]')).toBeVisible();
  await expect.poll(async () => (await rounds(page, server.url)).length).toBe(1);
  const [kept] = await rounds(page, server.url);
  expect(kept!.answers).toHaveLength(12);
  expect(kept!.answers.every((a) => a.ms > 0 && a.ms < 60_000)).toBe(true);
  // The next round asks what was wrong: all of it is among its questions.
  await page.keyboard.press(' ');
  const facts: string[] = [];
  for (let k = 0; k < 12; k++) {
    await expect(page.getByText(`Question ${k + 1} of 12`)).toBeVisible();
    facts.push((await question(page).getAttribute('data-fact')) ?? '');
    await page.keyboard.press('n');
    await page.keyboard.press(' ');
  }
  expect(wrong.every((w) => facts.includes(w))).toBe(true);
  await page.reload();
  await expect(page.getByRole('cell', { name: 'shape under a grip' })).toBeVisible();
});

test('by the mouse: places on the neck, a wrong one crossed, the missed ones ringed', async ({ page, server }) => {
  await open(page, server.url, { kinds: ['roots'], level: 1 });
  await page.getByRole('button', { name: 'Start a round' }).click();
  const q = await asked(page, 1);
  const places = q.answer.by === 'places' ? q.answer.places : [];
  const board = page.locator('[data-board]');
  const box = await board.boundingBox();
  if (!box) throw new Error('no board');
  for (let k = 0; k < places.length; k++) await board.click({ position: { x: box.width * (0.2 + 0.1 * k), y: 6 } });
  await expect(told(page)).not.toHaveAttribute('data-told', '');
  expect(await page.locator('[data-marked$=" wrong"], [data-marked$=" missed"], [data-marked$=" right"]').count()).toBeGreaterThan(0);
});

test('by playing, the simulated player answers: a note, places, a spelling, a line', async ({ page, server }) => {
  test.slow();
  await page.context().addInitScript(() => localStorage.setItem('crow-ladder:listening', JSON.stringify({ source: 'simulated', manner: 'steady', asMidi: true }))); // prettier-ignore
  for (const kind of ['name', 'find', 'spell', 'play'] as const) {
    await open(page, server.url, { kinds: [kind] });
    await page.keyboard.press('e');
    await expect(part(page, 'listening')).toContainText('simulated player', { timeout: 30_000 });
    await page.keyboard.press(' ');
    await page.getByRole('button', { name: 'Let the simulated player answer' }).click();
    await expect(told(page), kind).toHaveAttribute('data-told', 'right', { timeout: 20_000 });
  }
});

test('the server killed: the round waits in the browser and is kept once', async ({ page, server }) => {
  test.slow();
  await open(page, server.url, { kinds: ['relative'] });
  await page.keyboard.press(' ');
  await answer(page);
  await kill(server, 'SIGKILL');
  await page.keyboard.press('Escape');
  await expect(page.getByText(/1 round waits in this browser/)).toBeVisible();
  const again: Running = await startServer(server.db, Number(new URL(server.url).port));
  await page.reload();
  await expect.poll(async () => (await rounds(page, again.url)).length).toBe(1);
  await page.reload();
  await expect(heading(page)).toContainText('Ask me');
  expect(await rounds(page, again.url)).toHaveLength(1);
  await kill(again, 'SIGTERM');
});

test('a page that is closed in the middle keeps what was answered', async ({ page, server }) => {
  await open(page, server.url, { kinds: ['relative'] });
  await page.keyboard.press(' ');
  await answer(page);
  await expect(told(page)).toHaveAttribute('data-told', 'right');
  await page.reload();
  await expect
    .poll(async () => (await rounds(page, server.url)).map((r) => [r.study, r.answers.length]))
    .toEqual([['demo-weathervane', 1]]);
});

test('nothing to ask is said; a damaged choice of the browser is no choice; a round a day stands in the plan', async ({ page, server }) => {
  await page.context().addInitScript(() => {
    if (localStorage.getItem('crow-ladder:quiz') === null)
      localStorage.setItem('crow-ladder:quiz', '{"kinds":["x"],"level":9,"frets":[9,2]}');
  });
  await page.goto(`${server.url}/study/demo-weathervane/quiz`);
  await expect(heading(page)).toContainText('everything at level 1 in F♯ Dorian on the whole neck');
  await page.goto(`${server.url}/study/demo-weathervane/plan`);
  await page.getByRole('checkbox', { name: 'A round of questions each day' }).check();
  await page.getByRole('button', { name: 'A round of questions', exact: true }).click();
  await expect(heading(page)).toContainText('Ask me');
});
