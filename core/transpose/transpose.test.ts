import fc from 'fast-check';
import { midi, isScale } from '../../tests/support/naive';
import { anyInstrument, guitar, namedScale, usualInstrument } from '../../tests/support/random';
import {
  alongScale,
  changeDegree,
  checkLine,
  layOut,
  neckNotes,
  parseTuning,
  placesOf,
  scaleNotes,
  toKey,
  toTuning,
  type Instrument,
  type Place,
} from '../index';

const at = (string: number, fret: number): Place => ({ string, fret });
const tuned = (low: string, frets = 22): Instrument => ({ ...guitar(frets), strings: parseTuning(low).map((open) => ({ open })) });
const anyShape = (i: Instrument): fc.Arbitrary<Place[]> =>
  fc.array(fc.record({ string: fc.integer({ min: 1, max: i.strings.length }), fret: fc.integer({ min: i.capo ?? 0, max: i.frets }) }), {
    minLength: 1,
    maxLength: 8,
  });

describe('to another key', () => {
  it('moves every fret alike; every fold that fits, nearest first', () => {
    const shape = [at(6, 5), at(6, 8), at(5, 5)];
    expect(toKey(guitar(), shape, 3)).toEqual([
      { places: [at(6, 8), at(6, 11), at(5, 8)], folded: 0 },
      { places: [at(6, 20), at(6, 23), at(5, 20)], folded: 1 },
    ].slice(0, 1)); // prettier-ignore
    expect(toKey(guitar(24), shape, 9).map((f) => [f.folded, f.places[0]!.fret])).toEqual([[-1, 2], [0, 14]]); // prettier-ignore
    expect(toKey(guitar(), [at(1, 0), at(1, 22)], 1)).toEqual([]);
  });
  it('there and back is the identity, and every fit sounds in the new key', () => {
    fc.assert(
      fc.property(
        anyInstrument.chain((i) => fc.tuple(fc.constant(i), anyShape(i))),
        fc.integer({ min: -11, max: 11 }),
        ([i, shape], by) => {
          const fits = toKey(i, shape, by);
          for (const { places, folded } of fits) {
            places.forEach((p, k) => expect(midi(i, p) - midi(i, shape[k]!)).toBe(by + 12 * folded));
            expect(toKey(i, places, -by).map((f) => f.places)).toContainEqual(shape);
          }
          const moves = fits.map((f) => Math.abs(by + 12 * f.folded));
          expect(moves).toEqual([...moves].sort((a, b) => a - b));
          let naive = 0;
          for (let move = -60; move <= 60; move++)
            if ((move - by) % 12 === 0 && shape.every((p) => p.fret + move >= (i.capo ?? 0) && p.fret + move <= i.frets)) naive++;
          expect(fits).toHaveLength(naive);
        },
      ),
    );
  });
});

