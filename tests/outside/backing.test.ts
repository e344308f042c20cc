import { PitchDetector } from 'pitchy';
import { WaveFile } from 'wavefile';
import { arrange, chordSounds, FEELS, hertzOf, parseProgression, type Backing, type BackingEvent, type Feel } from '../../core';
import { backingScore, barOfClicks, clicksOf, together } from '../../app/sound/backing-score';
import { FULL_LEVELS, type Levels, type Score } from '../../app/sound/engine/score';
import { renderTake, secondsOf } from '../../app/sound/offline';
import { writeWav } from '../../formats/wav';

// What is rendered, read back from its WAV file by another library and heard by independent means: onsets by the rise of energy,
// pitches by pitchy's McLeod method, chords by the energy at their partials (Goertzel 1958, written here from memory).
const RATE = 44100;
const bars = (text: string) => parseProgression(text).bars;
const SOLO = (part: keyof Levels): Levels => ({ notes: 0, clicks: 0, bass: 0, comping: 0, drums: 0, [part]: 1 });

function samplesOf(score: Score, tempo: number, levels: Levels = FULL_LEVELS, lead: Score | null = null): Float32Array {
  const blocks = [...renderTake({ lead, score, tempo, levels }, RATE)].map((b) => b.block);
  const wav = new WaveFile(writeWav(blocks, RATE));
  expect(wav.fmt).toMatchObject({ sampleRate: RATE, numChannels: 1, bitsPerSample: 16, audioFormat: 1 });
  return Float32Array.from(wav.getSamples(false, Int16Array) as unknown as Int16Array, (v) => v / 32767);
}

const HOP = 128;
/** Places where the energy of what is high in a short frame rises steeply, in seconds. */
function onsetsIn(s: Float32Array, rise = 4, floor = 1e-6): number[] {
  const high = s.map((v, k) => (k > 1 ? v - 2 * s[k - 1]! + s[k - 2]! : 0));
  const energy = Array.from({ length: Math.floor(s.length / HOP) }, (_, k) =>
    high.slice(k * HOP, (k + 1) * HOP).reduce((sum, v) => sum + v * v, 0),
  );
  const onsets: number[] = [];
  for (let k = 0; k < energy.length; k++) {
    const before = Math.max(0, ...energy.slice(Math.max(0, k - 10), k));
    if (energy[k]! > floor && energy[k]! > rise * before && (k * HOP) / RATE - (onsets.at(-1) ?? -1) > 0.04) onsets.push((k * HOP) / RATE);
  }
  return onsets;
}

/** Energy at one frequency over some samples, in a Hann window. */
function goertzel(s: Float32Array, hz: number): number {
  const turn = 2 * Math.cos((2 * Math.PI * hz) / RATE);
  let [a, b] = [0, 0];
  for (let k = 0; k < s.length; k++) [a, b] = [s[k]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * k) / s.length)) + turn * a - b, a];
  return (a * a + b * b - turn * a * b) / s.length;
}

const made = (text: string, feel: Feel): Backing => arrange(bars(text), { meter: [4, 4], feel });
const at = (s: Float32Array, seconds: number, length: number): Float32Array =>
  s.slice(Math.floor(seconds * RATE), Math.floor((seconds + length) * RATE));
const of = <P extends BackingEvent['part']>(b: Backing, part: P) =>
  b.events.filter((e): e is Extract<BackingEvent, { part: P }> => e.part === part);

it('clicks lie on the beats to a hop, after the count-in', () => {
  const score: Score = { beats: 8, events: clicksOf([4, 4], 2, 'wood') };
  const found = onsetsIn(samplesOf(score, 120, SOLO('clicks'), barOfClicks([4, 4], 'wood')));
  expect(found).toHaveLength(12);
  found.forEach((t, k) => expect(Math.abs(t - k / 2)).toBeLessThan(0.003));
});

