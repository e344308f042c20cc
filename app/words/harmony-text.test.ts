import { DEMO } from '../../demo';
import { chainOf, chordProblem, chordsIn, readChords, sameGrip, scaleOf } from './harmony-text';
import { matchEnds } from './end-text';
import { neckNotes } from '../../core';

const { instrument, scale } = DEMO.studies[0]!.body;

describe('words of harmony', () => {
  it('points at what of a chord cannot be read', () => {
    expect(chordProblem('Cmaj7foo')).toMatchObject({ before: 'Cmaj7', wrong: 'foo', after: '' });
    expect(chordProblem('F#m7')).toBeNull();
  });
  it('reads chords one after another, bars and repeats between them; the first wrong one is named', () => {
    expect(readChords('Dm7 | G7, Cmaj7 %')).toEqual({ symbols: ['Dm7', 'G7', 'Cmaj7'], problem: null });
    expect(readChords('Dm7 Gsos4').problem).toContain('“Gsos4”');
    expect(readChords('')).toEqual({ symbols: [], problem: null });
  });
  it('says the chain of kinds; a scale that is unknown has no chords', () => {
    expect(chainOf(chordsIn({ tonic: 'G', scale: 'phrygian' }, 3).chords)).toBe('m, maj, maj, m, dim, maj, m');
    expect(chordsIn({ tonic: 'G', scale: 'no such scale' }, 3).chords).toEqual([]);
    expect(scaleOf(scale)).toBe('F♯ Dorian');
  });
  it('one grip is the same as another where its places are', () => {
    expect(sameGrip([{ string: 1, fret: 2 }], [{ string: 1, fret: 2 }])).toBe(true);
    expect(sameGrip([{ string: 1, fret: 2 }], [{ string: 1, fret: 3 }])).toBe(false);
  });
});

describe('a tone of a chord as the end of a route', () => {
  const where = { shapes: [], instrument, notes: neckNotes(instrument, scale), goal: true };
  it.each([
    ['third of B7', 'D#'],
    ['3 of b7', 'D#'],
    ['b7 of B7', 'A'],
    ['root of F#m7', 'F#'],
    ['ninth of B9', 'C#'],
  ])('%s is %s wherever it lies', (text, note) => {
    const found = matchEnds(text, where);
    expect(found.length).toBeGreaterThan(3);
    const names = new Map(where.notes.map((n) => [`${n.string}/${n.fret}`, n.name]));
    for (const f of found) if ('place' in f.value) expect(names.get(`${f.value.place.string}/${f.value.place.fret}`)).toBe(note);
  });
  it('a tone that the chord or the scale has not gives nothing', () => {
    for (const text of ['ninth of B7', 'third of Qz', 'third of Ab7']) expect(matchEnds(text, where)).toEqual([]);
  });
});
