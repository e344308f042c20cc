import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import wavefile from 'wavefile';
import config from '../../playwright.config';
import { STEADY } from '../../app/sound/listen/manners';
import { soundOf } from '../../app/sound/listen/simulated';
import type { StudyBody } from '../../contract';
import { struckNotes, midiOf } from '../../core';
import { CHROMIUM } from '../../scripts/chromium.mjs';
import { expect, openMap, part, saved, test } from './support';

const RATE = 48_000;
/** F♯ Dorian up an octave, a note every 300 ms, then silence; Chromium plays the file round and round as its microphone. */
const NOTES = [54, 56, 57, 59, 61, 63, 64, 66];
const file = join(mkdtempSync(join(tmpdir(), 'crow-mic-')), 'mic.wav');
const meant = NOTES.map((midi, k) => ({ midi, string: 4 - Math.floor(k / 3), atMs: 200 + k * 300, lengthMs: 290 }));
const wave = new wavefile.WaveFile();
const samples = soundOf(meant, RATE, { ...STEADY, noise: 0.0005 }, 1200);
wave.fromScratch(
  1,
  RATE,
  '16',
  Int16Array.from(samples, (v) => Math.round(v * 32767)),
);
writeFileSync(file, wave.toBuffer());

test.use({
  launchOptions: {
    ...config.use?.launchOptions,
    executablePath: CHROMIUM, // the bare one has no microphone
    args: [...(config.use?.launchOptions?.args ?? []), '--use-fake-device-for-media-stream', `--use-file-for-fake-audio-capture=${file}`],
  },
});

test('a rendered file as microphone: the Map shows what sounds, and keeps the last bars as a lick', async ({ page, server }) => {
  test.slow();
  await page.context().grantPermissions(['microphone']);
  await openMap(page, server.url);
  await page.keyboard.press('e');
  await expect(part(page, 'listening')).toContainText('microphone', { timeout: 30_000 });
  const free = page.locator('[data-free]');
  await expect(free).toHaveAttribute('data-free', '66', { timeout: 30_000 });
  await expect(free).toContainText('degree 1 of the scale');
  // Every place of the note on the neck: F♯4 on strings 1 to 5 within 22 frets.
  await expect(page.locator('[data-sounding]')).toHaveCount(5);
  await expect(free).toHaveAttribute('data-free', '59');
  await expect(free).toHaveAttribute('data-free', '66', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Keep the last eight bars' }).click();
  await expect(page.getByText(/Kept as “Played 1”/)).toBeVisible();
  await saved(page);
  const { body } = (await (await page.request.get(`${server.url}/api/studies/demo-weathervane`)).json()) as { body: StudyBody };
  const lick = body.licks.find((l) => l.name === 'Played 1');
  const pitches = struckNotes(lick?.notes ?? []).map((n) => midiOf(body.instrument.strings[n.place.string - 1]!.open) + n.place.fret);
  expect(pitches.join(' ')).toContain(NOTES.join(' '));
  // Nothing is listened to where nothing shows it.
  await page.goto(`${server.url}/notebook`);
  await openMap(page, server.url);
  await expect(part(page, 'listening')).toContainText('off');
});

test('not allowed: said in words, and everything else works', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.keyboard.press('e');
  await expect(page.getByRole('alert')).toContainText('was not allowed to listen', { timeout: 20_000 });
  await page.keyboard.press(']');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('G');
});

test('the device goes in the middle: said in words, and it can be begun again', async ({ page, server }) => {
  await page.context().grantPermissions(['microphone']);
  await page.addInitScript(() => {
    const ask = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
    navigator.mediaDevices.getUserMedia = async (c) => {
      const stream = await ask(c);
      Object.assign(globalThis, { pullOut: () => stream.getTracks().forEach((t) => t.dispatchEvent(new Event('ended'))) });
      return stream;
    };
  });
  await openMap(page, server.url);
  await page.keyboard.press('e');
  await expect(page.locator('[data-free]')).toBeVisible({ timeout: 30_000 });
  await page.evaluate(() => (globalThis as unknown as { pullOut: () => void }).pullOut());
  await expect(page.getByRole('alert')).toContainText('The device went away');
  await expect(part(page, 'listening')).toContainText('off');
  await page.keyboard.press('e');
  await expect(page.locator('[data-free]')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('alert')).toBeHidden();
});
