import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { read as readMidi } from 'midifile-ts';
import { barsOf, barTicks, checkLick, TICKS, type PitchedNote } from '../../core';
import { licksFromLine, PLAINLY } from '../../app/store/bring-in';
import type { FileLine } from '../../formats/line';
import { LINE_FORMATS, readLine } from '../../formats/lines';
import { unpackMxl } from '../../formats/musicxml/mxl';
import { guitar } from '../support/random';

/** Files that nobody here wrote (tests/fixtures/foreign/README.md says whose they are), against readers that nobody here wrote. */
const FOLDER = join('tests', 'fixtures', 'foreign');
const files = (kind: string): string[] => readdirSync(join(FOLDER, kind)).sort();
const bytes = (kind: string, name: string): Uint8Array => new Uint8Array(readFileSync(join(FOLDER, kind, name)));

type Sound = [midi: number, at: number];
/** What sounds of a line: pitch and onset in ticks; what is tied on is no onset. */
function soundsOf(notes: readonly PitchedNote[]): Sound[] {
  let at = 0;
  return notes.flatMap((n): Sound[] => {
    const start = at;
    at += n.ticks;
    return n.midi === null || n.join === 'tie' ? [] : [[n.midi, start]];
  });
}

/** Every sound of a MIDI file by another library than ours: pitch and onset in our ticks. */
function soundsIn(midi: Uint8Array): Sound[] {
  const file = readMidi(midi);
  const scale = TICKS / (file.header as { ticksPerBeat: number }).ticksPerBeat;
  return file.tracks.flatMap((t) => {
    let at = 0;
    return t.flatMap((e): Sound[] => {
      at += e.deltaTime;
      return e.type === 'channel' && e.subtype === 'noteOn' && e.velocity > 0 && e.channel !== 9 ? [[e.noteNumber, at * scale]] : [];
    });
  });
}

/** Sounds that the other reader does not have within so many ticks. */
const missing = (mine: readonly Sound[], theirs: readonly Sound[], within = 2): Sound[] =>
  mine.filter(([midi, at]) => !theirs.some((t) => t[0] === midi && Math.abs(t[1] - at) <= within));

/** Where the engraving engine plays other times or pitches than are written, and why. There each note is found by a plain sum of the durations instead. */
const ENGINE_PLAYS: Record<string, string> = {
  '01d': 'quarter tones as pitch bends of the lower note',
  '03a': 'lengths by the signs of notes shorter than a 256th',
  '23': 'tuplets by their signs, where these contradict the durations on purpose',
  '24': 'grace notes in the time of the note after',
  '32a': 'ornaments, and rolled chords one note after another',
  '32c': 'grace notes in the time of the note after',
  '32d': 'rolled chords one note after another',
  '33a': 'trills and rolled chords played out',
  '33e': 'octave lines of an invalid size',
  '33f': 'trills played out',
  '72c': 'the whole part in its first transposition',
};
const engineErrs = (name: string): boolean => Object.keys(ENGINE_PLAYS).some((k) => name.startsWith(k));

/** Times at which anything begins in a part without repeats, by adding up its durations as they stand. */
function plainTimes(text: string): Set<number> {
  const times = new Set<number>();
  const part = /<part id[\s\S]*?<\/part>/.exec(text)?.[0] ?? '';
  let [at, divisions] = [0, 1];
  for (const m of part.matchAll(/<divisions>(\d+)<|<(note|backup|forward)\b[^>]*>([\s\S]*?)<\/\2>/g)) {
    if (m[1]) divisions = Number(m[1]);
    else if (/<grace/.test(m[3]!)) continue;
    else {
      const quarters = Number(/<duration>([\d.]+)</.exec(m[3]!)?.[1] ?? 0) / divisions;
      if (m[2] === 'note' && !/<chord/.test(m[3]!)) times.add(Math.round(at * TICKS));
      if (!/<chord/.test(m[3]!)) at += m[2] === 'backup' ? -quarters : quarters;
    }
  }
  return times;
}

