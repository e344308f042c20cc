import { guitar } from '../tests/support/random';
import { distinct } from './route/route';
import {
  bestTonic,
  changeDegree,
  checkLine,
  connect,
  copiesOf,
  CoreError,
  defaultSchool,
  fingerLick,
  fingerNotes,
  layOut,
  nearestRoot,
  neckNotes,
  noteValue,
  parseTuning,
  pickStrokes,
  pinsIn,
  planRoute,
  scalesWith,
  shapeRef,
  skeletonOf,
  stringsUpward,
  toKey,
  toTuning,
  type FingeredStep,
  type Instrument,
  type Join,
  type Layout,
  type Place,
  type ScaleRef,
  type Shape,
} from './index';

// Ties are rules (docs/decisions.md), and edges are where rules are forgotten: each with the values that follow from it.

const tuned = (strings: string[], frets = 12, more: Partial<Instrument> = {}): Instrument => ({ name: 'any', strings: strings.map((open) => ({ open })), frets, scaleLengthMm: 648, ...more }); // prettier-ignore
const frets = (s: Shape | undefined): string => (s?.cells ?? []).map((c) => c.frets.join(' ')).join(' / ');
const labelled = (i: Instrument, ref: ScaleRef, layout: Layout): Record<string, string> => Object.fromEntries(layOut(i, ref, layout).map((s) => [s.label, frets(s)])); // prettier-ignore
const at = (string: number, fret: number): Place => ({ string, fret });
const C: ScaleRef = { tonic: 'C', scale: 'major' };

