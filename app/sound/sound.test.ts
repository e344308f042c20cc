import { PitchDetector } from 'pitchy';
import { hertzOf } from '../../core';
import { CLICKS } from '../../core';
import { clickOf } from './click';
import { lastAt } from './follow';
import { eighths, HELD, scoreOf, upAndDown } from './heard';
import { pluck, ringOf } from './pluck';
import { clickSound, render, stringSound } from './sounds';

const RATES = [44100, 48000];
const RANGE = [23, 28, 33, 40, 45, 52, 57, 64, 69, 76, 84, 88];
const stringFor = (midi: number): number => (midi > 60 ? 1 : midi > 50 ? 3 : 6);
const made = new Map<string, Float32Array>();
const at = (midi: number, rate: number): Float32Array => {
  const key = `${midi}@${rate}`;
  const samples = made.get(key) ?? render(stringSound(stringFor(midi), midi), rate);
  made.set(key, samples);
  return samples;
};
const rms = (s: Float32Array, from: number, to: number): number =>
  Math.sqrt(s.slice(from, to).reduce((sum, v) => sum + v * v, 0) / (to - from));
const db = (a: number, b: number): number => 20 * Math.log10(a / b);
const steepest = (s: Float32Array): number => {
  let most = 0;
  for (let k = 1; k < s.length; k++) most = Math.max(most, Math.abs(s[k]! - s[k - 1]!));
  return most;
};

/** Frequency by the phase that a note gains between two windows half a second apart, round a frequency that it is near to. */
function phaseHertz(s: Float32Array, near: number, rate: number): number {
  const size = 8192;
  const gap = Math.round(0.5 * rate);
  const phase = (from: number): number => {
    let [re, im] = [0, 0];
    for (let k = 0; k < size; k++) {
      const w = 0.5 - 0.5 * Math.cos((2 * Math.PI * k) / size);
      const turn = (2 * Math.PI * near * (from + k)) / rate;
      re += s[from + k]! * w * Math.cos(turn);
      im -= s[from + k]! * w * Math.sin(turn);
    }
    return Math.atan2(im, re);
  };
  const turned = phase(6000 + gap) - phase(6000);
  const least = turned - 2 * Math.PI * Math.round(turned / (2 * Math.PI));
  return near + (least / (2 * Math.PI * gap)) * rate;
}

describe.each(RATES)('the plucked string at %d Hz', (rate) => {
  it.each(RANGE)('MIDI %d is in tune within a cent, by an independent detector and by its phase', (midi) => {
    const samples = at(midi, rate);
    const size = 16384;
    const [hz, clarity] = PitchDetector.forFloat32Array(size).findPitch(samples.slice(4000, 4000 + size), rate);
    const cents = (f: number): number => Math.abs(1200 * Math.log2(f / hertzOf(midi)));
    expect(clarity).toBeGreaterThan(0.9);
    expect(cents(hz)).toBeLessThan(1);
    expect(cents(phaseHertz(samples, hertzOf(midi), rate))).toBeLessThan(1);
  });
  it('is as loud everywhere on the neck, within a decibel and a half, and never clips', () => {
    const levels = RANGE.map((midi) => rms(at(midi, rate), 0, Math.floor(0.3 * rate)));
    expect(db(Math.max(...levels), Math.min(...levels))).toBeLessThan(1.5);
    for (const midi of RANGE) expect(at(midi, rate).reduce((m, v) => Math.max(m, Math.abs(v)), 0)).toBeLessThan(1);
  });
  it('a low A rings for seconds, a high E shortly; neighbours alike', () => {
    const after = (midi: number, seconds: number): number =>
      db(rms(at(midi, rate), rate * seconds, rate * (seconds + 0.3)), rms(at(midi, rate), 0, 0.3 * rate));
    expect(at(33, rate).length / rate).toBeGreaterThan(6);
    expect(after(33, 4)).toBeGreaterThan(-45);
    expect(after(88, 1)).toBeLessThan(-20);
    for (let midi = 40; midi < 64; midi++) expect(Math.abs(ringOf(hertzOf(midi)) - ringOf(hertzOf(midi + 1)))).toBeLessThan(0.3);
    for (const midi of [45, 52, 57]) expect(Math.abs(after(midi, 1) - after(midi + 1, 1))).toBeLessThan(3);
  });
  it('begins and ends without a click', () => {
    for (const midi of RANGE) {
      const s = at(midi, rate);
      expect(Math.abs(s[0]!)).toBeLessThan(0.001);
      expect(Math.abs(s[s.length - 1]!)).toBeLessThan(0.001);
      expect(steepest(s.slice(0, rate / 2000))).toBeLessThan(0.15);
      expect(steepest(s)).toBeLessThan(0.5);
    }
  });
});

it('another sample rate decays alike', () => {
  const decay = (rate: number): number => {
    const s = pluck({ hz: 110, sampleRate: rate, ring: 5, bright: 0.7, pickAt: 0.2, seed: 5, level: 1 });
    return db(rms(s, rate, rate * 1.5), rms(s, 0, rate * 0.3));
  };
  expect(Math.abs(decay(44100) - decay(96000))).toBeLessThan(1);
});

it('two strings at one pitch differ, the same string is the same', () => {
  expect(render(stringSound(2, 64), 44100)).not.toEqual(render(stringSound(1, 64), 44100));
  expect(render(stringSound(2, 64), 44100)).toEqual(render(stringSound(2, 64), 44100));
});

describe('clicks', () => {
  it.each(CLICKS)('%s: the accent is louder and higher, both begin and end in silence', (click) => {
    const [plain, accent] = [clickOf(click, false, 48000), clickOf(click, true, 48000)];
    const crossings = (s: Float32Array): number => s.slice(200).filter((v, k, all) => k > 0 && v > 0 && all[k - 1]! <= 0).length;
    expect(rms(accent, 0, 3000)).toBeGreaterThan(rms(plain, 0, 3000) * 1.3);
    expect(crossings(accent)).toBeGreaterThan(crossings(plain));
    for (const s of [plain, accent]) expect(Math.max(Math.abs(s[0]!), Math.abs(s[s.length - 1]!))).toBeLessThan(0.01);
    expect(render(clickSound(click, true), 48000)).toEqual(accent);
  });
});

describe('what is heard', () => {
  const on = (midi: number) => ({ midi, string: 2 });
  it('goes up and down with the top once and the last note held', () => {
    const { notes, index } = upAndDown([60, 62, 64].map(on));
    expect(index).toEqual([0, 1, 2, 1, 0]);
    expect(notes.map((n) => [n.midi, n.beat, n.beats])).toEqual([[60, 0, 0.5], [62, 0.5, 0.5], [64, 1, 0.5], [62, 1.5, 0.5], [60, 2, 2]]); // prettier-ignore
    expect(upAndDown([])).toEqual({ notes: [], index: [] });
  });
  it('is a score on the strings it lies on', () => {
    const score = scoreOf(eighths([60, 62].map(on)));
    expect(score.beats).toBe(2.5);
    expect(score.events.map((e) => [e.beat, e.beats, e.sound, e.channel])).toEqual([
      [0, 0.5 * HELD, 'string/2/60', 2],
      [0.5, 2 * HELD, 'string/2/62', 2],
    ]);
  });
});

it('the note that is heard is the last one that has begun', () => {
  const starts = [0, 0.5, 1, 1, 2.25];
  expect([-0.1, 0, 0.49, 0.5, 1, 2.24, 9].map((beat) => lastAt(starts, beat))).toEqual([-1, 0, 0, 1, 3, 3, 4]);
  expect(lastAt([], 3)).toBe(-1);
});
