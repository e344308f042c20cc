import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { read as readMidi } from 'midifile-ts';
import { anyLick } from '../../tests/support/licks';
import { guitar } from '../../tests/support/random';
import { placeNotes, soundedNotes, type LickNote } from '../../core';
import { fifthsOf, readKey, signatureOf } from './key';
import { isAbc, readAbc } from './read';
import { readMeter, readTempo } from './tune';
import { writeAbc } from './write';

const n = (string: number, fret: number, ticks = 240, more: Partial<LickNote> = {}): LickNote => ({
  place: { string, fret },
  ticks,
  ...more,
});
const write = (notes: LickNote[], more: Partial<Parameters<typeof writeAbc>[0]> = {}): string =>
  writeAbc({
    name: 'Weathervane',
    instrument: guitar(),
    scale: { tonic: 'F#', scale: 'dorian' },
    notes,
    tempo: 96,
    meter: [4, 4],
    ...more,
  });
/** A tune: its music under the usual head. */
const tune = (music: string, head = 'M:4/4\nL:1/4\nK:C'): string => `X:1\nT:Lantern\n${head}\n${music}\n`;
const heard = (text: string, voice?: string): string =>
  readAbc(text, { voice }).notes.map((x) => `${x.midi ?? 'z'}:${x.ticks}${x.join ? ` ${x.join}` : ''}`).join(', '); // prettier-ignore
const said = (text: string): string => readAbc(text).remarks.join(' ');

describe('keys, by hand from the circle of fifths', () => {
  it.each([
    ['C', '', 0],
    ['G', 'maj', 1],
    ['F#', 'dor', 4],
    ['Bb', 'mix', -3],
    ['Eb', 'lyd', -2],
    ['A', 'm', 0],
    ['C#', 'phr', 3],
    ['B', 'loc', 0],
    ['Gb', '', -6],
  ])('%s %s has %i sharps', (tonic, mode, fifths) => {
    expect(fifthsOf(tonic, mode)).toBe(fifths);
  });
  it('signatures', () => {
    expect(signatureOf(2)).toEqual({ F: 1, C: 1 });
    expect(signatureOf(-3)).toEqual({ B: -1, E: -1, A: -1 });
    expect(signatureOf(8)).toMatchObject({ F: 2, C: 1, B: 1 });
    expect(signatureOf(0)).toEqual({});
  });
  it.each<[string, object, number]>([
    ['G', { F: 1 }, 0],
    ['Amin', {}, 0],
    ['D Mixolydian', { F: 1 }, 0],
    ['D exp _b _e ^f', { B: -1, E: -1, F: 1 }, 0],
    ['Dm ^c', { B: -1, C: 1 }, 0],
    ['none', {}, 0],
    ['Hp', { F: 1, C: 1 }, 0],
    ['C clef=treble-8', {}, -12],
    ['C treble+8', {}, 12],
    ['C bass octave=-1', {}, -12],
    ['C transpose=-2', {}, -2],
  ])('K:%s', (text, signature, shift) => {
    const read = readKey(text, { signature: { F: 1 }, shift: 0, unknown: [] });
    expect([read.signature, read.shift, read.unknown]).toEqual([signature, shift, []]);
  });
  it('meters and tempos', () => {
    expect(['C', 'C|', '7/8', '(2+3)/8', '2+2+3/8', 'none', '4/3'].map(readMeter)).toEqual([[4, 4], [2, 2], [7, 8], [5, 8], [7, 8], null, null]); // prettier-ignore
    expect(['1/4=120', '3/8=60', '1/4 1/8=60', '"Slow" 1/2=40', '90', '1/8=185'].map((q) => readTempo(q, 0.5))).toEqual([120, 90, 90, 80, 45, 92.5]); // prettier-ignore
  });
});