describe('boxes', () => {
  it('give an added note that would widen both strings alike to the higher one', () => {
    // 7 between ♭7 (string 6, fret 15, its pair from 12) and 1 (string 5, fret 12, its pair to 15): four frets either way.
    const A: ScaleRef = { tonic: 'A', scale: ['1', 'b3', '4', '5', 'b7', '7'] };
    const box = layOut(guitar(22), A, { kind: 'box' }).find((s) => s.label === 'box 4' && s.lowFret > 5);
    expect(frets(box).split(' / ').slice(0, 2)).toEqual(['12 15', '11 12 15']);
  });
  it('lack at most a quarter of their notes', () => {
    const whole = layOut(guitar(36), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' });
    const cut = layOut(guitar(19), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' });
    expect(cut.filter((s) => s.missing).map((s) => [s.label, s.missing])).toEqual([['box 1', 3]]); // 20 on strings 6, 2 and 1
    expect(whole.some((s) => s.lowFret === 17)).toBe(true);
  });
});

describe('windows', () => {
  it('reach from the first fret to the last four', () => {
    const all = layOut(guitar(22), C, { kind: 'window' });
    expect([all[0]!.label, all[all.length - 1]!.label]).toEqual(['open position', 'position 19']);
    expect(frets(all[all.length - 1])).toBe('19 20 22 / 19 20 22 / 19 21 22 / 19 21 22 / 20 22 / 19 20 22');
  });
  it('with the same places count once: the lowest', () => {
    // One string tuned to C: frets 7 and 9 lie in the windows at 6 (6 to 9) and at 7 (7 to 10).
    const all = labelled(tuned(['C1']), C, { kind: 'window' });
    expect([all['position 6'], all['position 7']]).toEqual(['7 9', undefined]);
  });
  it('with the same places count once: the one with the fewest reaches', () => {
    // Shorter reaches, C major: the hands at 2 (one reach) and at 3 (three reaches) have the same places.
    const all = layOut(guitar(22), C, { kind: 'window', stretch: 'nearer' });
    const [two, three] = [2, 3].map((n) => all.find((s) => s.number === n));
    expect([frets(two), two?.stretches.length, three]).toEqual(['3 5 / 2 3 5 / 2 3 5 / 2 4 5 / 3 5 6 / 3 5', 1, undefined]);
  });
  it('fill a hole by the shorter reach, whatever the school', () => {
    // E2 and C3: between fret 8 below and fret 5 above lie D (2 on, 3 back: on) and E (4 on, 1 back: back).
    for (const stretch of ['index', 'little'] as const)
      expect(labelled(tuned(['C3', 'E2']), C, { kind: 'window', stretch })['position 5']).toBe('5 7 8 10 / 4 5 7');
  });
  it('play an open string rather than its unison on the string below', () => {
    expect(labelled(guitar(22), C, { kind: 'window' })['open position']).toBe('0 1 3 / 0 2 3 / 0 2 3 / 0 2 / 0 1 3 / 0 1 3'); // no string 3, fret 4
  });
  it('of two strings in unison leave the higher-numbered its notes', () => {
    expect(stringsUpward(tuned(['E4', 'E4', 'B3']))).toEqual([3, 2, 1]);
    expect(labelled(tuned(['E4', 'E4', 'B3']), { tonic: 'E', scale: 'minor pentatonic' }, { kind: 'window' })['open position']).toBe('0 3 / 0 3'); // prettier-ignore
  });
  it('count from the capo', () => {
    const all = layOut({ ...guitar(22), capo: 3 }, { tonic: 'G', scale: 'minor pentatonic' }, { kind: 'window' });
    expect([all[0]!.number, all[0]!.lowFret, all[1]!.number]).toEqual([3, 3, 4]);
  });
});

describe('a region', () => {
  it('holds both its border frets', () => {
    const [region] = layOut(guitar(22), C, { kind: 'region', fromFret: 5, toFret: 7 });
    expect(frets(region)).toBe('5 7 / 5 7 / 5 7 / 5 7 / 5 6 / 5 7');
  });
  it('of copies: the border fret is below', () => {
    const regions = Object.fromEntries(copiesOf(guitar(22), [64, 67], { school: 'finger-per-fret', octaves: [0] }).map((c) => [c.steps.map((s) => `${s.string}/${s.fret}`).join(' '), c.region])); // prettier-ignore
    expect(regions['2/5 2/8']).toBe('across');
    expect(regions['2/5 1/3']).toBe('below');
    expect(regions['3/9 2/8']).toBe('above');
    const border = (fret: number): string =>
      copiesOf(guitar(22), [64, 67], { school: 'finger-per-fret', octaves: [0], border: fret }).find((c) => c.steps[0]!.string === 2 && c.steps[1]!.string === 2)?.region ?? ''; // prettier-ignore
    expect([border(8), border(7), border(5), border(4)]).toEqual(['below', 'across', 'across', 'above']);
  });
});

describe('moves', () => {
  it('of half an octave go down before up', () => {
    const moved = toKey(guitar(22), [at(6, 8), at(5, 10)], 6);
    expect(moved).toEqual([
      { places: [at(6, 2), at(5, 4)], folded: -1 },
      { places: [at(6, 14), at(5, 16)], folded: 0 },
    ]);
  });
  it('reach the nut and the last fret', () => {
    expect(toKey(guitar(22), [at(6, 10)], 2).map((m) => m.places[0]!.fret)).toEqual([12, 0]);
    expect(toKey(guitar(22), [at(6, 10)], 12).map((m) => m.places[0]!.fret)).toEqual([10, 22]);
  });
  it('of two ways to lie that agree alike and are as far off: the one towards the thin side', () => {
    expect(toTuning(tuned(['E4', 'B3']), tuned(['G4', 'E4', 'C4', 'E4']), [at(1, 3)], 'shape').places).toEqual([at(2, 3)]);
  });
  it('to another count of strings lie to the thick side where all else is alike', () => {
    const four = tuned(['C3', 'C3', 'C3', 'C3']);
    const two = tuned(['C3', 'C3']);
    expect(toTuning(four, two, [at(4, 2), at(1, 2)], 'shape').places).toEqual([at(2, 2), null]);
  });
});

describe('the pick', () => {
  const steps = (...places: Place[]): FingeredStep[] => places.map((p) => ({ ...p, finger: 1, handFret: 3, move: 'stay', costMm: 0 }));
  it('goes on downward to a string that sounds no lower', () => {
    expect(pickStrokes(tuned(['E3', 'E3', 'A2']), steps(at(2, 3), at(1, 5), at(2, 5), at(3, 5)), 'economy')).toEqual(['down', 'down', 'down', 'up']); // prettier-ignore
  });
});

describe('fingers', () => {
  it('of ways that cost the same: the lower finger, wherever on the neck', () => {
    expect(fingerNotes(guitar(22), [at(6, 1)], { school: 'finger-per-fret' })[0]).toMatchObject({ finger: 1, handFret: 1 });
    expect(fingerNotes(guitar(22), [at(6, 3)], { school: 'finger-per-fret' })[0]).toMatchObject({ finger: 1, handFret: 3 });
    expect(fingerNotes(guitar(22), [at(1, 12)], { school: 'first-and-third' })[0]).toMatchObject({ finger: 1, handFret: 12 });
  });
});

describe('routes', () => {
  it('that part in a quarter of their places are two, in less than a quarter one', () => {
    const step = (string: number, fret: number): FingeredStep => ({ string, fret, finger: 1, handFret: 5, move: 'stay', costMm: 0 });
    const four = [step(6, 5), step(5, 5), step(4, 5), step(3, 5)];
    const five = [...four, step(2, 5)];
    const other = (steps: FingeredStep[]): FingeredStep[] => [step(1, 9), ...steps.slice(1)];
    expect(distinct([{ steps: four }, { steps: other(four) }])).toHaveLength(2);
    expect(distinct([{ steps: five }, { steps: other(five) }])).toHaveLength(1);
    expect(distinct([{ steps: five }, { steps: five.map((s, k) => (k > 2 ? { ...s, handFret: 6 } : s)) }])).toHaveLength(2);
  });
  it('to a fret under the hand may be longer than two octaves', () => {
    const o = { from: at(1, 0), to: { fret: 30 }, motion: 'run', school: 'finger-per-fret', strings: [1], count: 1 } as const;
    const [r] = planRoute(guitar(36), C, { ...o, strings: [...o.strings] });
    expect(r!.steps).toHaveLength(18);
  });
  it('a slide after a slide costs no more where both are written', () => {
    const line = [3, 5, 7].map((fret) => at(3, fret));
    const cost = (joins: (Join | null)[]): number => fingerNotes(guitar(22), line, { school: 'first-and-third', joins, pins: [{ index: 2, finger: 3 }] })[2]!.costMm; // prettier-ignore
    expect(cost([null, 'slide', 'slide'])).toBeLessThan(20);
  });
  it('a copy is as tight as it can be: E4 and G4 on a guitar', () => {
    const copies = copiesOf(guitar(22), [64, 67], { school: 'finger-per-fret', octaves: [0] });
    const told = copies.map((c) => c.steps.map((s) => `${s.string}/${s.fret}`).join(' ')).sort();
    expect(told).toEqual(['1/0 1/3', '2/5 1/3', '2/5 2/8', '3/9 2/8', '3/9 3/12', '4/14 3/12', '4/14 4/17', '5/19 4/17', '5/19 5/22']);
  });
});

describe('instruments at the edges', () => {
  it('one string carries layouts of one note or two', () => {
    const shapes = layOut(tuned(['E2'], 22), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'per-string', notes: 2 });
    expect(shapes.map(frets)).toEqual(['0 3', '3 5', '5 8', '8 10', '10 12', '12 15', '15 17', '17 20', '20 22']);
  });
  it('twelve strings carry three notes each', () => {
    const twelve = tuned(['E4', 'B3', 'G3', 'D3', 'A2', 'E2', 'B1', 'F#1', 'C#1', 'G#0', 'D#0', 'A#-1']);
    for (const s of layOut(twelve, C, { kind: 'per-string', notes: 3 })) expect(s.notes).toHaveLength(36);
  });
  it('with a capo the box at the capo has its open strings there', () => {
    const [box] = layOut({ ...guitar(22), capo: 3 }, { tonic: 'G', scale: 'minor pentatonic' }, { kind: 'box' });
    expect([box!.label, frets(box)]).toEqual(['box 1', '3 6 / 3 5 / 3 5 / 3 5 / 3 6 / 3 6']);
    expect(box!.cells.map((c) => c.fingers[0])).toEqual([0, 0, 0, 0, 0, 0]);
  });
});

describe('what belongs where', () => {
  it('a layout that hangs on a root stays on its string, though another string has a root nearer by', () => {
    expect(nearestRoot(guitar(22), { tonic: 'A', scale: 'major' }, at(6, 10))).toEqual(at(6, 5)); // not 5/12
  });
  it('a finger settled in a shape goes before one settled everywhere, on the same place alone', () => {
    const shape = shapeRef('box', { number: 1, lowFret: 5 });
    const pins = [
      { ...at(6, 5), finger: 2, shape: null },
      { ...at(6, 5), finger: 1, shape },
      { ...at(5, 7), finger: 4, shape: null },
    ];
    expect(pinsIn(pins, shape, [at(6, 5), at(5, 7)]).map((h) => `${h.string}/${h.fret} ${h.finger}`)).toEqual(['6/5 1', '5/7 4']);
  });
  it('a ♭5 that the skeleton holds is no passing note, though 4 and 5 are there', () => {
    const roles = (scale: string[]): Set<string> =>
      new Set(neckNotes(guitar(22), { tonic: 'A', scale }).flatMap((n) => (n.degree === 'b5' ? [n.role] : [])));
    expect([...roles(['1', 'b3', '4', 'b5', '5'])]).toEqual(['scale']);
    expect([...roles(['1', 'b3', '4', 'b5', '5', 'b7'])]).toEqual(['passing']);
  });
  it('a scale of nine notes has no skeleton, one of eight may', () => {
    expect(skeletonOf(['1', 'b2', '2', 'b3', '3', '4', '5', '6', 'b7'])).toBeNull();
    expect(skeletonOf(['1', '2', 'b3', '3', '4', '5', '6', 'b7'])).toEqual(['1', 'b3', '4', '5', 'b7']);
  });
});

describe('the diagonal', () => {
  it('of six notes takes two and four in turn', () => {
    const [s] = layOut(guitar(22), { tonic: 'A', scale: 'whole tone' }, { kind: 'diagonal', root: at(6, 5) });
    expect(s!.label).toMatch(/^diagonal 2 and 4,/);
  });
  it('with both thirds is cut as with the minor one: the root is the last of its set', () => {
    const ref: ScaleRef = { tonic: 'A', scale: ['1', 'b3', '3', '4', '5', 'b7'] };
    const cell = (counts?: [number, number]): number[] | undefined =>
      layOut(guitar(22), ref, { kind: 'diagonal', root: at(6, 5), ...(counts ? { counts } : {}) }).find((s) => s.lowFret < 4)?.cells[0]!
        .frets;
    expect(cell([3, 3])).toEqual([0, 3, 5]);
    expect(cell()).toEqual([3, 5]);
  });
});

describe('one string and octave frames', () => {
  it('an octave that ends on the last fret is whole', () => {
    const octaves = layOut(guitar(22), C, { kind: 'one-string', string: 4, range: 'octave' });
    expect(octaves.map((s) => [s.lowFret, s.highFret])).toEqual([[10, 22]]);
  });
  it('of hand places that play as many notes the lower is the hand of the shape', () => {
    const [octave] = layOut(guitar(22), { tonic: 'A', scale: 'natural minor' }, { kind: 'one-string', string: 3, range: 'octave' });
    expect(octave!.hands.map((h) => h.notes)).toEqual([3, 3, 2]);
    expect(octave!.handFret).toBe(2);
  });
  it('a frame takes a note that is one fret out either way on the lower string', () => {
    const [frame] = layOut(guitar(22), { tonic: 'A', scale: 'major' }, { kind: 'octaves', root: at(6, 5) });
    expect(frets(frame)).toBe('5 7 9 / 5 7 9 / 6 7'); // C♯ 9 below, not 4 above; so F♯
  });
  it('of two octaves under one hand the nearer in frets is the next frame', () => {
    const thirds = tuned(['C4', 'G#3', 'E3', 'C3']);
    const frames = layOut(thirds, { tonic: 'D#', scale: 'minor pentatonic' }, { kind: 'octaves', root: at(4, 3) });
    expect(frames.map((s) => s.roots.map((r) => `${r.string}/${r.fret}`).join(' '))).toEqual(['4/3 1/3', '1/3']); // not 2/7
  });
});

describe('names', () => {
  it('of two tonics as easy to write the sharp one for F♯, and the lower of two octaves as near', () => {
    expect(bestTonic(6, 'ionian')).toBe('F#');
    expect(parseTuning('Bb')).toEqual(['Bb1']); // six half steps below E2 as well as above
  });
  it('three scales at most for a strange note', () => {
    expect(scalesWith({ tonic: 'C', scale: ['1', '3', '5'] }, 2).scales).toHaveLength(3);
  });
  it('half an octave of degrees goes up', () => {
    expect(changeDegree(C, [65], '4', '7').pitches).toEqual([71]);
    expect(changeDegree(C, [71], '7', '4').pitches).toEqual([65]);
  });
  it('a double-dotted quarter is seven sixteenths', () => {
    expect(noteValue(840)).toMatchObject({ type: 'quarter', dots: 2 });
    expect(noteValue(900)).toBeNull();
  });
  it('three notes a string are the first for a stretching hand', () => {
    const schools = [2, 3].flatMap((notes) => [defaultSchool({ kind: 'per-string', notes }), defaultSchool({ kind: 'split', notes })]);
    expect(schools).toEqual(['finger-per-fret', 'finger-per-fret', 'stretch', 'stretch']);
  });
});

describe('lines', () => {
  it('a leap of nine frets is meant', () => {
    expect(checkLine(guitar(22), C, [at(5, 3), at(4, 12)])).toEqual([]);
    expect(checkLine(guitar(22), C, [at(5, 3), at(4, 10)]).map((f) => f.problem)).toEqual(['too-wide']); // seven are a slip: string 3 has it
  });
  it('what is pulled off from a tap may come back to its own finger', () => {
    const note = (fret: number) => ({ place: at(2, fret), ticks: 240 });
    const notes = [note(5), { ...note(12), join: 'tap' as const }, { ...note(5), join: 'pull' as const }];
    expect(fingerLick(guitar(22), notes, { school: 'finger-per-fret' }).map((s) => s?.handFret)).toEqual([5, 5, 5]);
    expect(fingerLick(guitar(22), notes, { school: 'finger-per-fret' }).map((s) => s?.finger)).toEqual([1, 0, 1]);
  });
  const way = { layout: { kind: 'box' }, fromRung: 0, toRung: 2, school: 'finger-per-fret' } as const;
  it('on a pair of strings of its own choice stay on the highest', () => {
    const { steps } = connect(guitar(22), C, { ...way, way: 'string-pair' });
    expect([...new Set(steps.map((s) => s.string))].sort()).toEqual([1, 2]);
  });
  it('from a place to itself are none', () => {
    const from = (by: 'seam' | 'split') => () => connect(guitar(22), C, { ...way, way: by, start: at(6, 5), goal: at(6, 5) });
    expect(from('seam')).toThrow(CoreError);
    expect(from('split')).toThrow('does not go through string 6, fret 5');
  });
});
