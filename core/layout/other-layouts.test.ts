import fc from 'fast-check';
import { isScale, keys, open, perString, pitches, scaleBetween } from '../../tests/support/naive';
import { anyInstrument, anyScale, guitar, namedScale, shapesOr, usualInstrument } from '../../tests/support/random';
import {
  layOut,
  nameShape,
  neckNotes,
  scaleNotes,
  semitonesOf,
  type Instrument,
  type Layout,
  type Place,
  type ScaleRef,
  type Shape,
} from '../index';

describe('the other layouts', () => {
  const upTo = (i: Instrument, s: Shape): void => {
    const own = pitches(i, s);
    expect(own).toEqual([...own].sort((a, b) => a - b));
  };
  const rootOf = (i: Instrument, ref: ScaleRef, pick: number): Place => {
    const roots = neckNotes(i, ref).filter((n) => n.role === 'root');
    return roots[pick % roots.length]!;
  };

  it('one string: every scale note of that string', () => {
    fc.assert(
      fc.property(anyInstrument, anyScale, (i, ref) => {
        const string = i.strings.length;
        const naive: number[] = [];
        for (let f = i.capo ?? 0; f <= i.frets; f++) if (isScale(ref, open(i, string) + f)) naive.push(f);
        // A short neck behind a capo may have none of two or three scale notes: that is refused.
        const [shape] = shapesOr(i, ref, { kind: 'one-string', string });
        expect(shape?.cells[0]!.frets ?? []).toEqual(naive);
      }),
      { numRuns: 60 },
    );
  });

  it('region: every scale note between the borders, unisons kept', () => {
    fc.assert(
      fc.property(anyInstrument, anyScale, fc.integer({ min: 0, max: 7 }), (i, ref, fromFret) => {
        const naive: string[] = [];
        i.strings.forEach((_, k) => {
          for (let f = Math.max(fromFret, i.capo ?? 0); f <= 12; f++) if (isScale(ref, open(i, k + 1) + f)) naive.push(`${k + 1}/${f}`);
        });
        const shapes = shapesOr(i, ref, { kind: 'region', fromFret, toFret: 12 });
        expect(shapes.flatMap((s) => keys(s.notes))).toEqual(naive.sort());
        shapes.forEach((s) => upTo(i, s));
      }),
      { numRuns: 60 },
    );
  });

  it('diagonal: counts take turns, no gap, the root stays where it was put', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, fc.nat(), (i, ref, pick) => {
        const root = rootOf(i, ref, pick);
        const shapes = layOut(i, ref, { kind: 'diagonal', root });
        const here = shapes.find((s) => keys(s.notes).includes(keys([root])[0]!)) as Shape;
        expect(here).toBeDefined();
        const own = pitches(i, here);
        const total = scaleNotes(ref).length;
        const rows = perString(i, here).map((n) => n.length);
        const uncut = rows.slice(1).every((n, k) => n + rows[k]! === total) && rows.every((n) => n >= Math.floor(total / 2) - 1);
        if (uncut) expect(own).toEqual(scaleBetween(ref, own[0]!, own[own.length - 1]!));
        expect(own).toEqual([...own].sort((a, b) => a - b));
      }),
      { numRuns: 60 },
    );
  });

  it('anchor: the root is the lowest note of its string, n notes on every string that is whole', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, fc.nat(), fc.integer({ min: 1, max: 4 }), (i, ref, pick, notes) => {
        const root = rootOf(i, ref, pick);
        const here = layOut(i, ref, { kind: 'anchor', root, notes }).find((s) => keys(s.notes).includes(keys([root])[0]!)) as Shape;
        const own = here.notes.filter((n) => n.string === root.string).map((n) => n.fret);
        expect(Math.min(...own)).toBe(root.fret);
        expect(perString(i, here).every((n) => n.length <= notes)).toBe(true);
        expect(
          layOut(i, ref, { kind: 'anchor', root, notes }).every(
            (s) => s === here || s.notes.length === notes * i.strings.length || s.lowFret === here.lowFret,
          ),
        ).toBe(true);
      }),
      { numRuns: 60 },
    );
  });

  it('split: the lower strings of one shape, one string back, then up through the next', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, (i, ref) => {
        const tiers = shapesOr(i, ref, { kind: 'per-string', notes: 3 });
        const n = i.strings.length;
        const turn = Math.floor(n / 2) + 1;
        for (const s of shapesOr(i, ref, { kind: 'split' })) {
          const lower = s.notes.slice(0, turn * 3).map((p) => [p.string, p.fret]);
          const upper = s.notes.slice(turn * 3).map((p) => [p.string, p.fret]);
          const from = tiers.find((t) => t.number === s.number && t.notes[0]!.fret === s.notes[0]!.fret) as Shape;
          expect(from.notes.slice(0, turn * 3).map((p) => [p.string, p.fret])).toEqual(lower);
          expect(tiers.some((t) => JSON.stringify(t.notes.slice(Math.max(0, turn - 2) * 3).map((p) => [p.string, p.fret])) === JSON.stringify(upper))).toBe(true); // prettier-ignore
        }
      }),
      { numRuns: 30 },
    );
  });

  it('string set: chosen strings only, each with its count; a skip goes on near the last first fret', () => {
    const [s] = layOut(
      guitar(),
      { tonic: 'A', scale: 'ionian' },
      { kind: 'string-set', strings: [5, 3, 1], counts: [3, 3, 3], start: { string: 5, fret: 5 } },
    );
    expect(s!.cells.map((c) => [c.string, c.frets])).toEqual([[5, [5, 7, 9]], [3, [4, 6, 7]], [1, [4, 5, 7]]]); // prettier-ignore
    const [t] = layOut(
      guitar(),
      { tonic: 'A', scale: 'ionian' },
      { kind: 'string-set', strings: [2, 1], counts: [4, 4], start: { string: 2, fret: 5 } },
    );
    const own = pitches(guitar(), t!);
    expect(own).toEqual(scaleBetween({ tonic: 'A', scale: 'ionian' }, own[0]!, own[7]!));
  });

  it('refuse a start outside the scale and name the note', () => {
    expect(() => layOut(guitar(), { tonic: 'C', scale: 'ionian' }, { kind: 'diagonal', root: { string: 6, fret: 2 } })).toThrow(
      'is F#, which is not in the scale',
    );
    expect(() => layOut(guitar(), { tonic: 'C', scale: 'ionian' }, { kind: 'anchor', root: { string: 6, fret: 3 }, notes: 3 })).toThrow(
      'not a root',
    );
    expect(() =>
      layOut(
        guitar(),
        { tonic: 'C', scale: 'ionian' },
        { kind: 'string-set', strings: [6, 6], counts: [3, 3], start: { string: 6, fret: 3 } },
      ),
    ).toThrow('each string can be chosen once');
  });

  it('say so when nothing fits', () => {
    const short = { ...guitar(5) };
    expect(() => layOut(short, { tonic: 'C', scale: 'minor pentatonic' }, { kind: 'per-string', notes: 6 })).toThrow(
      expect.objectContaining({ code: 'NO_SHAPE_FITS' }) as Error,
    );
    expect(() => layOut(guitar(), { tonic: 'C', scale: 'ionian' }, { kind: 'spiral' } as unknown as Layout)).toThrow('layout.kind');
  });
});

