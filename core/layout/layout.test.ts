import fc from 'fast-check';
import { isScale, keys, midi, open, perString, pitches, scaleBetween } from '../../tests/support/naive';
import { anyInstrument, anyScale, guitar, namedScale, shapesOr, usualInstrument } from '../../tests/support/random';
import { layOut, midiOf, neckNotes, pitchName, skeletonOf, stringsUpward, type Layout, type NeckNote, type Shape } from '../index';

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
          for (const n of s.notes) expect(n.finger).toBe(n.fret === (i.capo ?? 0) ? 0 : Math.min(4, Math.max(1, n.finger ?? 0)));
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
        expect(t!.notes.map((n) => [n.string, n.fret - 12, n.name, n.degree])).toEqual(
          s!.notes.map((n) => [n.string, n.fret, n.name, n.degree]),
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
          const low = own[0]!;
          const missing = scaleBetween(ref, low, own[own.length - 1]!).filter((m) => !own.includes(m));
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
    expect(first!.label).toBe('open position');
    expect(first!.cells.map((c) => c.frets)).toEqual([[0, 1, 2, 3, 4], [0, 1, 2, 3, 4], [0, 1, 2, 3, 4], [0, 1, 2, 3], [0, 1, 2, 3, 4], [0, 1, 2, 3, 4]]); // prettier-ignore
  });

  it('begin at the capo, where the capo is the nut', () => {
    const [first] = layOut({ ...guitar(), capo: 3 }, { tonic: 'G', scale: 'ionian' }, { kind: 'window' });
    expect(first!.lowFret).toBe(3);
    expect(first!.notes.filter((n) => n.fret === 3).every((n) => n.finger === 0)).toBe(true);
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
        for (const s of shapesOr(i, ref, { kind: 'box' }).filter((x) => !x.missing)) {
          const bones = perString(i, s).map((notes) => notes.filter((n) => isScale(skeleton, midi(i, n))));
          expect(bones.every((b) => b.length === 2)).toBe(true);
          const order = bones.flat().map((n) => midi(i, n));
          expect(order).toEqual(scaleBetween(skeleton, order[0]!, order[order.length - 1]!));
          const inside = pitches(i, s).filter((m) => m >= order[0]! && m <= order[order.length - 1]!);
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
      for (const s of shapes.filter((x) => !x.missing)) {
        const own = pitches(guitar(24), s);
        expect(own).toEqual(scaleBetween(ref, own[0]!, own[own.length - 1]!));
      }
    },
  );

  it('at an end are their copy on a longer neck less the notes that are missing; with more than a quarter missing they are none', () => {
    fc.assert(
      fc.property(usualInstrument, namedScale, (i, ref) => {
        const long = { ...i, capo: 0, frets: 36 };
        const wanted = new Set<string>();
        for (const whole of shapesOr(long, ref, { kind: 'box' }).filter((s) => !s.missing))
          for (const by of [-24, -12, 0, 12]) {
            const there = whole.notes.map((n) => ({ string: n.string, fret: n.fret + by })).filter((p) => p.fret >= 0 && p.fret <= i.frets);
            const missing = whole.notes.length - there.length;
            if (there.length && missing <= whole.notes.length / 4) wanted.add(`${whole.number} ${keys(there).sort().join()} ${missing}`);
          }
        const here = shapesOr({ ...i, capo: 0 }, ref, { kind: 'box' });
        expect(here.map((s) => `${s.number} ${keys(s.notes).sort().join()} ${s.missing ?? 0}`).sort()).toEqual([...wanted].sort());
      }),
      { numRuns: 40 },
    );
  });

  it('A minor blues on 22 frets: box 2 at the end lacks its ♭5 on string 1, and no note moved to another string', () => {
    // Counted off box 2 at frets 7 to 11, twelve frets up: common practice, no published source.
    const box = layOut(guitar(22), { tonic: 'A', scale: 'minor blues' }, { kind: 'box' }).filter((s) => s.number === 2);
    expect(box.map((s) => s.cells.map((c) => c.frets.join(' ')))).toEqual([
      ['8 10 11', '7 10', '7 10', '7 8 9', '8 10', '8 10 11'],
      ['20 22', '19 22', '19 22', '19 20 21', '20 22', '20 22'],
    ]);
    expect(box.map((s) => s.missing ?? 0)).toEqual([0, 2]);
  });

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
          const first = open(i, upward[0]!) + start;
          if (!isScale(ref, first)) continue;
          const run = scaleBetween(ref, first, first + 12 * notes * upward.length).slice(0, notes * upward.length);
          const places = run.map((m, k) => ({ string: upward[Math.floor(k / notes)]!, fret: m - open(i, upward[Math.floor(k / notes)]!) }));
          if (places.every((p) => p.fret >= 0 && p.fret <= i.frets)) naive.push(keys(places).join());
        }
        expect(shapesOr(i, ref, { kind: 'per-string', notes }).map((s) => keys(s.notes).join()).sort()).toEqual(naive.sort()); // prettier-ignore
      }),
      { numRuns: 80 },
    );
  });

  it('are named by the mode that starts each shape, or by number', () => {
    expect(layOut(guitar(), { tonic: 'F#', scale: 'dorian' }, { kind: 'per-string', notes: 3 }).map((s) => s.label).slice(0, 3)).toEqual(['E Ionian', 'F# Dorian', 'G# Phrygian']); // prettier-ignore
    expect(layOut(guitar(), { tonic: 'C', scale: ['1', 'b2', '3', '#4'] }, { kind: 'per-string', notes: 2 })[0]!.label).toMatch(
      /^shape \d$/,
    );
  });

  it('refuse a count out of range, saying the range', () => {
    expect(() => layOut(guitar(), { tonic: 'C', scale: 'ionian' }, { kind: 'per-string', notes: 7 })).toThrow(
      'layout.notes: 7 is not a whole number from 1 to 6.',
    );
  });
});
