import {
  arpeggio,
  arpeggioIn,
  chordNotes,
  chordOn,
  CoreError,
  layOut,
  nearestTone,
  placeKey,
  rootPlaces,
  sweepsIn,
  type Instrument,
} from '../index';

const SIX: Instrument = { name: 'six', strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })), frets: 22, scaleLengthMm: 648 }; // prettier-ignore
const D_DORIAN = { tonic: 'D', scale: 'dorian' };
const BOX = { kind: 'box' } as const;
const cells = (s: { cells: { frets: number[] }[] }): string => s.cells.map((c) => c.frets.join(' ')).join(' / ');

describe('an arpeggio', () => {
  it('is the chord tones of a rung and nothing else, with the chord’s roots and degrees', () => {
    layOut(SIX, D_DORIAN, BOX).forEach((rung, k) => {
      for (const degree of ['1', '4', '6'] as const)
        for (const size of [3, 4, 5] as const) {
          const shape = arpeggio(SIX, D_DORIAN, degree, BOX, { rung: k, size });
          const symbol = chordOn(D_DORIAN, degree, { size });
          const own = new Set(rung.notes.map(placeKey));
          const names = new Set(chordNotes(symbol));
          expect(shape.notes.every((n) => own.has(placeKey(n)) && names.has(n.name))).toBe(true);
          expect(shape.notes).toHaveLength(rung.notes.filter((n) => names.has(n.name)).length);
          expect(shape.roots.map(placeKey).sort()).toEqual(
            rootPlaces(SIX, { tonic: chordNotes(symbol)[0]!, scale: 'ionian' })
              .map(placeKey)
              .filter((p) => own.has(p))
              .sort(),
          );
          expect(shape.notes.every((n) => n.finger !== undefined)).toBe(true);
        }
    });
  });
  // D minor seventh in the box with the hand at fret 5: common practice, no published source.
  it('D minor seventh where D minor is held at fret 5', () => {
    const at = layOut(SIX, D_DORIAN, BOX).findIndex((s) => s.label === 'box 4' && s.lowFret === 4);
    expect(cells(arpeggio(SIX, D_DORIAN, '1', BOX, { rung: at }))).toBe('5 8 / 5 8 / 7 / 5 7 / 6 / 5 8');
  });
  it('other kinds on the degree, and so many notes a string', () => {
    expect(chordOn(D_DORIAN, '1', { kind: 'sus4' })).toBe('Dsus4');
    const two = arpeggio(SIX, D_DORIAN, '1', BOX, { perString: 2 });
    expect(two.cells.every((c) => c.frets.length === 2)).toBe(true);
  });
  it('tells which runs one stroke sweeps: three strings in a row or more', () => {
    const one = arpeggio(SIX, D_DORIAN, '1', BOX, { perString: 1, size: 3 });
    expect(sweepsIn(one)).toEqual([{ from: 0, to: one.notes.length - 1 }]);
    const pairs = arpeggio(SIX, D_DORIAN, '1', BOX, { perString: 2, size: 4 });
    expect(sweepsIn(pairs)).toEqual([]);
    for (const { from, to } of sweepsIn(arpeggio(SIX, D_DORIAN, '1', BOX, { rung: 3 })))
      for (let k = from + 1; k <= to; k++) expect(Math.abs(arpeggio(SIX, D_DORIAN, '1', BOX, { rung: 3 }).notes[k]!.string - arpeggio(SIX, D_DORIAN, '1', BOX, { rung: 3 }).notes[k - 1]!.string)).toBe(1); // prettier-ignore
  });
  it('says what it cannot do', () => {
    expect(() => arpeggio(SIX, D_DORIAN, 'b2', BOX)).toThrow('not in this scale');
    expect(() => arpeggio(SIX, D_DORIAN, '1', BOX, { rung: 99 })).toThrow('rungs');
    const [rung] = layOut(SIX, { tonic: 'C', scale: 'major pentatonic' }, BOX);
    expect(() => arpeggioIn(SIX, 'Db(1)', rung!)).toThrow(CoreError);
  });
  it('the third of a chord nearest to a fret', () => {
    expect(nearestTone(SIX, 'B7', 'b7', 5)).toEqual({ string: 1, fret: 5 });
    expect(nearestTone(SIX, 'B7', '3', 5)).toEqual({ string: 2, fret: 4 });
    expect(nearestTone(SIX, 'B7', 'b3', 5)).toBeNull();
  });
});