describe('ABC as the standard (2.1) has it', () => {
  it.each([
    ['octaves', "C,, C, C c c' c''", '36:480, 48:480, 60:480, 72:480, 84:480, 96:480'],
    ['lengths', 'C2 C/ C3/2 C// C/4 C3', '60:960, 60:240, 60:720, 60:120, 60:120, 60:1440'],
    ['accidentals hold for the bar, in every octave', '^C C c | C', '61:480, 61:480, 73:480, 60:480'],
    ['naturals and doubles', '^^C =C __B', '62:480, 60:480, 69:480'],
    ['rests', 'C z x2 C', '60:480, z:1440, 60:480'],
    ['a bar of rests, and two', 'Z Z2 C', 'z:3840, z:1920, 60:480'],
    ['broken rhythm', 'C>D E<F G>>A', '60:720, 62:240, 64:240, 65:720, 67:840, 69:120'],
    ['triplets, and more', '(3CDE (2FG (5:4:5C/D/E/F/G/', '60:320, 62:320, 64:320, 65:720, 67:720, 60:192, 62:192, 64:192, 65:192, 67:192'], // prettier-ignore
    ['a tuplet of unequal notes', '(3:2:2C2D', '60:640, 62:320'],
    ['ties', 'C2-C D', '60:960, 60:480 tie, 62:480'],
    ['a tie over the bar', 'C4-|C D', '60:1920, 60:480 tie, 62:480'],
    ['slurs as hammer-ons and pull-offs', '(CDC) E', '60:480, 62:480 hammer, 60:480 pull, 64:480'],
    ['slides', 'C !slide!D', '60:480, 62:480 slide'],
    ['the highest of a chord', '[CEG]2 D', '67:960, 62:480'],
    ['repeats', '|: C D :| E', '60:480, 62:480, 60:480, 62:480, 64:480'],
    ['endings', '|: C |1 D :|2 E || F', '60:480, 62:480, 60:480, 64:480, 65:480'],
    ['two repeats at once', '|: C :: D :|', '60:480, 60:480, 62:480, 62:480'],
    ['three times', '|:: C ::| D', '60:480, 60:480, 60:480, 62:480'],
    ['fields inside', 'C [K:G] F [L:1/8] F', '60:480, 66:480, 66:240'],
    ['comments, continued lines and line ends', 'C % D\n% E F\nG \\\nA', '60:480, 67:480, 69:480'],
  ])('%s', (_, music, wanted) => {
    expect(heard(tune(music))).toBe(wanted);
  });
  it('triplets go by the meter where it is compound', () => {
    expect(heard(tune('(2CD (4CDEF', 'M:6/8\nL:1/8\nK:C'))).toBe('60:360, 62:360, 60:180, 62:180, 64:180, 65:180');
    expect(heard(tune('(5CDEFG', 'M:6/8\nL:1/8\nK:C')).split(', ')[0]).toBe('60:144');
  });
  it('the unit of length goes by the meter where none is said', () => {
    expect(heard(tune('C', 'M:2/4\nK:C'))).toBe('60:120');
    expect(heard(tune('C', 'M:3/4\nK:C'))).toBe('60:240');
  });
  it('tempo, meter and their changes', () => {
    expect(readAbc(tune('C4 | [M:3/4] C3 | [Q:1/4=80] C3', 'M:C\nL:1/4\nQ:1/4=100\nK:C'))).toMatchObject({
      name: 'Lantern',
      tempo: 100,
      meter: [4, 4],
      changes: [
        { at: 1920, tempo: 100, meter: [3, 4] },
        { at: 3360, tempo: 80, meter: [3, 4] },
      ],
    });
  });
  it('voices and tunes can be chosen; the others are named', () => {
    const text = `${tune('V:1\nC D\nV:2\nE F G', 'M:4/4\nL:1/4\nV:1 name="Lead"\nV:2 name="Bass" clef=bass-8\nK:C')}\n${tune('A')}`;
    const read = readAbc(text);
    expect(read.voices.map((v) => [v.id, v.name, v.midis.length])).toEqual([['1/1', 'Lantern, Lead', 2], ['1/2', 'Lantern, Bass', 3], ['2/1', 'Lantern', 1]]); // prettier-ignore
    expect(heard(text, '1/2')).toBe('52:480, 53:480, 55:480');
    expect(heard(text, '2/1')).toBe('69:480');
    expect(read.remarks.join(' ')).toContain('not taken: Lantern, Bass (3); Lantern (1)');
  });
  it('strokes and fingers', () => {
    expect(readAbc(tune('vC u!3!D')).notes).toMatchObject([{ stroke: 'down' }, { stroke: 'up', finger: 3 }]);
  });
  it('what a lick cannot hold is counted by name', () => {
    const words = said(tune('{g}C "Am"D "^softly"E !trill!F ~G [CE] & z4 | §\nw: la la', 'M:4/4\nL:1/4\nP:AB\nK:C'));
    for (const part of [
      '1 grace note in bar 1',
      '1 × chord symbol',
      '1 × words',
      '1 × trill',
      '1 × roll',
      '1 note in bar 1 left out: struck together',
      '1 voice laid over a bar (&) in bar 1',
      '1 order of parts',
      '1 × line of words under the notes',
      '1 × “§”',
    ])
      // prettier-ignore
      expect(words).toContain(part);
  });
  it.each([
    ['', 'no ABC'],
    ['X:1\nT:No key\n', 'no ABC'],
    [tune('z4 | z4'), 'no notes'],
    [tune('C99999'), 'line 6: a note in this line is longer'],
  ])('%j: %s', (text, words) => {
    expect(() => readAbc(text)).toThrow(words);
  });
  it('is told from other texts', () => {
    expect([isAbc(tune('C')), isAbc('X: no\nK: none'), isAbc('E|--2--|'), isAbc('')]).toEqual([true, false, false, false]);
  });
});

