import { renderTake } from '../app/sound/offline';
import { backingScore } from '../app/sound/backing-score';
import { arrange, guideLine, parseProgression, parseTuning, scalePath, scalesForChord, studyLine, walking, type Instrument, type PathOptions, type ScalePath, type ShapeMemory } from '../core'; // prettier-ignore
import { ms, printTable, row, time } from './table';

const SIX: Instrument = { name: 'bench', strings: parseTuning('E2 A2 D3 G3 B3 E4').map((open) => ({ open })), frets: 22, scaleLengthMm: 648 }; // prettier-ignore
const TEXT = '| Ebmaj7 | Ab7#11 . Gm7 . | C7b9 | Fm7 | Bb7 | Ebmaj7 Cm7 | Fm7b5 Bb7alt | Eb6 |';
const LONG = parseProgression(TEXT.repeat(8)).bars; // 64 bars, 88 chords of ten kinds
const FORM = TEXT.repeat(62); // 496 bars
const options = (o: Partial<PathOptions> = {}): PathOptions => ({ home: { tonic: 'Eb', scale: 'ionian' }, school: 'per-chord', layout: { kind: 'box', numbering: 'minor-root' }, near: 5, ...o }); // prettier-ignore

/** A search as the worker does it: shapes laid out before are known. */
const warm: ShapeMemory = new Map();
function search(o: PathOptions, shapes: ShapeMemory): ScalePath[] {
  const steps = walking(SIX, LONG, o, shapes);
  for (;;) {
    const turn = steps.next();
    if (turn.done) return turn.value;
  }
}

const found = search(options({ count: 5 }), warm);
printTable('A scale and a shape for every chord: 64 bars, 88 chords of ten kinds, six scales each, all boxes', ['what', 'p50 ms', 'p95 ms', ''], [
  row('first search of a worker, best way', time(8, () => scalePath(SIX, LONG, options())), `cost ${ms(found[0]!.cost)}`),
  row('next search, best way', time(12, () => search(options(), warm)), 'shapes known'),
  row('next search, five ways', time(12, () => search(options({ count: 5 }), warm)), 'shapes known'),
  row('next search, three ways, climbing', time(12, () => search(options({ count: 3, motion: 'climb' }), warm)), 'shapes known'),
]); // prettier-ignore

const bars = parseProgression(TEXT).bars;
const school = 'finger-per-fret' as const;
printTable('On the page’s own thread', ['what', 'p50 ms', 'p95 ms', ''], [
  row('read 496 bars as typed', time(20, () => parseProgression(FORM)), ''),
  row('scales for one chord', time(60, () => scalesForChord('Ab7#11', { home: { tonic: 'Eb', scale: 'ionian' } })), ''),
  row('guide line, 64 bars', time(20, () => guideLine(SIX, LONG, { degrees: ['3', '7'], near: 5, school })), ''),
  row('study line in eighths, 8 bars', time(12, () => studyLine(SIX, bars, { home: { tonic: 'Eb', scale: 'ionian' }, seed: 1, notesPerBeat: 2, near: 5, school })), ''),
  row('backing arranged, 64 bars', time(20, () => arrange(LONG, { meter: [4, 4], feel: 'straight' })), ''),
]); // prettier-ignore

const take = { lead: null, score: backingScore(arrange(LONG, { meter: [4, 4], feel: 'straight' })), tempo: 120 };
const start = performance.now();
let samples = 0;
for (const { block } of renderTake(take, 44100)) samples += block.length;
const took = performance.now() - start;
printTable('Rendering', ['what', 'ms', 'ratio'], [
  ['64 bars at 120 to samples at 44.1 kHz', ms(took), `${((samples / 44100) / (took / 1000)).toFixed(0)} times as fast as it sounds`],
]); // prettier-ignore