describe('to another tuning', () => {
  it('keeps the sound: string 6 tuned down a whole step goes two frets up', () => {
    const shape = [at(6, 3), at(6, 5), at(5, 2)];
    expect(toTuning(guitar(), tuned('D2 A2 D3 G3 B3 E4'), shape, 'sound')).toEqual({ places: [at(6, 5), at(6, 7), at(5, 2)], missing: [] });
  });
  it('lists what no longer exists, and nothing else is lost', () => {
    const { places, missing } = toTuning(guitar(), tuned('G2 C3 F3 Bb3 D4 G4'), [at(6, 0), at(6, 2), at(6, 5)], 'sound');
    expect(places[0]).toBeNull();
    expect(places[1]).toBeNull();
    expect(places[2]).not.toBeNull();
    expect(missing).toEqual([40, 42]);
  });
  it('keeps every MIDI number that the new neck has', () => {
    fc.assert(
      fc.property(
        anyInstrument.chain((i) => fc.tuple(fc.constant(i), anyShape(i))),
        anyInstrument,
        ([from, shape], to) => {
          const { places, missing } = toTuning(from, to, shape, 'sound');
          places.forEach((p, k) => {
            const wanted = midi(from, shape[k]!);
            if (p) expect(midi(to, p)).toBe(wanted);
            else expect([placesOf(to, wanted), missing.includes(wanted)]).toEqual([[], true]);
          });
        },
      ),
    );
  });
  it('keeps the shape: every fret, and says what it has become', () => {
    const [box] = layOut(guitar(), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' });
    const up = tuned('F2 Bb2 Eb3 Ab3 C4 F4');
    const kept = toTuning(guitar(), up, box!.notes, 'shape');
    expect(kept.places).toEqual(box!.notes.map(({ string, fret }) => at(string, fret)));
    expect(kept.scale).toBeTruthy();
    const sounds = new Set(box!.notes.map((n) => midi(up, n) % 12));
    const said = scaleNotes(kept.scale as NonNullable<typeof kept.scale>).map((n) => (n.semitones + ({ F: 5, Bb: 10, Ab: 8, Db: 1, Eb: 3 } as Record<string, number>)[kept.scale?.tonic ?? '']!) % 12); // prettier-ignore
    expect(new Set(said)).toEqual(sounds);
    expect(toTuning(guitar(), tuned('C2 A2 D3 F#3 B3 E4'), box!.notes, 'shape').scale).toBeNull();
  });
  it('keeps the shape on fewer strings as far as there are strings', () => {
    const four = { ...guitar(), strings: guitar().strings.slice(0, 4) };
    const { places, missing } = toTuning(guitar(), four, [at(6, 3), at(1, 3)], 'shape');
    expect([places, missing]).toEqual([[null, at(1, 3)], [43]]);
  });
  it('the shape moves with the capo: an open E minor lick behind a capo at 3', () => {
    const lick = [at(1, 0), at(1, 3), at(1, 0), at(2, 2), at(2, 0), at(3, 2), at(3, 0)];
    const there = toTuning(guitar(), { ...guitar(), capo: 3 }, lick, 'shape').places;
    expect(there.map((p) => p?.fret)).toEqual([3, 6, 3, 5, 3, 5, 3]);
    expect(
      toTuning(
        { ...guitar(), capo: 3 },
        guitar(),
        there.filter((p) => p !== null),
        'shape',
      ).places,
    ).toEqual(lick);
  });
  it('keeps the shape on another number of strings where most open pitches, then letters, agree', () => {
    const on = (low: string) => ({ ...guitar(), strings: low.split(' ').reverse().map((open) => ({ open })) }); // prettier-ignore
    const e = [at(6, 5), at(5, 7), at(3, 4), at(1, 5)];
    const strings = (low: string): (number | undefined)[] => toTuning(guitar(), on(low), e, 'shape').places.map((p) => p?.string);
    expect(strings('E1 A1 D2 G2')).toEqual([4, 3, 1, undefined]);
    expect(strings('B1 E2 A2 D3 G3 B3 E4')).toEqual([6, 5, 3, 1]);
    expect(strings('E2 A2 D3 G3 C4')).toEqual([5, 4, 2, undefined]);
    expect(strings('D2 A2 D3 G3 B3 E4')).toEqual([6, 5, 3, 1]);
    expect(strings('C2 C3 C4')).toEqual([3, 2, undefined, undefined]);
  });
  it('a unison on two strings stays on two strings where it can', () => {
    const { places } = toTuning(guitar(), tuned('D2 G2 C3 F3 A3 D4'), [at(6, 5), at(5, 0)], 'sound');
    expect(new Set(places.map((p) => p?.string)).size).toBe(2);
  });
});

describe('degrees', () => {
  const DORIAN = { tonic: 'F#', scale: 'dorian' };
  it('every b3 becomes 3: Mixolydian', () => {
    expect(changeDegree(DORIAN, [54, 57, 61, 69], 'b3', '3')).toEqual({ pitches: [54, 58, 61, 70], changed: [1, 3], scale: { tonic: 'F#', scale: 'mixolydian' }, named: 'Mixolydian' }); // prettier-ignore
  });
  it('every b7 becomes 6: a scale of six, told by its degrees', () => {
    const { pitches, scale } = changeDegree(DORIAN, [54, 64], 'b7', '6');
    expect([pitches, scale.scale]).toEqual([
      [54, 63],
      ['1', '2', 'b3', '4', '5', '6'],
    ]);
  });
  it('goes the shorter way', () => {
    expect(changeDegree({ tonic: 'C', scale: 'ionian' }, [71], '7', '1').pitches).toEqual([72]);
  });
  it('moves along the scale: thirds above, an octave above, and back', () => {
    expect(alongScale(DORIAN, [54, 56, 57], 2)).toEqual([57, 59, 61]);
    fc.assert(
      fc.property(
        namedScale,
        fc.array(fc.integer({ min: 40, max: 80 }), { maxLength: 10 }),
        fc.integer({ min: -14, max: 14 }),
        (ref, pitches, steps) => {
          const inside = pitches.filter((m) => isScale(ref, m));
          const moved = alongScale(ref, inside, steps);
          expect(moved.every((m) => isScale(ref, m))).toBe(true);
          expect(alongScale(ref, moved, -steps)).toEqual(inside);
          expect(alongScale(ref, pitches, scaleNotes(ref).length)).toEqual(pitches.map((m) => m + 12));
        },
      ),
    );
  });
});

describe('checking a line', () => {
  const DORIAN = { tonic: 'F#', scale: 'dorian' };
  const check = (...places: Place[]) => checkLine(guitar(), DORIAN, places);
  it('finds nothing wrong with a shape', () => {
    for (const s of layOut(guitar(), DORIAN, { kind: 'box' })) expect(check(...s.notes)).toEqual([]);
    for (const s of layOut(guitar(), DORIAN, { kind: 'per-string', notes: 3 })) expect(check(...s.notes)).toEqual([]);
  });
  it('a note off the scale: the neighbour that is in it', () => {
    expect(check(at(6, 2), at(6, 3), at(6, 5))).toMatchObject([
      { index: 1, problem: 'off-scale', note: 'G', suggestion: at(6, 4), degree: 'b2' },
    ]);
  });
  it('a fret beyond the neck: the same pitch nearby, else an octave down', () => {
    expect(check(at(2, 21), at(2, 24), at(1, 21))).toMatchObject([{ index: 1, problem: 'off-neck', suggestion: at(1, 19) }]);
    expect(check(at(1, 26))).toMatchObject([{ problem: 'off-neck', suggestion: at(1, 14) }]);
    expect(check(at(9, 2))).toEqual([{ index: 0, problem: 'off-neck', note: '?' }]);
  });
  // Common practice, no published source: an octave counted two frets short.
  it('an octave that is not one: on one string and across strings', () => {
    expect(check(at(6, 2), at(6, 12))).toEqual([{ index: 1, problem: 'not-an-octave', note: 'E', suggestion: at(6, 14) }]);
    expect(check(at(6, 2), at(4, 5))).toMatchObject([{ index: 1, problem: 'not-an-octave', suggestion: at(4, 4) }]);
    expect(check(at(6, 2), at(6, 14))).toEqual([]);
  });
  it('a reach no hand makes: the same pitch under the hand', () => {
    expect(check(at(6, 2), at(5, 9), at(4, 2))).toMatchObject([{ index: 1, problem: 'too-wide', suggestion: at(4, 4) }]);
    expect(check(at(6, 2), at(1, 14))).toEqual([]);
    expect(check(at(6, 9), at(6, 2))).toEqual([]);
  });
  it('one-fret slips on a shape are found, and the mend is a note of the scale', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, fc.nat(), fc.constantFrom(-1, 1), (i, ref, pick, by) => {
        const notes = neckNotes(i, ref);
        const n = notes[pick % notes.length]!;
        const slip = at(n.string, n.fret + by);
        if (slip.fret < 0 || slip.fret > i.frets) return;
        const [fault] = checkLine(i, ref, [slip]);
        if (isScale(ref, midi(i, slip))) expect(fault).toBeUndefined();
        else {
          expect(fault!.problem).toBe('off-scale');
          expect(isScale(ref, midi(i, fault!.suggestion as Place))).toBe(true);
        }
      }),
    );
  });
});
