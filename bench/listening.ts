import { detectNotes } from '../app/sound/detect';
import { Detector } from '../app/sound/listen/detector';
import { STEADY, type Manner } from '../app/sound/listen/manners';
import { soundOf, type MeantNote } from '../app/sound/listen/simulated';
import { scorePass } from '../core';
import { ms, percentile, printTable } from './table';

const RATE = 48000;
const LIVE = 512; // samples a worklet gives at once

function lineOf(count: number, low: number, high: number): MeantNote[] {
  let state = 5;
  const next = (): number => (state = (state * 16807) % 2147483647) / 2147483647;
  return Array.from({ length: count }, (_, k) => ({ midi: low + Math.floor(next() * (high - low + 1)), string: 1 + (k % 6), atMs: 300 + k * 250, lengthMs: 250, slurred: k % 3 === 2 })); // prettier-ignore
}

const CASES: [string, Partial<Manner>, number, number][] = [
  ['plucked and hammered, E2 to E6', {}, 40, 88],
  ['through noise at 20 dB', { noise: 0.011 }, 40, 88],
  ['two notes ringing into each other', { ringOnMs: 250 }, 40, 88],
  ['a bass, B0 to G4', {}, 23, 67],
];

printTable('Listening: 120 notes, half a minute', ['what', 'right', 'of one core', 'judged after, p50 ms', 'p95 ms'], CASES.map(([what, m, low, high]) => {
  const notes = lineOf(120, low, high);
  const samples = soundOf(notes, RATE, { ...STEADY, ...m });
  const start = performance.now();
  const found = detectNotes(samples, RATE, { lowestMidi: low });
  const share = (performance.now() - start) / ((samples.length / RATE) * 1000);
  const detector = new Detector(RATE, { lowestMidi: low });
  const delays: number[] = [];
  for (let at = 0; at < samples.length; at += LIVE) for (const h of detector.feed(samples.slice(at, at + LIVE))) delays.push(((at + LIVE) / RATE) * 1000 - h.atMs); // prettier-ignore
  const right = scorePass(notes, found).notes.filter((n) => n.verdict === 'right').length;
  return [what, `${right} of 120`, `${(100 * share).toFixed(1)} %`, ms(percentile(delays, 0.5)), ms(percentile(delays, 0.95))];
})); // prettier-ignore
