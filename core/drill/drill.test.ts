import fc from 'fast-check';
import { anyScale, guitar, namedScale, shapesOr, usualInstrument } from '../../tests/support/random';
import { CoreError, DRILL_ORDERS, drillLick, drillLine, drillSeconds, drillSequence, drillTicks, layOut, loudNotes, ORDERS, rungSequence, soundJoins, type DrillNote, type DrillOptions, type Layout, type Shape } from '../index'; // prettier-ignore

/** A minor pentatonic, box 1 at fret 5: 1 ♭3 4 5 ♭7 | 1 ♭3 4 5 ♭7 | 1 ♭3. Worked out by hand; the orders are common practice, no published source. */
const BOX = layOut(guitar(), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' }).find(
  (s) => s.number === 1 && s.lowFret === 5,
) as Shape;
/** Notes of the box by their number, 1 the lowest. */
const played = (o: DrillOptions, shape = BOX): number[] =>
  drillSequence(shape, o).map((n) => shape.notes.findIndex((x) => x.string === n.string && x.fret === n.fret) + 1);
const said = (o: DrillOptions, shape = BOX): string => drillSequence(shape, o).map((n) => n.degree).join(' '); // prettier-ignore
const run = (from: number, to: number): number[] =>
  from <= to ? Array.from({ length: to - from + 1 }, (_, k) => from + k) : run(to, from).reverse();

