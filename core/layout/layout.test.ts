import fc from 'fast-check';
import { anyInstrument, anyScale, guitar, namedScale, shapesOr, usualInstrument } from '../../tests/support/random';
import {
  layOut,
  midiOf,
  nameShape,
  neckNotes,
  pitchName,
  scaleNotes,
  semitonesOf,
  skeletonOf,
  stringsUpward,
  type Instrument,
  type Layout,
  type NeckNote,
  type Place,
  type ScaleRef,
  type Shape,
} from '../index';

// Naive twins: each layout's defining property, written again from its definition with plain loops over every place.

const open = (i: Instrument, string: number): number => midiOf(i.strings[string - 1].open);
const midi = (i: Instrument, p: Place): number => open(i, p.string) + p.fret;
const classes = new Map<string, Set<number>>();
const classesOf = (ref: ScaleRef): Set<number> => {
  const key = JSON.stringify(ref);
  if (!classes.has(key)) classes.set(key, new Set(scaleNotes(ref).map((n) => (midiOf(`${ref.tonic}4`) + n.semitones) % 12)));
  return classes.get(key) as Set<number>;
};
const isScale = (ref: ScaleRef, m: number): boolean => classesOf(ref).has(m % 12);
const keys = (places: Place[]): string[] => places.map((p) => `${p.string}/${p.fret}`).sort();
const pitches = (i: Instrument, s: Shape): number[] => s.notes.map((n) => midi(i, n));
const scaleBetween = (ref: ScaleRef, low: number, high: number): number[] =>
  Array.from({ length: Math.max(0, high - low + 1) }, (_, k) => low + k).filter((m) => isScale(ref, m));
const perString = (i: Instrument, s: Shape): Place[][] => stringsUpward(i).map((string) => s.notes.filter((n) => n.string === string));

const SIMPLE: Layout[] = [
  { kind: 'window' },
  { kind: 'window', stretch: 'little' },
  { kind: 'window', stretch: 'nearer' },
  { kind: 'box' },
  { kind: 'per-string', notes: 3 },
  { kind: 'per-string', notes: 2 },
  { kind: 'one-string', string: 1 },
  { kind: 'split' },
  { kind: 'region', fromFret: 0, toFret: 7 },
];

describe('every layout', () => {
  it.each(SIMPLE)('claims only scale notes on the neck, each under its own name: $kind', (layout) => {
    fc.assert(
      fc.property(anyInstrument, anyScale, (i, ref) => {
        const neck = new Map(neckNotes(i, ref).map((n) => [`${n.string}/${n.fret}`, n]));
        for (const s of shapesOr(i, ref, layout)) {
          for (const n of s.notes) expect(n).toMatchObject(neck.get(`${n.string}/${n.fret}`) as NeckNote);
          expect(keys(s.cells.flatMap((c) => c.frets.map((fret) => ({ string: c.string, fret }))))).toEqual([...new Set(keys(s.notes))]);
          expect(keys(s.roots)).toEqual([...new Set(keys(s.notes.filter((n) => n.role === 'root')))]);
        }
      }),
      { numRuns: 60 },
    );
  });

  it.each(SIMPLE)('gives every fretted note a finger and every open one none: $kind', (layout) => {
    fc.assert(
      fc.property(anyInstrument, namedScale, (i, ref) => {
        for (const s of shapesOr(i, ref, layout))
          for (const n of s.notes) expect(n.fret === (i.capo ?? 0) ? n.finger : Math.min(4, Math.max(1, n.finger ?? 0))).toBe(n.finger);
      }),
      { numRuns: 30 },
    );
  });

  it.each(SIMPLE)('keeps its frets when instrument and tonic are transposed together: $kind', (layout) => {
    fc.assert(
      fc.property(usualInstrument, namedScale, fc.integer({ min: 1, max: 11 }), (i, ref, by) => {
        const up = { ...i, strings: i.strings.map((s) => ({ open: pitchName(midiOf(s.open) + by) })) };
        const moved = { ...ref, tonic: pitchName(midiOf(`${ref.tonic}4`) + by).replace(/\d/, '') };
        const frets = (shapes: Shape[]): unknown => shapes.map((s) => s.cells.map((c) => [c.string, c.frets, c.fingers]));
        expect(frets(shapesOr(up, moved, layout))).toEqual(frets(shapesOr(i, ref, layout)));
      }),
      { numRuns: 25 },
    );
  });

  it.each(SIMPLE.filter((l) => l.kind !== 'region' && l.kind !== 'one-string'))(
    'keeps names and fingers when folded by twelve: $kind',
    (layout) => {
      const shapes = layOut(guitar(24), { tonic: 'F#', scale: 'dorian' }, layout).filter((s) => s.lowFret > 0);
      const pairs = shapes.flatMap((s) =>
        shapes.filter((t) => t.lowFret === s.lowFret + 12 && t.number % 12 === s.number % 12).map((t) => [s, t]),
      );
      expect(pairs.length).toBeGreaterThan(0);
      for (const [s, t] of pairs) {
        expect(t.notes.map((n) => [n.string, n.fret - 12, n.name, n.degree])).toEqual(
          s.notes.map((n) => [n.string, n.fret, n.name, n.degree]),
        );
      }
    },
  );
});

