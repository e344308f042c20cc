import fc from 'fast-check';
import { guitar, namedScale, shapesOr, usualInstrument } from '../../tests/support/random';
import { anchoredLayout, layOut, neckNotes, nearestRoot, rootPlaces, type Layout } from '../index';

const place = fc.record({ string: fc.integer({ min: 1, max: 9 }), fret: fc.integer({ min: 0, max: 30 }) });
const hanging: fc.Arbitrary<Layout> = fc.oneof(
  place.map((root): Layout => ({ kind: 'diagonal', root })),
  place.map((root): Layout => ({ kind: 'anchor', root, notes: 3 })),
  place.map((start): Layout => ({ kind: 'string-set', strings: [start.string], counts: [3], start })),
  fc.integer({ min: 1, max: 9 }).map((string): Layout => ({ kind: 'one-string', string })),
  fc.integer({ min: 0, max: 30 }).map((fret): Layout => ({ kind: 'region', fromFret: fret, toFret: fret + 5 })),
);

describe('a layout that hangs on a place', () => {
  it('can always be laid out after it was moved, wherever it came from', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, hanging, (i, ref, layout) => {
        expect(() => shapesOr(i, ref, anchoredLayout(i, ref, layout))).not.toThrow();
      }),
      { numRuns: 150 },
    );
  });
  it('is left alone, the same object, where it can stand', () => {
    for (const layout of [
      { kind: 'box' },
      { kind: 'diagonal', root: { string: 6, fret: 3 } },
      { kind: 'one-string', string: 6 },
    ] as Layout[])
      expect(anchoredLayout(guitar(), { tonic: 'G', scale: 'ionian' }, layout)).toBe(layout);
  });
  it('goes to the nearest root on its string, or on the nearest string that has one', () => {
    expect(anchoredLayout(guitar(), { tonic: 'A', scale: 'ionian' }, { kind: 'diagonal', root: { string: 6, fret: 3 } })).toEqual({
      kind: 'diagonal',
      root: { string: 6, fret: 5 },
    });
    const short = { ...guitar(5) };
    expect(nearestRoot(short, { tonic: 'F#', scale: 'ionian' }, { string: 5, fret: 0 })).toEqual({ string: 6, fret: 2 });
    expect(rootPlaces(short, { tonic: 'F#', scale: 'ionian' })).toEqual([{ string: 1, fret: 2 }, { string: 4, fret: 4 }, { string: 6, fret: 2 }]); // prettier-ignore
  });
});

it('a string set holds its counts, goes on in pitch between neighbours, and near the last first fret after a skip', () => {
  fc.assert(
    fc.property(
      usualInstrument,
      namedScale,
      fc.subarray([9, 8, 7, 6, 5, 4, 3, 2, 1], { minLength: 1 }),
      fc.integer({ min: 1, max: 4 }),
      fc.nat(),
      (i, ref, wanted, count, pick) => {
        const strings = wanted.filter((s) => s <= i.strings.length);
        if (!strings.length) return;
        const starts = neckNotes(i, ref).filter((n) => n.string === strings[0]);
        const { string, fret } = starts[pick % starts.length]!;
        const all = shapesOr(i, ref, { kind: 'string-set', strings, counts: strings.map(() => count), start: { string, fret } });
        const here = all.find((s) => s.notes.some((n) => n.string === string && n.fret === fret));
        if (!here) return;
        const rows = strings.map((s) => here.notes.filter((n) => n.string === s).sort((a, b) => a.fret - b.fret));
        const scale = (from: number): number => neckNotes({ ...i, frets: 36 }, ref).map((n) => n.midi).filter((m) => m > from).sort((a, b) => a - b)[0]!; // prettier-ignore
        expect(rows[0]![0]!.fret).toBe(fret);
        rows.slice(1).forEach((row, k) => {
          const before = rows[k];
          if (row.length !== count || before!.length !== count) return; // cut at an end of the neck
          if (strings[k]! - strings[k + 1]! === 1) expect(row[0]!.midi).toBe(scale(before![count - 1]!.midi));
          else expect(Math.abs(row[0]!.fret - before![0]!.fret)).toBeLessThanOrEqual(2);
        });
      },
    ),
    { numRuns: 120 },
  );
});

it('copies of a grown shape are whole, and all there is room for', () => {
  const shapes = layOut(guitar(24), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'anchor', root: { string: 6, fret: 5 }, notes: 2 });
  expect(shapes.map((s) => [s.lowFret, s.notes.length])).toEqual([[5, 12], [17, 12]].filter(([low]) => low! + 3 <= 24)); // prettier-ignore
});