describe('jogs', () => {
  it('are the distance of each pair from a fourth', () => {
    const [s] = layOut(guitar(), { tonic: 'E', scale: 'aeolian' }, { kind: 'box' });
    expect(s!.jogs).toEqual([{ below: 3, above: 2, semitones: 4, frets: 1 }]);
  });
  it('are none in all fourths', () => {
    const fourths = { ...guitar(), strings: ['F4', 'C4', 'G3', 'D3', 'A2', 'E2'].map((o) => ({ open: o })) };
    expect(layOut(fourths, { tonic: 'E', scale: 'aeolian' }, { kind: 'box' })[0]!.jogs).toEqual([]);
  });
});

describe('naming a shape', () => {
  it('recognises every box and every three-per-string shape from its bare places', () => {
    for (const layout of [
      { kind: 'box', numbering: 'minor-root' },
      { kind: 'per-string', notes: 3 },
    ] as Layout[]) {
      for (const s of layOut(guitar(), { tonic: 'D', scale: 'mixolydian' }, layout)) {
        expect(nameShape(guitar(), { tonic: 'D', scale: 'mixolydian' }, [...s.notes].reverse())).toEqual({
          layout,
          number: s.number,
          label: s.label,
        });
      }
    }
  });
  it('says null for places that are no whole shape', () => {
    expect(nameShape(guitar(), { tonic: 'D', scale: 'mixolydian' }, [{ string: 6, fret: 10 }])).toBeNull();
  });
});

it('every catalogue degree keeps its semitones', () => {
  expect(['1', 'b3', '#4', 'b5', 'bb7', '7'].map(semitonesOf)).toEqual([0, 3, 6, 6, 9, 11]);
});

it('jogs are counted across strings that a shape skips', () => {
  const layout: Layout = { kind: 'string-set', strings: [6, 4, 2], counts: [3, 3, 3], start: { string: 6, fret: 5 } };
  expect(layOut(guitar(), { tonic: 'A', scale: 'ionian' }, layout)[0]!.jogs).toEqual([{ below: 3, above: 2, semitones: 4, frets: 1 }]);
});
