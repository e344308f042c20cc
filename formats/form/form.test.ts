import fc from 'fast-check';
import { arrange, chordSounds, parseChord, parseProgression, SILENT, type Bar } from '../../core';
import { cellsOf } from './form';
import { formText, readChordPro, readFormMidi, readFormText, readFormXml, writeChordPro, writeFormMidi, writeFormText, writeFormXml, type FormFile, type FormOut } from './index'; // prettier-ignore
import { kindOfSuffix } from './kinds';

const TEXT = '[Verse] | Ebmaj7 | Ab7#11 . Gm7 . | N.C. | Bbm7/Db Eb7b9 Abmaj7 |[B]| F7sus4 | Am7b5 . . D7alt | % | C6 |';
const barsIn = (text: string, beats = 4): Bar[] => parseProgression(text, { beats }).bars;
const out = (bars = barsIn(TEXT), meter: [number, number] = [4, 4]): FormOut => ({
  name: 'Kite, a form',
  bars,
  meter,
  tempo: 132,
  home: { tonic: 'Eb', scale: 'mixolydian' },
});
const read = (f: FormFile): Bar[] => barsIn(f.text, f.meter[0]);
const sounds = (symbol: string): unknown => (symbol === SILENT ? SILENT : [chordSounds(symbol), parseChord(symbol).bass]);
/** Chords with their beats, as they sound; neighbours alike are one, since files with times do not tell them apart. */
const heard = (bars: readonly Bar[]): unknown[] => bars.map((b) => b.chords.map((c) => [sounds(c.symbol), Number(c.beats.toFixed(4))]));

const FORMATS: [string, (o: FormOut) => FormFile][] = [
  ['MusicXML', (o) => readFormXml(writeFormXml(o))],
  ['ChordPro', (o) => readChordPro(writeChordPro(o))],
  ['MIDI', (o) => readFormMidi(writeFormMidi(o, arrange(o.bars, { meter: o.meter, feel: 'straight' })))],
  ['text', (o) => readFormText(writeFormText(o))],
];

describe.each(FORMATS)('a form by way of %s', (name, round) => {
  it('comes back with its chords in time, its sections, name, meter and tempo', () => {
    const back = round(out());
    expect(heard(read(back))).toEqual(heard(out().bars));
    expect(read(back).map((b) => b.section)).toEqual(out().bars.map((b) => b.section));
    expect(back).toMatchObject({ name: 'Kite, a form', meter: [4, 4], tempo: 132 });
    if (name === 'MusicXML') expect(back.key).toEqual({ tonic: 'Eb', scale: 'mixolydian' });
    else if (name !== 'MIDI') expect(back.key?.tonic).toBe('Eb');
  });
  it('whatever the chords, beats and meter', () => {
    const symbol = fc.constantFrom('C', 'Dbm7', 'F#7#9', 'Bb13', 'E7alt', 'Gm7b5', 'Absus2', 'Bmaj7#11', 'D6', 'Cm6', 'Faug', 'Ebdim7', 'A5', 'G9sus4', 'C/E', 'F7b9/A', 'EmM7', 'Badd9', SILENT); // prettier-ignore
    const bar = (beats: number) => fc.uniqueArray(fc.integer({ min: 1, max: beats - 1 }), { maxLength: 3 }).chain((cuts) => fc.array(symbol, { minLength: cuts.length + 1, maxLength: cuts.length + 1 }).map((symbols) => ({ cuts: [...cuts].sort((a, b) => a - b), symbols }))); // prettier-ignore
    const form = fc.constantFrom<[number, number]>([4, 4], [3, 4], [6, 8], [7, 8], [2, 2], [15, 8]).chain((meter) => fc.array(bar(meter[0]), { minLength: 1, maxLength: 8 }).map((bars) => ({ meter, bars }))); // prettier-ignore
    fc.assert(
      fc.property(form, ({ meter, bars: made }) => {
        const bars = made.map(({ cuts, symbols }): Bar => {
          const edges = [0, ...cuts, meter[0]];
          return { chords: symbols.map((s, k) => ({ symbol: s, beats: edges[k + 1]! - edges[k]! })) };
        });
        const merged = bars.map((b): Bar => ({ chords: b.chords.reduce<Bar['chords']>((all, c) => { const last = all.at(-1); if (last && last.symbol === c.symbol) return [...all.slice(0, -1), { symbol: c.symbol, beats: last.beats + c.beats }]; return [...all, c]; }, []) })); // prettier-ignore
        const back = round(out(merged, meter));
        expect(heard(read(back))).toEqual(heard(merged));
        expect(back.meter).toEqual(meter);
      }),
      { numRuns: 60 },
    );
  });
});

it('bars as they are typed, read again, are the same bars', () => {
  expect(barsIn(formText(barsIn(TEXT)))).toEqual(barsIn(TEXT));
  expect(formText(barsIn('C | % | F . . G'))).toBe('| C | % | F . . G |');
  expect(cellsOf(barsIn('C D | ', 3)[0]!)).toEqual(['C', 'D']);
  expect(cellsOf(barsIn('C . D |', 3)[0]!)).toEqual(['C', '.', 'D']);
});

