// Takes the pictures in docs/screenshots/ from the demo data, 1280x800.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
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
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
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
const SHOTS = [
  ['plan', '/study/demo-weathervane/plan', 'light'],
  ['log', '/log', 'light'],
  ['first-leaf', '/', 'light', (p) => p.keyboard.press('i')],
  [
    'stand',
    '/study/demo-weathervane/map',
    'light',
    async (p) => {
      await p.keyboard.press('z');
      await p.waitForTimeout(500);
    },
  ],
  ['connect', '/study/demo-weathervane/connect', 'light', (p) => p.locator('[data-note="5"]').click()],
  [
    'map-seam',
    '/study/demo-weathervane/map',
    'light',
    (p) =>
      p
        .getByRole('button', { name: /^Seam of box 2/ })
        .first()
        .click(),
  ],
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
  ['map-dark', '/study/demo-weathervane/map', 'dark'],
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
  // Last: they change the study.
  ['practise', '/study/demo-weathervane/practise?rung=2.4', 'light', running],
  [
    'kept-route',
    '/study/demo-weathervane/connect',
    'light',
    async (p) => {
      await way(p, 'Best route');
      await p.getByRole('button', { name: 'Keep this route' }).click();
      await p.waitForTimeout(900);
      await p.getByRole('link', { name: 'Map' }).click();
      await choose(p, 'layout', 'three notes');
      await p.waitForTimeout(900);
      await choose(p, 'tonic and scale', 'Bb lydian');
      await p.getByRole('link', { name: 'Connect' }).click();
      await p.getByRole('button', { name: /^Open box/ }).click();
      await p.waitForTimeout(900);
    },
  ],
  [
    'versions',
    '/versions/demo-weathervane',
    'light',
    async (p) => {
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
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
child.kill();