describe('windows', () => {
  const indexOf = (s: Shape): number => s.handFret;

  it('hold every scale pitch from their lowest note to their highest once, unless no string can reach it', () => {
    fc.assert(
      fc.property(usualInstrument, anyScale, fc.constantFrom('index', 'little', 'nearer'), (i, ref, stretch) => {
        for (const s of shapesOr(i, ref, { kind: 'window', stretch: stretch as 'index' })) {
          const own = pitches(i, s);
          expect(own).toEqual([...new Set(own)].sort((a, b) => a - b));
          const low = own[0];
          const missing = scaleBetween(ref, low, own[own.length - 1]).filter((m) => !own.includes(m));
          const from = s.number === 0 ? 0 : indexOf(s);
          for (const m of missing) for (const string of [1, 2, 3, 4, 5, 6, 7, 8, 9].slice(0, i.strings.length)) {
            const fret = m - open(i, string);
            expect(fret >= from && fret <= indexOf(s) + 3).toBe(false);
          } // prettier-ignore
        }
      }),
      { numRuns: 80 },
    );
  });

  it('own the four frets of the hand: whatever lies there is in the shape, whatever else is a reach', () => {
    fc.assert(
      fc.property(usualInstrument, anyScale, (i, ref) => {
        for (const s of shapesOr(i, ref, { kind: 'window' }).filter((w) => w.number > 0)) {
          const p = indexOf(s);
          const owned = s.notes.filter((n) => n.fret >= p && n.fret <= p + 3);
          const naive = new Set<number>();
          for (const string of stringsUpward(i))
            for (let f = p; f <= p + 3; f++) if (isScale(ref, open(i, string) + f)) naive.add(open(i, string) + f);
          const reached = s.stretches.map((r) => `${r.string}/${r.fret}`).sort();
          expect(owned.map((n) => midi(i, n)).sort((a, b) => a - b)).toEqual([...naive].sort((a, b) => a - b));
          expect(reached).toEqual(keys(s.notes.filter((n) => n.fret < p || n.fret > p + 3)));
        }
      }),
      { numRuns: 80 },
    );
  });

  it('reach the shorter way, in fourths as the school says', () => {
    const at = (stretch: 'index' | 'little', k: number) =>
      layOut(guitar(), { tonic: 'Bb', scale: 'ionian' }, { kind: 'window', stretch }).find((s) => s.number === k);
    expect(at('index', 7)?.stretches.map(({ string, fret }) => [string, fret])).toEqual([[5, 6], [1, 6]]); // prettier-ignore
    expect(at('little', 7)?.stretches.map(({ string, fret }) => [string, fret])).toEqual([[6, 11], [2, 11]]); // prettier-ignore
  });

  it('begin with the open position, where an open string beats its fretted unison', () => {
    const [first] = layOut(guitar(), { tonic: 'E', scale: 'chromatic' }, { kind: 'window' });
    expect(first.label).toBe('open position');
    expect(first.cells.map((c) => c.frets)).toEqual([[0, 1, 2, 3, 4], [0, 1, 2, 3, 4], [0, 1, 2, 3, 4], [0, 1, 2, 3], [0, 1, 2, 3, 4], [0, 1, 2, 3, 4]]); // prettier-ignore
  });

  it('begin at the capo, where the capo is the nut', () => {
    const [first] = layOut({ ...guitar(), capo: 3 }, { tonic: 'G', scale: 'ionian' }, { kind: 'window' });
    expect(first.lowFret).toBe(3);
    expect(first.notes.filter((n) => n.fret === 3).every((n) => n.finger === 0)).toBe(true);
  });

  it('with the same places count once', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, (i, ref) => {
        const all = shapesOr(i, ref, { kind: 'window' }).map((s) => keys(s.notes).join());
        expect(new Set(all).size).toBe(all.length);
      }),
      { numRuns: 40 },
    );
  });
});

