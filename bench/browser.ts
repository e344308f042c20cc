import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { CHROMIUM } from '../scripts/chromium.mjs';
import { ms, percentile, printTable } from './table';

const db = join(mkdtempSync(join(tmpdir(), 'crow-bench-')), 'notebook.sqlite');
const child = spawn(process.execPath, ['dist/server/main.js'], { env: { ...process.env, CROW_LADDER_DB: db, CROW_LADDER_PORT: '4980' } });
const url = await new Promise<string>((done) => {
  child.stdout.on('data', (d: Buffer) => {
    const found = /ready at (\S+)/.exec(d.toString());
    if (found) done(found[1]!);
  });
});
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu'],
});

/**
 * Work the page does for one key, in milliseconds: handler and React's render, then style, layout and paint of the
 * next frame. The wait for the screen's own beat between the two is left out.
 */
async function keyTimes(page: Page, keys: string[], rounds: number): Promise<number[]> {
  for (let k = 0; k < rounds; k++) {
    await page.keyboard.press(keys[k % keys.length]!);
    await page.waitForTimeout(30);
  }
  return page.evaluate(() => {
    const w = window as unknown as { times: number[] };
    return w.times.splice(0);
  });
}

/** One listener before the application's and one after it: what lies between them is its work for the key. */
const listen = (): void => {
  const w = window as unknown as { times: number[] };
  w.times = [];
  let start = 0;
  addEventListener('keydown', () => (start = performance.now()), true);
  addEventListener('keydown', () => {
    // React renders in a microtask of its own; the second of ours comes after it.
    queueMicrotask(() => queueMicrotask(() => afterPaint(performance.now() - start)));
  });
  const afterPaint = (handled: number): void => {
    requestAnimationFrame(() => {
      const frame = performance.now();
      const channel = new MessageChannel();
      channel.port1.onmessage = () => w.times.push(handled + performance.now() - frame);
      channel.port2.postMessage(0);
    });
  };
};

const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${url}/map`);
await page.waitForSelector('svg[role=img]');
await page.waitForLoadState('networkidle'); // what follows the first view is there: it is not what a key costs
await page.waitForTimeout(1000);
await page.evaluate(listen);
const rows = [];
for (const [name, keys] of [
  // At the end of the ladder a key does nothing: every one of these moves.
  ['rung, ← and →', ['ArrowLeft', 'ArrowLeft', 'ArrowRight', 'ArrowRight']],
  ['key, ] and [', [']', ']', '[']],
  ['labels, L', ['l']],
] as const) {
  const times = (await keyTimes(page, [...keys], 90)).slice(10);
  rows.push([name, times.length, ms(percentile(times, 0.5)), ms(percentile(times, 0.95))]);
}
printTable('Key press to painted neck, six strings, 22 frets, Chromium without GPU', ['key', 'samples', 'p50 ms', 'p95 ms'], rows);

const sheets: number[] = [];
await page.keyboard.press('p');
await page.getByLabel('What', { exact: true }).selectOption('keys');
for (let k = 0; k < 5; k++) {
  const start = Date.now();
  await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PDF', exact: true }).click()]);
  sheets.push(Date.now() - start);
}
printTable(
  'A sheet of twelve pages, 96 shapes, to PDF in the worker',
  ['runs', 'p50 ms', 'worst ms'],
  [[sheets.length, percentile(sheets, 0.5), Math.max(...sheets)]],
);

const starts: number[] = [];
for (let k = 0; k < 5; k++) {
  const fresh = await (await browser.newContext()).newPage();
  const start = Date.now();
  await fresh.goto(`${url}/map`);
  await fresh.waitForSelector('svg[role=img] text');
  starts.push(Date.now() - start);
}
printTable(
  'Cold start (empty browser cache) to the neck drawn and listening',
  ['runs', 'p50 ms', 'worst ms'],
  [[starts.length, percentile(starts, 0.5), Math.max(...starts)]],
);

/** 5,000 entries: a hundred studies of fifty licks. */
const { body } = (await (await fetch(`${url}/api/studies/demo-slow-tram`)).json()) as { body: { licks: object[] } };
const studies = Array.from({ length: 100 }, (_, k) => ({
  id: `s${k}`,
  body: {
    ...body,
    name: `Study ${k}`,
    instrumentId: null,
    lick: null,
    licks: Array.from({ length: 50 }, (_, n) => ({ ...body.licks[0], id: `l${n}`, name: `Lick ${k}-${n}` })),
  },
}));
const asked = performance.now();
await fetch(`${url}/api/notebook`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ kind: 'crow-ladder notebook', version: 1, instruments: [], studies }) }); // prettier-ignore
const taken = performance.now() - asked;
const listed = performance.now();
await page.goto(`${url}/notebook`);
await page.getByText('104 studies, 5004 licks').waitFor();
const shown = performance.now() - listed;
/** From another view, to the last count painted. */
await page.getByRole('link', { name: 'Instruments' }).click();
await page.getByRole('heading', { level: 1, name: 'Instruments' }).waitFor();
const again = await page.evaluate(
  () =>
    new Promise<number>((done) => {
      const from = performance.now();
      [...document.querySelectorAll('a')].find((a) => a.textContent.includes('Notebook'))?.click();
      const look = (): void => {
        if (!document.body.innerText.includes('5004 licks')) setTimeout(look, 5);
        else requestAnimationFrame(() => setTimeout(() => done(performance.now() - from)));
      };
      look();
    }),
);
await page.evaluate(listen);
await page.getByRole('searchbox').focus();
const typing = (await keyTimes(page, ['l', 'i', 'c', 'k', ' ', '4', '2', 'Backspace', 'Backspace', 'Backspace'], 60)).slice(5);
await page.getByRole('searchbox').fill('');
const frames = await page.getByRole('region', { name: 'Studies and licks' }).evaluate(
  (el) =>
    new Promise<number[]>((done) => {
      const times: number[] = [];
      let last = performance.now();
      const step = (): void => {
        const now = performance.now();
        times.push(now - last);
        last = now;
        el.scrollTop += 400;
        if (times.length < 90) requestAnimationFrame(step);
        else done(times.slice(5));
      };
      requestAnimationFrame(step);
    }),
);
printTable('A notebook of 5,108 entries', ['what', 'p50 ms', 'p95 ms'], [
  ['taking in 100 studies, 5,000 licks, every field checked', ms(taken), ''],
  ['opening the Notebook on it, cold, browser and all', ms(shown), ''],
  ['the same from another view', ms(again), ''],
  ['a key in the search, to painted rows', ms(percentile(typing, 0.5)), ms(percentile(typing, 0.95))],
  ['a frame while scrolling 400 px a frame', ms(percentile(frames, 0.5)), ms(percentile(frames, 0.95))],
]); // prettier-ignore

const assets = readdirSync('dist/app/assets').filter((f) => /\.(js|css)$/.test(f));
const gz = (f: string): number => gzipSync(readFileSync(join('dist/app/assets', f))).length / 1024;
printTable('Size, gzipped', ['file', 'kB'], assets.map((f) => [f.replace(/-[\w-]{8}\./, '.'), gz(f).toFixed(1)])); // prettier-ignore
await browser.close();
child.kill();
