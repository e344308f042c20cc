import { FULL_LEVELS, type Score, type Seam, type Take } from './score';
import { Transport } from './transport';

const RATE = 48000;
const BLOCK = 128;
/** One frame loud: its place in what is rendered is the place of the event. */
const TICK = Float32Array.of(1);
const beatsOf = (beats: number, sound = 'tick'): Score => ({
  beats,
  events: Array.from({ length: beats }, (_, beat) => ({ beat, sound, channel: null, gain: 1, beats: 0, part: 'clicks' as const })),
});

function engine(sounds: Record<string, Float32Array> = { tick: TICK }) {
  const seams: Seam[] = [];
  const ends: number[] = [];
  const t = new Transport(RATE, { seam: (s) => seams.push(s), end: (f) => ends.push(f) });
  for (const [name, samples] of Object.entries(sounds)) t.learn(name, samples);
  let frame = 0;
  /** Renders on, block by block; gives what sounds and calls back between the blocks. */
  const run = (frames: number, between: (frame: number) => void = () => undefined): Float32Array => {
    const out = new Float32Array(Math.ceil(frames / BLOCK) * BLOCK);
    for (let at = 0; at < out.length; at += BLOCK, frame += BLOCK) {
      t.render(out.subarray(at, at + BLOCK), frame);
      between(frame);
    }
    return out;
  };
  return { t, seams, ends, run, now: () => frame };
}
const onsets = (out: Float32Array): number[] => [...out.keys()].filter((k) => out[k] !== 0);
const take = (score: Score, tempo: number, more: Partial<Take> = {}): Take => ({ lead: null, score, loop: true, tempo, ...more });

it('ten minutes at 200: no beat is half a frame from where it belongs, over 500 seams', () => {
  const { t, run, seams } = engine();
  t.play(take(beatsOf(4), 200), 0, 0);
  const found: number[] = [];
  const perBeat = (60 / 200) * RATE;
  for (let minute = 0; minute < 10; minute++) {
    const base = minute * Math.ceil((60 * RATE) / BLOCK) * BLOCK;
    found.push(...onsets(run(60 * RATE)).map((k) => k + base));
  }
  expect(found).toHaveLength(2000);
  expect(Math.max(...found.map((f, k) => Math.abs(f - k * perBeat)))).toBeLessThanOrEqual(0.5); // 0.01 ms over ten minutes
  expect(seams).toHaveLength(500);
}, 60_000);

it('odd tempos too: an error of half a frame at most, and none that grows', () => {
  const { t, run } = engine();
  t.play(take(beatsOf(7), 197.3), 0, 0);
  const found = onsets(run(120 * RATE));
  const perBeat = (60 / 197.3) * RATE;
  found.forEach((f, k) => expect(Math.abs(f - k * perBeat)).toBeLessThanOrEqual(0.5 + 1e-6));
  expect(found.length).toBeGreaterThan(390);
});

it('swing is two to one', () => {
  const { t, run } = engine();
  const events = [0, 2 / 3, 1, 5 / 3].map((beat) => ({ beat, sound: 'tick', channel: null, gain: 1, beats: 0 }));
  t.play(take({ beats: 2, events }, 120), 0, 0);
  const [a, b, c] = onsets(run(RATE));
  expect((b! - a!) / (c! - b!)).toBeCloseTo(2, 3);
});

it('the tempo changes at the seam, without a gap', () => {
  const { t, run, seams } = engine();
  t.play(take(beatsOf(4), 120), 0, 0);
  const found = onsets(run(6 * RATE, (frame) => frame === BLOCK * 20 && t.change({ tempo: 240 })));
  const gaps = found.slice(1).map((f, k) => f - found[k]!);
  expect(gaps.slice(0, 4)).toEqual([24000, 24000, 24000, 24000]);
  expect(new Set(gaps.slice(4))).toEqual(new Set([12000]));
  expect(seams.slice(0, 3).map((s) => [s.pass, s.frame, s.tempo])).toEqual([[1, 0, 120], [2, 96000, 240], [3, 144000, 240]]); // prettier-ignore
});