describe('boxes', () => {
  it('carry two skeleton notes in a row on every string, and every added note between them once', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, (i, ref) => {
        const skeleton = { tonic: ref.tonic, scale: skeletonOf(ref.scale) as string[] };
        for (const s of shapesOr(i, ref, { kind: 'box' })) {
          const bones = perString(i, s).map((notes) => notes.filter((n) => isScale(skeleton, midi(i, n))));
          expect(bones.every((b) => b.length === 2)).toBe(true);
          const order = bones.flat().map((n) => midi(i, n));
          expect(order).toEqual(scaleBetween(skeleton, order[0], order[order.length - 1]));
          const inside = pitches(i, s).filter((m) => m >= order[0] && m <= order[order.length - 1]);
          expect(new Set(inside).size).toBe(inside.length);
        }
      }),
      { numRuns: 60 },
    );
  });

  it.each(['ionian', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'aeolian', 'locrian'])(
    'are exactly five for %s, and hold no gap',
    (scale) => {
      const ref = { tonic: 'A', scale };
      const shapes = layOut(guitar(24), ref, { kind: 'box' });
      expect(new Set(shapes.map((s) => s.number))).toEqual(new Set([1, 2, 3, 4, 5]));
      for (const s of shapes.filter((x) => x.lowFret > 0)) {
        const own = pitches(guitar(24), s);
        expect(own).toEqual(scaleBetween(ref, own[0], own[own.length - 1]));
      }
    },
  );

  it('count from the minor or the major root', () => {
    const number = (tonic: string, scale: string, numbering: 'minor-root' | 'major-root', lowest: string): number | undefined =>
      layOut(guitar(), { tonic, scale }, { kind: 'box', numbering }).find(
        (s) => s.notes.find((n) => n.string === 6 && !n.added)?.name === lowest,
      )?.number;
    expect(number('A', 'aeolian', 'minor-root', 'A')).toBe(1);
    expect(number('A', 'aeolian', 'major-root', 'C')).toBe(1);
    expect(number('C', 'ionian', 'minor-root', 'A')).toBe(1);
    expect(number('C', 'ionian', 'major-root', 'C')).toBe(1);
    expect(number('C', 'mixolydian', 'major-root', 'A')).toBe(5);
  });

  it.each(['whole tone', 'half-whole', 'whole-half', 'chromatic'])('are refused for %s, which has no skeleton', (scale) => {
    expect(() => layOut(guitar(), { tonic: 'C', scale }, { kind: 'box' })).toThrow(
      expect.objectContaining({ code: 'NO_SKELETON', field: 'layout' }) as Error,
    );
  });
});