describe('orders, by hand', () => {
  it('the box is what it is', () => {
    expect(BOX.notes.map((n) => [n.string, n.fret])).toEqual([[6, 5], [6, 8], [5, 5], [5, 7], [4, 5], [4, 7], [3, 5], [3, 7], [2, 5], [2, 8], [1, 5], [1, 8]]); // prettier-ignore
    expect(BOX.notes.map((n) => n.degree).join(' ')).toBe('1 b3 4 5 b7 1 b3 4 5 b7 1 b3');
  });
  it('up and down, down and up, the turn once or twice', () => {
    expect(played({ order: 'up' })).toEqual(run(1, 12));
    expect(played({ order: 'down' })).toEqual(run(12, 1));
    expect(played({ order: 'up-down' })).toEqual([...run(1, 12), ...run(11, 1)]);
    expect(played({ order: 'up-down', turn: 'twice' })).toEqual([...run(1, 12), ...run(12, 1)]);
    expect(played({ order: 'down-up' })).toEqual([...run(12, 1), ...run(2, 12)]);
    expect(played({ order: 'down-up', turn: 'twice' })).toEqual([...run(12, 1), ...run(1, 12)]);
  });
  it('from the root up, down and home; from another root; from each; from the relative major root', () => {
    expect(played({ order: 'from-root' })).toEqual([...run(1, 12), ...run(11, 1)]);
    expect(played({ order: 'from-root', start: { string: 4, fret: 7 } })).toEqual([...run(6, 12), ...run(11, 1), ...run(2, 6)]);
    expect(played({ order: 'from-root', root: 'relative' })).toEqual([...run(2, 12), ...run(11, 1), 2]);
    const each = played({ order: 'from-root', everyRoot: true });
    expect(each).toHaveLength(23 + 23 + 23);
    expect(each.slice(23, 25)).toEqual([6, 7]);
  });
  it('root between every two notes', () => {
    expect(said({ order: 'root-between', strings: [6, 5] })).toBe('1 b3 1 4 1 5 1 4 1 b3');
    expect(played({ order: 'root-between', strings: [6, 5], turn: 'twice' })).toEqual([1, 2, 1, 3, 1, 4, 1, 4, 1, 3, 1, 2]);
    expect(played({ order: 'root-between', strings: [4, 3], start: { string: 4, fret: 7 } })).toEqual([6, 5, 6, 7, 6, 8, 6, 7, 6, 5]);
  });
  it('octave by octave, the upper root included', () => {
    expect(played({ order: 'octaves' })).toEqual([...run(1, 6), ...run(6, 11), ...run(11, 6), ...run(6, 1)]);
  });
  it('groups of 3 and 4', () => {
    expect(said({ order: 'groups', group: 3, strings: [6, 5] })).toBe('1 b3 4 b3 4 5 5 4 b3 4 b3 1');
    expect(played({ order: 'groups', group: 4 }).slice(0, 8)).toEqual([1, 2, 3, 4, 2, 3, 4, 5]);
    expect(played({ order: 'groups', group: 4 }).slice(-4)).toEqual([4, 3, 2, 1]);
    expect(played({ order: 'groups', group: 6 })).toHaveLength(2 * 7 * 6);
  });
  it('thirds and octaves, counted in notes of the scale; back the same way', () => {
    expect(played({ order: 'intervals', strings: [6, 5, 4] })).toEqual([1, 3, 2, 4, 3, 5, 4, 6]);
    expect(played({ order: 'intervals', strings: [6, 5], back: true })).toEqual([1, 3, 2, 4, 4, 2, 3, 1]);
    expect(played({ order: 'intervals', interval: 6 }).slice(0, 4)).toEqual([1, 6, 2, 7]); // an octave has six notes here
  });
  it('chord tones of each degree: 1 3 5, 2 4 6 of a major scale', () => {
    const major = layOut(guitar(), { tonic: 'A', scale: 'ionian' }, { kind: 'per-string', notes: 3 }).find((s) => s.notes[0]!.degree === '1') as Shape; // prettier-ignore
    expect(said({ order: 'chord-tones' }, major).slice(0, 23)).toBe('1 3 5 2 4 6 3 5 7 4 6 1');
    expect(said({ order: 'chord-tones', size: 4 }, major).slice(0, 16)).toBe('1 3 5 7 2 4 6 1 ');
    const whole = drillSequence(major, { order: 'chord-tones', scaleFirst: true, back: true });
    expect(whole).toHaveLength(35 + 2 * 3 * 14);
    expect(whole.slice(-3).map((n) => n.degree)).toEqual(['5', '3', '1']);
  });
  it('up on the pentatonic, down on the full mode over it', () => {
    const mode = layOut(guitar(), { tonic: 'A', scale: 'aeolian' }, { kind: 'box' }).find((s) => s.number === 1 && s.lowFret <= 5 && s.lowFret > 2) as Shape; // prettier-ignore
    const line = drillSequence(BOX, { order: 'up-down', down: mode });
    expect(line.slice(0, 12).map((n) => n.degree).join(' ')).toBe('1 b3 4 5 b7 1 b3 4 5 b7 1 b3'); // prettier-ignore
    expect(new Set(line.slice(12).map((n) => n.degree))).toEqual(new Set(['1', '2', 'b3', '4', '5', 'b6', 'b7']));
    expect(line[12]!.degree).toBe('2'); // the top note stands once
  });
  it('the top two strings, the middle two, strings skipped', () => {
    expect(played({ order: 'up', strings: [1, 2] })).toEqual([9, 10, 11, 12]);
    expect(played({ order: 'up', strings: [3, 4] })).toEqual([5, 6, 7, 8]);
    expect(played({ order: 'up', strings: [6, 4, 2] })).toEqual([1, 2, 5, 6, 9, 10]);
  });
  it('goes on to the nearest root where the end is asked to be one', () => {
    expect(played({ order: 'up', endOnRoot: true })).toEqual([...run(1, 12), 11]);
    expect(played({ order: 'up', strings: [6, 5], endOnRoot: true })).toEqual([1, 2, 3, 4, 3, 2, 1]);
  });
  it('rung after rung, up one and down the next, the root touched first', () => {
    const two = [BOX, { ...BOX, number: 2 }];
    expect(rungSequence(two, { order: 'up-down', motion: 'each' })).toHaveLength(46);
    expect(rungSequence(two, { order: 'up-down', motion: 'alternate' }).map((n) => n.midi)).toEqual([
      ...BOX.notes.map((n) => n.midi),
      ...BOX.notes.map((n) => n.midi).reverse(),
    ]);
    const pair = rungSequence([BOX], { order: 'up-down', motion: 'each', strings: [4, 5], touchRoot: true });
    expect(pair.map((n) => n.degree).join(' ')).toBe('1 4 5 b7 1 b7 5 4');
  });
});

describe('what cannot be met is said', () => {
  const refused = (o: DrillOptions, shape = BOX): string => {
    try {
      drillSequence(shape, o);
      return 'played';
    } catch (e) {
      return `${(e as CoreError).code} ${(e as CoreError).field}`;
    }
  };
  it.each([
    ['an order that is none', { order: 'sideways' as never }, 'BAD_OPTION order'],
    ['a group of 7', { order: 'groups', group: 7 as never }, 'BAD_OPTION group'],
    ['a group of 6 on two strings', { order: 'groups', group: 6, strings: [1, 2] }, 'BAD_OPTION group'],
    ['a string that is not there', { order: 'up', strings: [9] }, 'BAD_OPTION strings'],
    ['no octave', { order: 'octaves', strings: [1, 2] }, 'BAD_OPTION order'],
    ['no root on these strings', { order: 'from-root', strings: [2] }, 'BAD_OPTION root'],
    ['a start off the shape', { order: 'from-root', start: { string: 6, fret: 6 } }, 'BAD_PLACE start'],
    ['an octave of too few notes', { order: 'intervals', interval: 8, strings: [6] }, 'BAD_OPTION interval'],
    ['a chord of too few notes', { order: 'chord-tones', size: 4, strings: [6, 5] }, 'BAD_OPTION size'],
    ['no notes to jump about', { order: 'random', count: 0 }, 'BAD_OPTION count'],
  ] as [string, DrillOptions, string][])('%s', (_, o, why) => expect(refused(o)).toBe(why));
  it('a shape of one note: up is one note, jumping about is impossible', () => {
    const one = { ...BOX, notes: BOX.notes.slice(0, 1) };
    expect(drillSequence(one, { order: 'up-down' })).toHaveLength(1);
    expect(refused({ order: 'random', count: 2 }, one)).toBe('BAD_OPTION order');
    expect(refused({ order: 'up' }, { ...BOX, notes: [] })).toBe('BAD_OPTION shape');
  });
});

