import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { read } from 'midifile-ts';
import { anyLick } from '../../tests/support/licks';
import { guitar } from '../../tests/support/random';
import { lickTicks, placeNotes, soundedNotes, type LickNote, type PitchedNote } from '../../core';
import { FormatError } from '../errors';
import { readMidiFile } from './read';
import { BEND_RANGE, writeMidiFile } from './write';

const n = (string: number, fret: number, ticks = 240, more: Partial<LickNote> = {}): LickNote => ({
  place: { string, fret },
  ticks,
  ...more,
});
const write = (notes: LickNote[], channelPerString = false): Uint8Array =>
  writeMidiFile({ name: 'Weathervane, F♯', instrument: guitar(), notes, tempo: 96, meter: [7, 8], channelPerString });
const LICK = [
  n(6, 2),
  n(6, 5, 160, { join: 'hammer' }),
  { place: null, ticks: 480 },
  n(5, 4, 960),
  n(5, 4, 240, { join: 'tie' }),
  n(4, 2, 480, { bend: 2 }),
];

/** What sounds, whichever way it was written: pitch, start, length. */
const heard = (notes: readonly PitchedNote[]): [number, number, number][] => {
  const out: [number, number, number][] = [];
  let at = 0;
  for (const x of notes) {
    if (x.midi !== null && x.join === 'tie') out[out.length - 1]![2] += x.ticks;
    else if (x.midi !== null) out.push([x.midi, at, x.ticks]);
    at += x.ticks;
  }
  return out;
};

describe('a MIDI file, read by another library than wrote it', () => {
  it('has the notes, times, tempo and meter of the lick', () => {
    const file = read(write(LICK));
    expect(file.header).toMatchObject({ formatType: 0, trackCount: 1, ticksPerBeat: 480 });
    let at = 0;
    const notes: [number, number, string][] = [];
    const meta: Record<string, unknown> = {};
    for (const e of file.tracks[0]!) {
      at += e.deltaTime;
      if (e.type === 'channel' && (e.subtype === 'noteOn' || e.subtype === 'noteOff')) notes.push([at, e.noteNumber, e.subtype]);
      if (e.type === 'meta') meta[e.subtype] = e;
    }
    expect(notes.filter((x) => x[2] === 'noteOn').map((x) => x.slice(0, 2))).toEqual([[0, 42], [240, 45], [880, 49], [2080, 52]]); // prettier-ignore
    expect(notes.filter((x) => x[2] === 'noteOff').map((x) => x.slice(0, 2))).toEqual([[240, 42], [400, 45], [2080, 49], [2560, 52]]); // prettier-ignore
    expect(meta.setTempo).toMatchObject({ microsecondsPerBeat: 625000 });
    expect(meta.timeSignature).toMatchObject({ numerator: 7, denominator: 8 });
    expect(meta.trackName).toMatchObject({ text: 'Weathervane, F#' });
  });
  it('bends to its target: two half steps of a range of twelve', () => {
    const bends = read(write(LICK)).tracks[0]!.flatMap((e) => (e.type === 'channel' && e.subtype === 'pitchBend' ? [e.value - 8192] : []));
    expect(Math.max(...bends)).toBe(Math.round((2 / BEND_RANGE) * 8191));
    expect(bends[bends.length - 1]).toBe(0);
  });
  it('is taken whole by midicsv, a reader of its own, with a channel a string', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'crow-midi-')), 'lick.mid');
    writeFileSync(file, write(LICK, true));
    const rows = execFileSync('midicsv', [file], { encoding: 'utf8' }).split('\n').map((r) => r.split(', ')); // prettier-ignore
    const on = rows.filter((r) => r[2] === 'Note_on_c').map((r) => r.slice(1, 5));
    expect(on).toEqual([['0', 'Note_on_c', '5', '42'], ['240', 'Note_on_c', '5', '45'], ['880', 'Note_on_c', '4', '49'], ['2080', 'Note_on_c', '3', '52']]); // prettier-ignore
    expect(rows[0]).toEqual(['0', '0', 'Header', '0', '1', '480']);
    expect(rows.some((r) => r[2] === 'End_of_file')).toBe(true);
  });
});

describe('there and back', () => {
  it('any lick sounds the same, and bends as far', () => {
    fc.assert(
      fc.property(anyLick(guitar()), (notes) => {
        if (notes.every((x) => !x.place)) return;
        const back = readMidiFile(write(notes));
        const wanted = soundedNotes(guitar(), notes);
        expect(heard(back.notes)).toEqual(wanted.map((s) => [s.midi, s.start, s.ticks]));
        expect(back.notes.filter((x) => x.midi !== null && x.join !== 'tie').map((x) => x.bend ?? 0)).toEqual(wanted.map((s) => s.target - s.midi)); // prettier-ignore
        expect(back).toMatchObject({ tempo: 96, meter: [7, 8] });
        const last = notes[notes.length - 1]!;
        if (last.place) expect(lickTicks(back.notes)).toBe(lickTicks(notes));
      }),
    );
  });
  it('with a channel a string the places come back too', () => {
    fc.assert(
      fc.property(anyLick(guitar()), (notes) => {
        const struck = soundedNotes(guitar(), notes);
        if (!struck.length) return;
        const back = readMidiFile(write(notes, true));
        expect(back.open).toEqual(guitar().strings.map((s) => s.open));
        const placed = soundedNotes(guitar(), placeNotes(guitar(), back.notes, { school: 'finger-per-fret' }));
        expect(placed.map((s) => s.place)).toEqual(struck.map((s) => s.place));
      }),
    );
  });
  it('without, places are found by the best route', () => {
    const back = readMidiFile(write([n(6, 2), n(6, 4), n(6, 5)]));
    const placed = placeNotes(guitar(), back.notes, { school: 'finger-per-fret' });
    expect(placed.map((x) => x.place)).toEqual([{ string: 6, fret: 2 }, { string: 6, fret: 4 }, { string: 5, fret: 0 }]); // prettier-ignore
  });
});

describe('MIDI files that cannot be read', () => {
  it.each<[string, Uint8Array, string]>([
    ['empty', new Uint8Array(), 'does not begin with MThd'],
    ['text', new TextEncoder().encode('hello world'), 'does not begin with MThd'],
    ['a header alone', write(LICK).slice(0, 14), 'no track'],
    ['broken off', write(LICK).slice(0, 60), 'at byte 14 MTrk promises'],
    ['no notes', write([{ place: null, ticks: 480 }]), 'no notes'],
  ])('%s', (_, bytes, words) => {
    expect(() => readMidiFile(bytes)).toThrow(words);
  });
  it('whatever the bytes: a line or a clear error', () => {
    const good = write(LICK);
    const mutated = fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { maxLength: 6 }).map((edits) => {
      const bytes = good.slice();
      for (const [at, value] of edits) bytes[at] = value;
      return bytes;
    });
    const noise = fc.uint8Array({ maxLength: 200 }).map((tail) => Uint8Array.from([...good.slice(0, 22), ...tail]));
    fc.assert(
      fc.property(fc.oneof(mutated, noise, fc.uint8Array()), (bytes) => {
        try {
          expect(readMidiFile(bytes).notes.every((x) => x.ticks > 0 && Number.isInteger(x.ticks))).toBe(true);
        } catch (e) {
          expect(e).toBeInstanceOf(FormatError);
        }
      }),
      { numRuns: 1500 },
    );
  });
});