/** A line comes in whole, on a neck that fits, and every format takes it and gives it back. */
function comesIn(line: FileLine): void {
  const into = { instrument: guitar(), tempo: 90, school: 'finger-per-fret' as const, hand: { size: 'medium' as const }, room: 200 };
  const made = licksFromLine(into, line, { ...PLAINLY, fit: 'neck' });
  if ('why' in made) return expect(made.why).toMatch(/No neck of twelve strings|Nothing of it/);
  for (const lick of made.licks) {
    const instrument = lick.instrument ?? guitar();
    checkLick(instrument, lick.notes);
    expect(barsOf(lick.notes, barTicks(lick.meter)).flat().reduce((sum, p) => sum + p.ticks, 0)).toBe(lick.notes.reduce((sum, n) => sum + n.ticks, 0)); // prettier-ignore
    if (!lick.notes.some((n) => n.place)) continue;
    for (const f of LINE_FORMATS) {
      const written = f.write({ ...lick, instrument, scale: { tonic: 'C', scale: 'ionian' }, school: 'finger-per-fret', channelPerString: true }); // prettier-ignore
      const back = readLine(typeof written === 'string' ? new TextEncoder().encode(written) : written, instrument);
      expect(soundsOf(back.notes)).toEqual(soundsOf(pitched(lick.notes, instrument.strings.map((s) => s.open)))); // prettier-ignore
    }
  }
}
const pitched = (notes: readonly { place: { string: number; fret: number } | null; ticks: number; join?: PitchedNote['join'] }[], open: string[]): PitchedNote[] =>
  notes.map(({ place, ...n }) => ({ ...n, midi: place ? midiOfOpen(open[place.string - 1]!) + place.fret : null })); // prettier-ignore
const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
function midiOfOpen(pitch: string): number {
  const [, letter, signs, octave] = /^([A-G])([#b]*)(-?\d+)$/.exec(pitch) as RegExpExecArray;
  return 12 * (Number(octave) + 1) + STEPS[letter!]! + (signs!.startsWith('b') ? -signs!.length : signs!.length);
}

describe('MusicXML that nobody here wrote', () => {
  const names = files('musicxml');
  let toolkit: VerovioToolkit;
  const say = { error: console.error, warn: console.warn };
  beforeAll(async () => {
    toolkit = new VerovioToolkit(await createVerovioModule());
    console.error = console.warn = () => undefined; // it complains of what it does not draw
  });
  afterAll(() => {
    Object.assign(console, say);
    toolkit.destroy();
  });
  const textOf = (name: string): string =>
    name.endsWith('.mxl') ? unpackMxl(bytes('musicxml', name)) : readFileSync(join(FOLDER, 'musicxml', name), 'utf8');
  const hasPitch = (text: string): boolean => /<pitch>/.test(text);

  it('is more than sixty files', () => {
    expect(names.length).toBeGreaterThan(60);
  });
  it.each(names)('%s: every pitch and onset taken is also heard by the engraving engine', (name) => {
    const text = textOf(name);
    if (!hasPitch(text)) return expect(() => readLine(bytes('musicxml', name), guitar())).toThrow('no notes');
    const line = readLine(bytes('musicxml', name), guitar());
    comesIn(line);
    if (engineErrs(name)) {
      const times = plainTimes(text);
      expect(soundsOf(line.notes).filter(([, at]) => !times.has(at))).toEqual([]);
      return;
    }
    expect(toolkit.loadData(text)).toBeTruthy();
    const theirs = soundsIn(Uint8Array.from(Buffer.from(toolkit.renderToMIDI(), 'base64')));
    expect(missing(soundsOf(line.notes), theirs)).toEqual([]);
  });
});

/** What was played is laid on a grid of 20 ticks: half of it is the most that an onset moves. */
const GRID_HALF = 10;

describe('MIDI that nobody here wrote', () => {
  it.each(files('midi'))('%s: every pitch and onset taken is heard by another library', (name) => {
    const line = readLine(bytes('midi', name), guitar());
    comesIn(line);
    const theirs = soundsIn(bytes('midi', name));
    expect(missing(soundsOf(line.notes), theirs, GRID_HALF)).toEqual([]);
  });
});