it.each<[Feel, number]>([
  ['straight', 120],
  ['shuffle', 96],
  ['slow-triplets', 60],
  ['half-time', 100],
])('drums in %s at %i: what is heard lies on the strokes, and all but the softest are heard', (feel, tempo) => {
  const backing = made('C7 | F7 |', feel);
  const strokes = [...new Set(of(backing, 'drums').map((e) => Number(((e.at * 60) / tempo).toFixed(4))))].filter((t) => t > 0);
  // A soft hat under a ringing snare does not raise the energy fourfold; all that is found lies on a stroke, and most are found.
  const found = onsetsIn(samplesOf(backingScore(backing), tempo, SOLO('drums')), 1.7);
  for (const t of found) expect(Math.min(...[0, ...strokes].map((s) => Math.abs(s - t)))).toBeLessThan(0.012);
  const heard = strokes.filter((s) => found.some((t) => Math.abs(t - s) < 0.012));
  expect(heard.length / strokes.length).toBeGreaterThan(0.6);
});

it('the bass: every pitch is the one that was arranged, by an independent pitch detector', () => {
  const tempo = 90;
  const backing = made('Bb7 | Eb7/G | F7 | Gm7b5 |', 'straight');
  const s = samplesOf(backingScore(backing), tempo, SOLO('bass'));
  const detector = PitchDetector.forFloat32Array(8192);
  for (const e of of(backing, 'bass')) {
    const [hz, clarity] = detector.findPitch(at(s, (e.at * 60) / tempo + 0.08, 9000 / RATE).slice(0, 8192), RATE);
    expect(clarity).toBeGreaterThan(0.9);
    expect(Math.abs(1200 * Math.log2(hz / hertzOf(e.midi)))).toBeLessThan(15);
  }
});

/** Half steps from a tone to its first partials. */
const PARTIALS = [0, 12, 19, 24, 28];

it('the comping: the energy lies on the tones of the chord, bar by bar', () => {
  const tempo = 100;
  const backing = made('Dm7 | G7 | Cmaj7 | Ebdim7 |', 'half-time');
  const s = samplesOf(backingScore(backing), tempo, SOLO('comping'));
  const struck = of(backing, 'comping');
  ['Dm7', 'G7', 'Cmaj7', 'Ebdim7'].forEach((symbol, k) => {
    const part = at(s, (k * 4 * 60) / tempo + 0.05, 1);
    const midis = struck.filter((e) => e.at === k * 4).map((e) => e.midi);
    expect(new Set(midis.map((m) => m % 12))).toEqual(new Set(chordSounds(symbol)));
    for (const m of midis)
      for (const beside of [m - 1, m + 1].filter((n) => !midis.some((lower) => PARTIALS.includes(n - lower)))) expect(goertzel(part, hertzOf(m))).toBeGreaterThan(5 * goertzel(part, hertzOf(beside))); // prettier-ignore
  });
});

it('all together, every feel, all at full level: nothing is cut off, nothing is nearly silent', () => {
  for (const feel of FEELS) {
    const backing = made('[A] | Bb7 | Eb7 Abmaj7 | F7#9 |[B]| Cm7 |', feel);
    const score = together(backingScore(backing), clicksOf([4, 4], 4, 'drum'));
    const s = samplesOf(score, 140);
    const peak = s.reduce((most, v) => Math.max(most, Math.abs(v)), 0);
    expect(peak).toBeLessThan(1);
    expect(peak).toBeGreaterThan(0.2);
    expect(s.length / RATE).toBeGreaterThanOrEqual(secondsOf({ lead: null, score, tempo: 140 }));
  }
});

it('levels and mutes are heard: a silent part leaves nothing', () => {
  const score = backingScore(made('C7 | F7 |', 'straight'));
  const loudness = (levels: Levels): number => samplesOf(score, 120, levels).reduce((sum, v) => sum + v * v, 0);
  const [bass, half, none] = [SOLO('bass'), { ...SOLO('bass'), bass: 0.5 }, SOLO('notes')].map(loudness);
  expect(none).toBe(0);
  expect(half! / bass!).toBeCloseTo(0.25, 1);
});

it('the same progression renders to the same samples', () => {
  const score = backingScore(made('C7 |', 'bossa'));
  expect(samplesOf(score, 120)).toEqual(samplesOf(score, 120));
});