const LAYOUTS: Layout[] = [{ kind: 'box' }, { kind: 'per-string', notes: 3 }, { kind: 'window' }];
const anyShape = fc
  .tuple(usualInstrument, fc.oneof(namedScale, anyScale), fc.constantFrom(...LAYOUTS), fc.nat())
  .map(([i, ref, layout, k]) => {
    const shapes = shapesOr(i, ref, layout);
    return { i, shape: shapes.length ? shapes[k % shapes.length] : null };
  });
const over = (check: (shape: Shape) => void): void => fc.assert(fc.property(anyShape, ({ shape }) => void (shape && check(shape))), { numRuns: 150 }); // prettier-ignore
const playedOr = (shape: Shape, o: DrillOptions): DrillNote[] | null => {
  try {
    return drillSequence(shape, o);
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
};
const isRoot = (n: DrillNote): boolean => n.degree === '1';

describe('for every shape of any instrument', () => {
  it('every note is visited, and nothing else', () => {
    over((shape) => {
      for (const order of ['up', 'down', 'up-down', 'down-up', 'from-root', 'root-between', 'groups'] as const) {
        const line = playedOr(shape, { order, group: 3 });
        const there = new Set(shape.notes.map((n) => `${n.string}/${n.fret}`));
        if (line) expect(new Set(line.map((n) => `${n.string}/${n.fret}`))).toEqual(there);
      }
    });
  });
  it('counts agree: 2k-1 once, 2k twice, g × 2(k-g+1), 2(2k-3) with the root between', () => {
    over((shape) => {
      const k = shape.notes.length;
      expect(drillSequence(shape, { order: 'up-down' })).toHaveLength(2 * k - 1);
      expect(drillSequence(shape, { order: 'up-down', turn: 'twice' })).toHaveLength(2 * k);
      if (k >= 4) expect(drillSequence(shape, { order: 'groups', group: 4 })).toHaveLength(8 * (k - 3));
      if (k >= 3) expect(drillSequence(shape, { order: 'intervals' })).toHaveLength(2 * (k - 2));
      const between = playedOr(shape, { order: 'root-between' });
      if (between && k > 1) expect(between).toHaveLength(2 * (2 * (k - 1) - 1));
    });
  });
  it('the root stands before every other note; groups step by one note; thirds by two', () => {
    over((shape) => {
      const between = playedOr(shape, { order: 'root-between' });
      between?.forEach((n, k) => k % 2 === 0 && expect(isRoot(n)).toBe(true));
      const groups = playedOr(shape, { order: 'groups', group: 3 });
      const at = (n: DrillNote): number => shape.notes.findIndex((x) => x.string === n.string && x.fret === n.fret);
      groups?.forEach((n, k) => k % 3 && expect(Math.abs(at(n) - at(groups[k - 1]!))).toBe(1));
      playedOr(shape, { order: 'intervals' })?.forEach((n, k, all) => k % 2 && expect(at(n) - at(all[k - 1]!)).toBe(2));
    });
  });
  it('jumping about: as many notes as asked, none twice in a row, the same for the same seed, home at the end where asked', () => {
    fc.assert(
      fc.property(anyShape, fc.integer({ min: 0, max: 2 ** 32 - 1 }), fc.integer({ min: 1, max: 80 }), ({ shape }, seed, count) => {
        if (!shape || !shape.notes.some((n) => n.role === 'root')) return;
        const o: DrillOptions = { order: 'random', seed, count, endOnRoot: true };
        const line = playedOr(shape, o);
        if (!line) return;
        expect(line).toHaveLength(count);
        line.forEach((n, k) => k && expect(n.midi).not.toBe(line[k - 1]!.midi));
        expect(isRoot(line[count - 1]!)).toBe(true);
        expect(drillSequence(shape, o)).toEqual(line);
      }),
      { numRuns: 150 },
    );
  });
  it('every order ends on the root where that is asked and there is one', () => {
    over((shape) => {
      for (const order of DRILL_ORDERS) {
        const line = playedOr(shape, { order, endOnRoot: true });
        if (line && shape.notes.some((n) => n.role === 'root')) expect(isRoot(line[line.length - 1]!)).toBe(true);
      }
    });
  });
});

it('a degree that is leaned on comes more often', () => {
  const times = (lean: string[]): number =>
    drillSequence(BOX, { order: 'random', count: 2000, seed: 7, lean }).filter((n) => n.degree === '5').length;
  expect(times(['5'])).toBeGreaterThan(times([]) * 2);
  expect(new Set(drillSequence(BOX, { order: 'random', count: 400, seed: 7 }).map((n) => n.midi)).size).toBe(12);
});

describe('a drill as it is played', () => {
  const manner = { rhythm: 'triplets', accent: 'beat', articulation: 'alternate', school: 'finger-per-fret' } as const;
  const line = drillLine(guitar(), BOX.notes, manner);
  it('knows its length: whole beats, the last note held to the end of its own', () => {
    expect([line.beats, line.ticks[0], line.ticks[11]]).toEqual([4, 160, 160]);
    expect(drillTicks(4, 'triplets')).toEqual([160, 160, 160, 480]);
    expect(drillTicks(3, 'swing')).toEqual([320, 160, 480]);
    expect(drillTicks(5, 'sixteenths')).toEqual([120, 120, 120, 120, 480]);
    expect(drillSeconds({ beats: 11 }, 84)).toBeCloseTo(7.857, 3);
  });
  it('is fingered as its shape is', () => {
    expect(line.steps.map((s) => s.finger)).toEqual(BOX.notes.map((n) => n.finger));
  });
  it('accents: on the beat, every third, every fourth, off it', () => {
    const loud = (accent: Parameters<typeof loudNotes>[2], rhythm: Parameters<typeof loudNotes>[1] = 'eighths'): number[] =>
      loudNotes(8, rhythm, accent).flatMap((l, k) => (l ? [k] : []));
    expect(loud('beat')).toEqual([0, 2, 4, 6]);
    expect(loud('off-beat')).toEqual([1, 3, 5, 7]);
    expect(loud('off-beat', 'sixteenths')).toEqual([2, 6]);
    expect(loud('off-beat', 'triplets')).toEqual([2, 5]);
    expect(loud('off-beat', 'quarters')).toEqual([1, 3, 5, 7]);
    expect(loud('thirds')).toEqual([0, 3, 6]);
    expect(loud('fourths')).toEqual([0, 4]);
    expect(loud('none')).toEqual([]);
  });
  it('hammered up and pulled down: one stroke a string; slides into the third of a group', () => {
    const both = [...BOX.notes, ...[...BOX.notes].reverse().slice(1)];
    const hammered = drillLine(guitar(), both, { ...manner, articulation: 'hammered' });
    expect(hammered.strokes.slice(0, 4)).toEqual(['down', 'hammer', 'up', 'hammer']);
    expect(hammered.strokes.slice(-3)).toEqual(['pull', 'down', 'pull']);
    const three = layOut(guitar(), { tonic: 'A', scale: 'ionian' }, { kind: 'per-string', notes: 3 })[3]!;
    const slid = drillLine(guitar(), three.notes, { ...manner, articulation: 'slides', school: 'stretch' });
    expect(slid.joins.slice(0, 6)).toEqual([null, null, 'slide', null, null, 'slide']);
    const lick = drillLick(slid);
    expect(soundJoins(lick)).toEqual(lick); // every join is one that can be played
  });
  it('nothing, too much and what is no rhythm are refused', () => {
    expect(() => drillLine(guitar(), [], manner)).toThrow(CoreError);
    expect(() => drillLine(guitar(), Array.from({ length: 14_401 }, () => BOX.notes[0]!), manner)).toThrow('14400'); // prettier-ignore
    expect(() => drillLine(guitar(), BOX.notes, { ...manner, rhythm: 'waltz' as never })).toThrow(CoreError);
  });
});

it('every option that an order names is one of a drill', () => {
  const known = ['turn', 'root', 'start', 'everyRoot', 'group', 'interval', 'size', 'back', 'scaleFirst', 'down', 'seed', 'count', 'lean'];
  for (const rule of Object.values(ORDERS)) for (const option of rule.options) expect(known).toContain(option);
});