describe('there and back', () => {
  it('any lick sounds the same in every meter and key: times, ties, slurs, slides, strokes, fingers', () => {
    const keys = ['dorian', 'phrygian dominant', 'ionian', 'locrian'] as const;
    fc.assert(
      fc.property(anyLick(guitar()), fc.constantFrom<[number, number]>([4, 4], [3, 4], [7, 8]), fc.constantFrom(...keys), fc.constantFrom('F#', 'Bb', 'Eb', 'G#'), (raw, meter, scale, tonic) => {
        const notes = raw.map((x) => ({ ...x, bend: undefined, release: undefined, muted: undefined }));
        if (notes.every((x) => !x.place)) return;
        const back = readAbc(write(notes, { meter, scale: { tonic, scale } }));
        const pitch = (all: LickNote[]) => soundedNotes(guitar(), all).map((s) => [s.midi, s.start, s.ticks, s.note.stroke]);
        const placed = placeNotes(guitar(), back.notes.map((x) => ({ ...x, join: x.join === 'tie' ? x.join : undefined })), { school: 'finger-per-fret' });
        expect(pitch(placed)).toEqual(pitch(notes));
        expect(back).toMatchObject({ name: 'Weathervane', tempo: 96, meter });
        const joins = (all: readonly { join?: string }[]) => all.flatMap((x) => (x.join === 'tie' || x.join === undefined || x.join === 'tap' ? [] : [x.join]));
        expect(joins(back.notes)).toEqual(joins(notes));
      }),
      { numRuns: 100 },
    );
  }); // prettier-ignore
  it('a title with a comment sign, a tempo of halves, settled fingers', () => {
    const back = readAbc(write([n(5, 3, 480, { finger: 2 })], { name: '100 % of it', tempo: 92.5 }));
    expect(back).toMatchObject({ name: '100 % of it', tempo: 92.5, notes: [{ midi: 48, ticks: 480, finger: 2 }] });
  });
  it('sounds the same in abc2midi, a reader of its own (Debian’s package abcmidi)', () => {
    const folder = mkdtempSync(join(tmpdir(), 'crow-abc-'));
    const plain = fc.array(fc.record({ string: fc.integer({ min: 1, max: 6 }), fret: fc.integer({ min: 0, max: 20 }), ticks: fc.constantFrom(120, 160, 240, 360, 480, 720, 960), rest: fc.boolean() }), { minLength: 1, maxLength: 16 }); // prettier-ignore
    fc.assert(
      fc.property(plain, (list) => {
        const notes = list.map(({ string, fret, ticks, rest }): LickNote => (rest ? { place: null, ticks } : n(string, fret, ticks)));
        const wanted = soundedNotes(guitar(), notes).map((s) => [s.midi, s.start]);
        if (!wanted.length) return;
        writeFileSync(join(folder, 'a.abc'), write(notes));
        execFileSync('abc2midi', ['a.abc', '-o', 'a.mid', '-quiet'], { cwd: folder, stdio: 'pipe' });
        const file = readMidi(Uint8Array.from(readFileSync(join(folder, 'a.mid'))));
        const scale = 480 / (file.header as { ticksPerBeat: number }).ticksPerBeat;
        const sounds = file.tracks.flatMap((t) => {
          let at = 0;
          return t.flatMap((e) => {
            at += e.deltaTime;
            return e.type === 'channel' && e.subtype === 'noteOn' && e.velocity > 0 ? [[e.noteNumber, Math.round(at * scale)]] : [];
          });
        });
        expect(sounds.map(([midi]) => midi)).toEqual(wanted.map(([midi]) => midi));
        sounds.forEach(([, at], k) => expect(Math.abs(at! - wanted[k]![1]!)).toBeLessThanOrEqual(2)); // it begins a tick late, and counts whole ticks
      }),
      { numRuns: 40 },
    );
  });
});
