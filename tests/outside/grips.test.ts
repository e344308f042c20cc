import { readFileSync } from 'node:fs';
import { Chord } from 'tonal';
import { degreesOf, gripsOf, holdGrip, nameGrip, noteOnDegree, pitchAt, plainDegree, pitchName, type Instrument, type Place } from '../../core'; // prettier-ignore

/**
 * Grips against an open dataset (chords-db, MIT; 2,069 grips in standard tuning with MIDI numbers). By pitch: its chord names are
 * loose. Every grip that the hand model allows must be found under the chord that it sounds; those refused are counted by reason and
 * were looked at on 2026-11-29: a string damped under the barre (1x3231), fingers of one fret crossed (x31013 as 3 2 1 4), ring and
 * little finger two frets apart below fret 6 (x4212x), two strings damped inside (3xx321).
 */
interface Entry {
  frets: number[];
  baseFret: number;
  midi: number[];
}
const file = new URL('../../node_modules/@tombatossals/chords-db/lib/guitar.json', import.meta.url);
const dataset = JSON.parse(readFileSync(file, 'utf8')) as { chords: Record<string, { key: string; suffix: string; positions: Entry[] }[]> };
const ENTRIES = Object.values(dataset.chords).flatMap((list) => list.flatMap((c) => c.positions.map((p) => ({ ...p, name: c.key + c.suffix })))); // prettier-ignore
const STANDARD: Instrument = { name: 'standard', strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })), frets: 24, scaleLengthMm: 648 }; // prettier-ignore

const placesOf = ({ frets, baseFret }: Entry): Place[] =>
  frets.flatMap((f, k) => (f < 0 ? [] : [{ string: 6 - k, fret: f === 0 ? 0 : f + baseFret - 1 }]));
/** What a grip sounds, as a chord of its degrees over its bass. */
function soundsAs(midis: readonly number[]): string {
  const bass = Math.min(...midis);
  const degrees = [...new Set(midis.map((m) => (m - bass) % 12))].sort((a, b) => a - b).map(plainDegree);
  return `${pitchName(bass).replace(/\d/, '')}(${degrees.join(',')})`;
}
const damped = ({ frets }: Entry): number => frets.slice(frets.findIndex((f) => f >= 0), frets.findLastIndex((f) => f >= 0)).filter((f) => f < 0).length; // prettier-ignore

/** A string damped inside with open or damped neighbours. */
const loose = ({ frets }: Entry): boolean =>
  frets.some((f, k) => f < 0 && frets.slice(0, k).some((g) => g >= 0) && frets.slice(k).some((g) => g >= 0) && Math.max(frets[k - 1]!, frets[k + 1]!) <= 0); // prettier-ignore

describe('against a dataset of grips', () => {
  it('frets are where it says that they sound', () => {
    expect(ENTRIES.length).toBe(2069);
    for (const e of ENTRIES) expect(placesOf(e).map((p) => pitchAt(STANDARD, p).midi).sort()).toEqual([...e.midi].sort()); // prettier-ignore
  });

  it('all that a hand holds are found, and few are refused', () => {
    const refused: Record<string, number> = {};
    const lost: string[] = [];
    for (const e of ENTRIES) {
      const places = placesOf(e);
      const held = holdGrip(STANDARD, places);
      const why =
        damped(e) > 1
          ? 'two damped inside'
          : loose(e)
            ? 'damped with no finger beside'
            : 'why' in held
              ? held.why.replace(/\d+/g, '#')
              : null;
      if (why) {
        refused[why] = (refused[why] ?? 0) + 1;
        continue;
      }
      const symbol = soundsAs(places.map((p) => pitchAt(STANDARD, p).midi));
      const stopped = places.map((p) => p.fret).filter((f) => f > 0);
      const low = stopped.length === places.length ? Math.min(...stopped) : 0;
      const found = gripsOf(STANDARD, symbol, { strings: places.map((p) => p.string), fromFret: low, toFret: Math.max(...stopped, 0) });
      if (!found.some((g) => JSON.stringify(g.places) === JSON.stringify(places))) lost.push(`${e.name} ${e.frets.join()}`);
    }
    expect(lost).toEqual([]);
    expect(refused).toEqual({
      'it needs # fingers; a hand has four': 10,
      'from fret # to fret # it is # mm wide, and its fingers do not open so far': 24,
      'damped with no finger beside': 2,
      'two damped inside': 5,
    });
  });
});

describe('names against the theory library', () => {
  /** Kinds that both name; the library has no sixths over other basses and no omitted fifths. */
  const SAME = [
    '',
    'm',
    '7',
    'maj7',
    'm7',
    'm7b5',
    'dim7',
    'aug',
    'sus4',
    'sus2',
    '7sus4',
    '9',
    'maj9',
    'm9',
    'mM7',
    '7b9',
    '7#9',
    'maj7#11',
    '69',
    'm6',
  ];
  it.each(SAME)('C%s: the library finds our first reading among its own', (suffix) => {
    const chord = Chord.get(`C${suffix}`);
    const semitones = chord.intervals.map((i) => ({ '1P': 0, '2M': 2, '2m': 1, '3m': 3, '3M': 4, '4P': 5, '4A': 6, '5d': 6, '5P': 7, '5A': 8, '6M': 9, '7d': 9, '7m': 10, '7M': 11, '9m': 1, '9M': 2, '9A': 3, '11A': 6 })[i] as number); // prettier-ignore
    const wide: Instrument = { ...STANDARD, strings: semitones.map((s, k) => ({ open: pitchName(48 + (k ? 12 : 0) + s) })) };
    const places = wide.strings.map((_, k) => ({ string: k + 1, fret: 0 }));
    const [first] = nameGrip(wide, places);
    const theirs = Chord.detect(places.map((p) => pitchName(pitchAt(wide, p).midi, true).replace(/-?\d+$/, '')));
    const sounds = (s: string): string => [...new Set(Chord.get(s).notes.map((n) => Chord.get(`${n}5`).notes[0]).map((n) => pitchClass(n!)))].sort((a, b) => a - b).join(); // prettier-ignore
    expect(theirs.some((t) => sounds(t.replace(/\/[A-G][#b]?$/, '')) === sounds(first!.symbol.replace(/\/[A-G][#b]?$/, '')))).toBe(true);
    expect(first!.omitted).toEqual([]);
    expect(first!.bass).toBe('C');
  });
  it('degrees are those of the major scale of the root', () => {
    const [first] = nameGrip(STANDARD, [{ string: 5, fret: 3 }, { string: 4, fret: 2 }, { string: 3, fret: 0 }]); // prettier-ignore
    expect(first!.degrees.map((d) => noteOnDegree('C', d))).toEqual(['C', 'E', 'G']);
    expect(degreesOf('ionian')).toEqual(expect.arrayContaining(first!.degrees));
  });
});

const pitchClass = (note: string): number => ('C D EF G A B'.indexOf(note[0]!) + note.split('#').length - note.split('b').length + 12) % 12;