it('kinds of MusicXML: each suffix by the longest kind, the rest as degrees', () => {
  expect(kindOfSuffix('7#9')).toEqual({ kind: 'dominant', degrees: [{ value: 9, alter: 1, type: 'add' }] });
  expect(kindOfSuffix('7b5b9')).toEqual({ kind: 'dominant', degrees: [{ value: 5, alter: -1, type: 'alter' }, { value: 9, alter: -1, type: 'add' }] }); // prettier-ignore
  expect(kindOfSuffix('m7b5')).toEqual({ kind: 'half-diminished', degrees: [] });
  expect(kindOfSuffix('7sus4').kind).toBe('dominant');
  expect(kindOfSuffix('7alt').kind).toBe('other');
});

describe('files of others', () => {
  it('ChordPro with chords over words: a bar each, and that is said', () => {
    const f = readChordPro('{t: Tin roof}\n{key: Am}\n{tempo: 84}\n# a note\n{start_of_verse: Verse}\nThe [Am]rain on [F]tin, [*softly] the [G7]wind\n{end_of_verse}\n[C]gone'); // prettier-ignore
    expect(f).toMatchObject({ name: 'Tin roof', tempo: 84, key: { tonic: 'A', scale: 'aeolian' } });
    expect(f.text).toBe('[Verse] | Am | F | G7 |\n| C |');
    expect(f.remarks).toEqual(['The file has no bars: each of its 4 chords has one of its own.']);
  });
  it('ChordPro grids with margins, repeats and slashes', () => {
    const f = readChordPro('{start_of_grid: 1+4x2+4}\nA | Am7 . . . | D7 / Gm7 / |: C . . . :| fine\n{end_of_grid}');
    expect(barsIn(f.text).map((b) => b.chords.map((c) => `${c.symbol} ${c.beats}`).join(', '))).toEqual(['Am7 4', 'D7 2, Gm7 2', 'C 4', 'C 4']); // prettier-ignore
  });
  it('MusicXML whose chords stand before notes, as most programs write it', () => {
    const harmony = (step: string, kind: string, more = ''): string => `<harmony><root><root-step>${step}</root-step><root-alter>-1</root-alter></root><kind>${kind}</kind>${more}</harmony>`; // prettier-ignore
    const note = (n: number): string => `<note><pitch><step>C</step><octave>4</octave></pitch><duration>${n}</duration></note>`;
    const f = readFormXml(`<score-partwise><movement-title>Moor</movement-title><part-list/><part id="P1">
      <measure number="1"><attributes><divisions>2</divisions><key><fifths>-2</fifths><mode>minor</mode></key><time><beats>3</beats><beat-type>4</beat-type></time></attributes>
      <sound tempo="71.6"/>${harmony('B', 'minor-seventh')}${note(4)}${harmony('E', 'dominant', '<degree><degree-value>9</degree-value><degree-alter>-1</degree-alter><degree-type>add</degree-type></degree>')}${note(2)}</measure>
      <measure number="2"><note><rest/><duration>6</duration></note></measure></part></score-partwise>`); // prettier-ignore
    expect(f).toMatchObject({ name: 'Moor', meter: [3, 4], tempo: 72, key: { tonic: 'G', scale: 'aeolian' } });
    expect(f.text).toBe('| Bbm7 . Eb7b9 | Eb7b9 |');
  });
  it.each<[string, () => FormFile, string]>([
    ['text without bars', () => readFormText('Dm7 G7'), 'no bars'],
    ['ChordPro without chords', () => readChordPro('{title: Rain}\nonly words'), 'no chord'],
    [
      'MusicXML without chords',
      () => readFormXml('<score-partwise><part id="P1"><measure number="1"/></part></score-partwise>'),
      'no chords',
    ],
    ['other XML', () => readFormXml('<html/>'), 'begins with <html>'],
    ['broken XML', () => readFormXml('<score-partwise>'), 'not whole XML'],
    ['a broken MIDI file', () => readFormMidi(Uint8Array.from([0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1])), 'breaks off'],
  ])('%s is refused in words', (_, reading, words) => {
    expect(reading).toThrow(words);
  });
  it('nothing that is thrown at them breaks the readers: they read or refuse', () => {
    const line = fc.array(fc.constantFrom('|', ':|', '|:', '.', '%', 'C', 'Dm7', '[A]', '{sog}', '{eog}', '{title: x}', '{key: H}', '\n', '*', 'x', '1.', '['), { maxLength: 40 }); // prettier-ignore
    const refused = (reading: () => FormFile): void => {
      try {
        const f = reading();
        parseProgression(f.text, { beats: Math.max(1, Math.min(15, f.meter[0])) });
      } catch (e) {
        expect((e as Error).name).toBe('FormatError');
      }
    };
    fc.assert(
      fc.property(line, (signs) => {
        const text = signs.join(' ');
        refused(() => readChordPro(text));
        refused(() => readFormText(text));
      }),
      { numRuns: 300 },
    );
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 60 }), (bytes) => {
        const head = [0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0, 1, 1, 0xe0, 0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, bytes.length];
        refused(() => readFormMidi(Uint8Array.from([...head, ...bytes])));
      }),
      { numRuns: 200 },
    );
  });
});