describe('notes per string', () => {
  it('are all the whole runs there are, and no others', () => {
    fc.assert(
      fc.property(usualInstrument, anyScale, fc.integer({ min: 1, max: 6 }), (i, ref, notes) => {
        const upward = stringsUpward(i);
        const naive: string[] = [];
        for (let start = 0; start <= i.frets; start++) {
          const first = open(i, upward[0]) + start;
          if (!isScale(ref, first)) continue;
          const run = scaleBetween(ref, first, first + 12 * notes * upward.length).slice(0, notes * upward.length);
          const places = run.map((m, k) => ({ string: upward[Math.floor(k / notes)], fret: m - open(i, upward[Math.floor(k / notes)]) }));
          if (places.every((p) => p.fret >= 0 && p.fret <= i.frets)) naive.push(keys(places).join());
        }
        expect(shapesOr(i, ref, { kind: 'per-string', notes }).map((s) => keys(s.notes).join()).sort()).toEqual(naive.sort()); // prettier-ignore
      }),
      { numRuns: 80 },
    );
  });

  it('are named by the mode that starts each shape, or by number', () => {
    expect(layOut(guitar(), { tonic: 'F#', scale: 'dorian' }, { kind: 'per-string', notes: 3 }).map((s) => s.label).slice(0, 3)).toEqual(['E Ionian', 'F# Dorian', 'G# Phrygian']); // prettier-ignore
    expect(layOut(guitar(), { tonic: 'C', scale: ['1', 'b2', '3', '#4'] }, { kind: 'per-string', notes: 2 })[0].label).toMatch(
      /^shape \d$/,
    );
  });

  it('refuse a count out of range, saying the range', () => {
    expect(() => layOut(guitar(), { tonic: 'C', scale: 'ionian' }, { kind: 'per-string', notes: 7 })).toThrow(
      'layout.notes: 7 is not a whole number from 1 to 6.',
    );
  });
});

describe('the other layouts', () => {
  const upTo = (i: Instrument, s: Shape): void => {
    const own = pitches(i, s);
    expect(own).toEqual([...own].sort((a, b) => a - b));
  };
  const rootOf = (i: Instrument, ref: ScaleRef, pick: number): Place => {
    const roots = neckNotes(i, ref).filter((n) => n.role === 'root');
    return roots[pick % roots.length];
  };

  it('one string: every scale note of that string', () => {
    fc.assert(
      fc.property(anyInstrument, anyScale, (i, ref) => {
        const string = i.strings.length;
        const naive: number[] = [];
        for (let f = i.capo ?? 0; f <= i.frets; f++) if (isScale(ref, open(i, string) + f)) naive.push(f);
        expect(layOut(i, ref, { kind: 'one-string', string })[0].cells[0].frets).toEqual(naive);
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
        const here = shapes.find((s) => keys(s.notes).includes(keys([root])[0])) as Shape;
        expect(here).toBeDefined();
        const own = pitches(i, here);
        const total = scaleNotes(ref).length;
        const rows = perString(i, here).map((n) => n.length);
        const uncut = rows.slice(1).every((n, k) => n + rows[k] === total) && rows.every((n) => n >= Math.floor(total / 2) - 1);
        if (uncut) expect(own).toEqual(scaleBetween(ref, own[0], own[own.length - 1]));
        expect(own).toEqual([...own].sort((a, b) => a - b));
      }),
      { numRuns: 60 },
    );
  });

  it('anchor: the root is the lowest note of its string, n notes on every string that is whole', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, fc.nat(), fc.integer({ min: 1, max: 4 }), (i, ref, pick, notes) => {
        const root = rootOf(i, ref, pick);
        const here = layOut(i, ref, { kind: 'anchor', root, notes }).find((s) => keys(s.notes).includes(keys([root])[0])) as Shape;
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
          const from = tiers.find((t) => t.number === s.number && t.notes[0].fret === s.notes[0].fret) as Shape;
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
    expect(s.cells.map((c) => [c.string, c.frets])).toEqual([[5, [5, 7, 9]], [3, [4, 6, 7]], [1, [4, 5, 7]]]); // prettier-ignore
    const [t] = layOut(
      guitar(),
      { tonic: 'A', scale: 'ionian' },
      { kind: 'string-set', strings: [2, 1], counts: [4, 4], start: { string: 2, fret: 5 } },
    );
    const own = pitches(guitar(), t);
    expect(own).toEqual(scaleBetween({ tonic: 'A', scale: 'ionian' }, own[0], own[7]));
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
    expect(s.jogs).toEqual([{ below: 3, above: 2, semitones: 4, frets: 1 }]);
  });
  it('are none in all fourths', () => {
    const fourths = { ...guitar(), strings: ['F4', 'C4', 'G3', 'D3', 'A2', 'E2'].map((o) => ({ open: o })) };
    expect(layOut(fourths, { tonic: 'E', scale: 'aeolian' }, { kind: 'box' })[0].jogs).toEqual([]);
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
