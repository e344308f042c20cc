// Takes the pictures in docs/screenshots/ from the demo data, 1280x800.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from './chromium.mjs';
import { ensureBuilt, ensureInstalled, ROOT } from './ensure.mjs';

await ensureInstalled({ tests: true });
await ensureBuilt();
const out = join(ROOT, 'docs', 'screenshots');
mkdirSync(out, { recursive: true });
const child = spawn(process.execPath, ['dist/server/main.js'], {
  cwd: ROOT,
  env: { ...process.env, CROW_LADDER_DB: join(mkdtempSync(join(tmpdir(), 'shots-')), 'n.sqlite'), CROW_LADDER_PORT: '4990', CI: '1' },
});
const url = await new Promise((done) =>
  child.stdout.on('data', (d) => /ready at (\S+)/.exec(String(d)) && done(/ready at (\S+)/.exec(String(d))[1])),
);
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu'],
});

/** [file, address, theme, what to do before the picture, size] */
const choose = async (page, part, typed) => {
  await page.locator(`[data-part="${part}"]`).click();
  await page.getByRole('combobox').fill(typed);
  await page.keyboard.press('Enter');
};
const way = async (page, name) => {
  await page.getByRole('radio', { name, exact: true }).click();
  await page.waitForTimeout(500);
};
const running = async (page) => {
  await page.keyboard.press(' ');
  await page.waitForFunction(() => Number(document.querySelector('[data-running]')?.dataset.running) >= 13, null, { timeout: 30_000 });
};
/** The simulated player, who listens and plays. */
const listening = async (page, manner) => {
  await page.evaluate((m) => localStorage.setItem('crow-ladder:listening', JSON.stringify({ source: 'simulated', manner: m })), manner);
  await page.reload();
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForTimeout(500);
};
const SHOTS = [
  ['plan', '/study/demo-weathervane/plan', 'light'],
  ['handout', '/study/demo-weathervane/handout', 'light'],
  ['log', '/log', 'light'],
  ['first-leaf', '/', 'light', (p) => p.keyboard.press('i')],
  ['connect', '/study/demo-weathervane/connect', 'light', (p) => p.locator('[data-note="5"]').click()],
  [
    'transpose',
    '/study/demo-weathervane/transpose',
    'light',
    async (p) => {
      await p.getByRole('radio', { name: /Another tuning/ }).click();
      await p.locator('[data-part="new tuning"]').click();
      await p.getByPlaceholder('D A D G B E').fill('D A D G A D');
      await p.keyboard.press('Enter');
    },
  ],
  [
    'licks',
    '/study/demo-weathervane/licks',
    'light',
    async (p) => {
      await p
        .getByRole('button', { name: /^Show the copy/ })
        .nth(2)
        .click();
      await p.evaluate(() => scrollTo(0, 0));
    },
    { width: 1280, height: 1100 },
  ],
  ['map-light', '/study/demo-weathervane/map', 'light'],
  ['map-phone', '/study/demo-weathervane/map', 'light', undefined, { width: 360, height: 740 }],
  ['harmony', '/study/demo-weathervane/harmony', 'light'],
  [
    'harmony-grips',
    '/study/demo-weathervane/harmony?page=grips&grip=2x222x',
    'light',
    async (p) => {
      await p.getByRole('button', { name: /^Hold 242222/ }).waitFor();
    },
    { width: 1280, height: 1000 },
  ],
  ['notebook', '/notebook', 'light'],
  ['instruments', '/instruments', 'light'],
  [
    'progression',
    '/study/demo-salt-ferry/progression',
    'light',
    async (p) => {
      await p
        .getByRole('heading', { name: /^Over / })
        .nth(1)
        .waitFor();
      await p.keyboard.press('ArrowRight');
      await p.waitForTimeout(400);
    },
  ],
  [
    'tuner',
    '/study/demo-weathervane/listen',
    'dark',
    async (p) => {
      await listening(p, 'steady');
      await p.getByRole('button', { name: 'Tune', exact: true }).click();
      await p.locator('[data-tuner="4"]').waitFor({ timeout: 60_000 });
      await p.waitForTimeout(700);
    },
  ],
  [
    'quiz',
    '/study/demo-weathervane/quiz',
    'light',
    async (p) => {
      await p.evaluate(() => localStorage.setItem('crow-ladder:quiz', JSON.stringify({ kinds: ['put'], level: 1 })));
      await p.reload();
      await p.getByRole('heading', { level: 1 }).waitFor();
      await p.waitForTimeout(500);
      await p.keyboard.press(' ');
      await p.locator('[data-question]').waitFor();
      const board = p.locator('[data-board]');
      const { width, height } = await board.boundingBox();
      for (const [x, y] of [
        [0.03, 0.9],
        [0.12, 0.75],
        [0.22, 0.75],
      ])
        await board.click({ position: { x: width * x, y: height * y } });
      await p.getByRole('button', { name: 'Done' }).click();
    },
  ],
  [
    'heard',
    '/study/demo-weathervane/practise',
    'light',
    async (p) => {
      await listening(p, 'learner');
      await p.keyboard.press('e');
      await p.locator('[data-heard]').waitFor();
      await p.keyboard.press(' ');
      await p.waitForFunction(() => Number(document.querySelector('[data-heard]')?.dataset.heard) >= 2, null, { timeout: 90_000 });
      await p.keyboard.press('Escape');
    },
    { width: 1280, height: 900 },
  ],
  // Last: they change the study.
  ['practise', '/study/demo-weathervane/practise?rung=2.4', 'light', running],
  [
    'versions',
    '/study/demo-weathervane/connect',
    'light',
    async (p) => {
      // Some changes to look back at.
      await way(p, 'Best route');
      await p.getByRole('button', { name: 'Keep this route' }).click();
      await p.waitForTimeout(900);
      await p.getByRole('link', { name: 'Map' }).click();
      await choose(p, 'layout', 'three notes');
      await p.waitForTimeout(900);
      await choose(p, 'tonic and scale', 'Bb lydian');
      await p.waitForTimeout(900);
      await p.goto(`${url}/versions/demo-weathervane`);
      await p.waitForTimeout(900);
      await p
        .getByRole('list', { name: /Versions/ })
        .getByRole('button')
        .nth(1)
        .click();
      await p.waitForTimeout(600);
    },
  ],
];
for (const [name, path, colorScheme, act, viewport = { width: 1280, height: 800 }] of SHOTS) {
  const page = await (await browser.newContext({ viewport, colorScheme })).newPage();
  // A player who was asked about the demo before; the first leaf is met as by a newcomer.
  await page.addInitScript(() =>
    localStorage.setItem('crow-ladder:prefs', localStorage.getItem('crow-ladder:prefs') ?? '{"asked":["demo-weathervane"]}'),
  );
  await page.goto(url + path);
  await page.waitForTimeout(900);
  await act?.(page);
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(out, `${name}.png`) });
  await page.context().close(); // or the next one would stand "live" with it
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
child.kill();