it('another score comes in at the seam; a lead-in goes before the first pass', () => {
  const { t, run, seams } = engine({ tick: TICK, tock: Float32Array.of(0.5) });
  t.play(take(beatsOf(2), 60, { lead: beatsOf(1, 'tock') }), 0, 1000);
  t.change({ score: beatsOf(2, 'tock') });
  const out = run(4 * RATE);
  expect(onsets(out)[0]).toBe(1000);
  expect(seams.map((s) => [s.pass, s.frame])).toEqual([[0, 1000], [1, 49000], [2, 145000]]); // prettier-ignore
  expect(out[49000]).toBe(0.5); // asked for before the seam after the lead-in
});

it('once through: it ends when the last note has gone, and is heard of once', () => {
  const { t, run, ends } = engine({ tick: new Float32Array(1000).fill(0.1) });
  t.play(take(beatsOf(2), 120, { loop: false }), 0, 0);
  run(3 * RATE);
  expect(ends).toHaveLength(1);
  expect(ends[0]).toBeGreaterThanOrEqual(48000);
  expect(t.busy).toBe(false);
});

const HUM = Float32Array.from({ length: 3 * RATE }, (_, k) => 0.5 * Math.sin((2 * Math.PI * 110 * k) / RATE));
const steepest = (s: Float32Array): number => s.reduce((most, v, k) => (k ? Math.max(most, Math.abs(v - s[k - 1]!)) : most), 0);
const held = (channel: number, beat: number, beats: number) => ({ beat, sound: 'hum', channel, gain: 1, beats });

it('a stop fades within 15 ms, with no step that is heard as a click', () => {
  const { t, run, ends } = engine({ hum: HUM });
  t.play(take({ beats: 8, events: [held(1, 0, 8)] }, 120), 0, 0);
  const before = run(10_000);
  t.stop(10_000 + (10_112 - 10_000)); // at the next block
  const after = run(RATE / 10);
  expect(steepest(before)).toBeLessThan(0.01);
  expect(steepest(after)).toBeLessThan(0.01);
  expect(Math.max(...after.slice(0.016 * RATE).map(Math.abs))).toBe(0);
  expect(ends).toHaveLength(1);
});

it('a new take fades the one before out and its end is not told', () => {
  const { t, run, ends, now } = engine({ hum: HUM });
  t.play(take({ beats: 8, events: [held(1, 0, 8)] }, 120), 0, 0);
  run(10_000);
  t.play(take({ beats: 8, events: [held(1, 0, 8)] }, 120), now(), now() + 4000);
  const after = run(10_000);
  expect(steepest(after)).toBeLessThan(0.015);
  expect(ends).toEqual([]);
});

it('one string, one voice: the next note damps the one before; another string lets it ring', () => {
  const level = (second: number): number => {
    const { t, run } = engine({ hum: HUM, soft: new Float32Array(RATE) });
    const events = [held(1, 0, 4), { ...held(second, 1, 1), sound: 'soft' }];
    t.play(take({ beats: 8, events }, 120), 0, 0);
    const out = run(RATE);
    return Math.max(...out.slice(26_000, 40_000).map(Math.abs));
  };
  expect(level(1)).toBe(0);
  expect(level(2)).toBeGreaterThan(0.4);
});

it('clicks and notes have volumes of their own', () => {
  const { t, run } = engine();
  t.level({ ...FULL_LEVELS, notes: 0.25, clicks: 0 });
  const note = { beat: 1, sound: 'tick', channel: 1, gain: 1, beats: 0 };
  t.play(take({ beats: 2, events: [...beatsOf(1).events, note] }, 120), 0, 0);
  const out = run(RATE - BLOCK);
  expect(out[0]).toBe(0);
  expect(out[24000]).toBe(0.25);
});

it('a sound that was forgotten is silent, and what it began sounds on', () => {
  const { t, run } = engine({ hum: HUM });
  t.play(take({ beats: 4, events: [held(1, 0, 1), held(2, 2, 1)] }, 120), 0, 0);
  const before = run(10_000);
  t.forget(['hum']);
  const after = run(RATE * 1.4);
  expect(Math.max(...before.map(Math.abs))).toBeGreaterThan(0.4);
  expect(Math.max(...after.slice(0, 5000).map(Math.abs))).toBeGreaterThan(0.4);
  expect(Math.max(...after.slice(38_000, 50_000).map(Math.abs))).toBe(0);
});
