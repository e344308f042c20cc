import { guitar } from '../../tests/support/random';
import {
  CoreError,
  groupsWords,
  hangsOn,
  hungOn,
  LAYOUT_KINDS,
  layOut,
  ruleOf,
  type FingeringSchool,
  type Layout,
  type ScaleRef,
  type Shape,
} from '../index';

const i = guitar();
const A_MINOR: ScaleRef = { tonic: 'A', scale: 'natural minor' };
const C_MAJOR: ScaleRef = { tonic: 'C', scale: 'major' };
const fingers = (s: Shape): string => s.notes.map((n) => n.finger).join(' ');
const frets = (s: Shape): string => s.cells.map((c) => `${c.string}: ${c.frets.join(' ')}`).join(' / ');
const along = (ref: ScaleRef, layout: Layout, school: FingeringSchool): Shape[] => layOut(i, ref, layout, { school });
const codeOf = (run: () => unknown): string => {
  try {
    run();
  } catch (e) {
    if (e instanceof CoreError) return `${e.code} ${e.field}`;
  }
  return 'none';
};

// Fingers of one string: common practice, no published source.
describe('one string', () => {
  const third = { kind: 'one-string', string: 3 } as const;
  it('goes from root to root, in hand-sized groups', () => {
    const [octave] = along(A_MINOR, { ...third, range: 'octave' }, 'finger-per-fret');
    expect(octave!.notes.map((n) => n.fret)).toEqual([2, 4, 5, 7, 9, 10, 12, 14]);
    expect(fingers(octave!)).toBe('1 3 4 1 3 4 1 3');
    expect(groupsWords(octave!)).toBe('2 4 5, shift, 7 9 10, shift, 12 14');
    expect(octave!.hands).toEqual([{ fret: 2, notes: 3 }, { fret: 7, notes: 3 }, { fret: 12, notes: 2 }]); // prettier-ignore
  });
  it('takes the same fingers shown from the nut; an inner root opens the next octave', () => {
    const [whole] = along(A_MINOR, third, 'finger-per-fret');
    expect(whole!.notes.map((n) => n.fret)).toEqual([0, 2, 4, 5, 7, 9, 10, 12, 14, 16, 17, 19, 21, 22]);
    expect(fingers(whole!)).toBe('0 1 3 4 1 3 4 1 1 3 4 1 3 4');
  });
  it('lays a major scale out for index, ring and slide as 1 3 ~3 4 for each tetrachord', () => {
    const second: Layout = { kind: 'one-string', string: 2, range: 'octave' };
    const [octave] = along(C_MAJOR, second, 'first-and-third');
    expect(octave!.notes.map((n) => n.fret)).toEqual([1, 3, 5, 6, 8, 10, 12, 13]);
    expect(fingers(octave!)).toBe('1 3 3 4 1 3 3 4');
    expect(groupsWords(octave!)).toBe('1 3, slide, 5 6, shift, 8 10, slide, 12 13');
  });
  it('never lets a finger run on slides, in any school', () => {
    const schools: FingeringSchool[] = ['finger-per-fret', 'first-and-third', 'stretch', 'no-little-finger'];
    for (const school of schools)
      for (const scale of ['major', 'natural minor', 'minor pentatonic', 'harmonic minor', 'blues'])
        for (const string of [1, 2, 3, 4, 5, 6]) {
          const [s] = layOut(i, { tonic: 'C', scale }, { kind: 'one-string', string }, { school });
          expect(fingers(s!)).not.toMatch(/([1-4]) \1 \1/);
        }
  });
  it('fingers what lies below the first root as its copy an octave above', () => {
    const [s] = along({ tonic: 'E', scale: 'natural minor' }, third, 'finger-per-fret'); // root at 9
    const at = (fret: number): number | undefined => s!.notes.find((n) => n.fret === fret)?.finger;
    expect([4, 5, 7].map(at)).toEqual([16, 17, 19].map(at));
  });
  it('goes from fret to fret, both included', () => {
    const [s] = along(A_MINOR, { ...third, from: 5, to: 12 }, 'finger-per-fret');
    expect([frets(s!), s!.label]).toEqual(['3: 5 7 9 10 12', 'string 3, frets 5 to 12']);
    expect(frets(along(A_MINOR, { ...third, range: 'frets', from: 14 }, 'finger-per-fret')[0]!)).toBe('3: 14 16 17 19 21 22');
  });
  it('says no where the range is off the neck or holds no octave', () => {
    expect(codeOf(() => layOut(i, A_MINOR, { ...third, from: 9, to: 8 }))).toBe('BAD_LAYOUT layout.from');
    expect(codeOf(() => layOut(i, A_MINOR, { ...third, to: 23 }))).toBe('BAD_LAYOUT layout.to');
    expect(codeOf(() => layOut(i, A_MINOR, { ...third, range: 'half' as 'all' }))).toBe('BAD_LAYOUT layout.range');
    expect(codeOf(() => layOut(guitar(12), A_MINOR, { ...third, range: 'octave' }))).toBe('NO_SHAPE_FITS layout.range');
  });
  it('keeps within a shorter neck', () => {
    const { reanchor } = ruleOf('one-string');
    const layout: Layout = { ...third, from: 5, to: 20 };
    expect(reanchor?.(guitar(15), A_MINOR, layout)).toEqual({ ...third, from: 5, to: 15 });
    expect(reanchor?.(i, A_MINOR, layout)).toBe(layout);
  });
});

// Octave frames: common practice, no published source.
describe('octave frames', () => {
  const places = (root: [number, number], ref: ScaleRef = A_MINOR): string[] =>
    layOut(i, ref, { kind: 'octaves', root: { string: root[0], fret: root[1] } }).map((s) =>
      s.roots.map((r) => `${r.string}/${r.fret}`).join(' '),
    );
  it('finds the octaves of a root as the hand does, up and down', () => {
    expect(places([6, 5])).toEqual(['6/5 4/7', '4/7 2/10', '2/10']);
    expect(places([4, 7])).toEqual(places([6, 5]));
    expect(places([5, 12])).toEqual(['5/12 3/14', '3/14 1/17', '1/17']);
  });
  it('holds the scale from each root to the next, as far as it lies under the hand', () => {
    const shapes = layOut(i, { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'octaves', root: { string: 6, fret: 5 } });
    expect(shapes.map(frets)).toEqual(['6: 5 8 / 5: 5 7 / 4: 5 7', '4: 7 10 / 3: 7 9 / 2: 8 10', '2: 10 13 / 1: 10 12']);
    expect(shapes.map((s) => s.label)).toEqual(['octave 1', 'octave 2', 'octave 3']); // prettier-ignore
    for (const s of shapes) expect(s.highFret - s.lowFret).toBeLessThanOrEqual(5);
  });
  it('asks for a root, and goes to one with the scale', () => {
    expect(codeOf(() => places([6, 6]))).toBe('NOT_IN_SCALE layout.root');
    expect(codeOf(() => places([6, 8]))).toBe('NOT_IN_SCALE layout.root');
    expect(ruleOf('octaves').reanchor?.(i, C_MAJOR, { kind: 'octaves', root: { string: 6, fret: 5 } })).toEqual({ kind: 'octaves', root: { string: 6, fret: 8 } }); // prettier-ignore
  });
});

describe('the rule of a layout', () => {
  const root = { string: 6, fret: 5 };
  it('is there for every kind, and offers layouts that can be laid out', () => {
    expect([...LAYOUT_KINDS].sort()).toEqual(['anchor', 'box', 'diagonal', 'octaves', 'one-string', 'per-string', 'places', 'region', 'split', 'string-set', 'window']); // prettier-ignore
    for (const kind of LAYOUT_KINDS)
      for (const { layout } of ruleOf(kind).offers({ instrument: i, scale: A_MINOR, root })) {
        expect(layout.kind).toBe(kind);
        const wide = layout.kind === 'per-string' && layout.notes > 4; // too far up the neck for 22 frets
        if (!wide) expect(layOut(i, A_MINOR, layout).length).toBeGreaterThan(0);
        expect(ruleOf(kind).says(layout)).not.toBe('');
      }
  });
  it('names every option that its layouts have', () => {
    for (const kind of LAYOUT_KINDS)
      for (const { layout } of ruleOf(kind).offers({ instrument: i, scale: A_MINOR, root }))
        for (const option of Object.keys(layout).filter((k) => k !== 'kind')) expect(Object.keys(ruleOf(kind).fields)).toContain(option);
  });
  it('knows which layouts hang on a root, and hangs them on another', () => {
    const at = { string: 4, fret: 7 };
    expect(LAYOUT_KINDS.filter((kind) => ruleOf(kind).offers({ instrument: i, scale: A_MINOR, root }).some(({ layout }) => hangsOn(layout)))).toEqual(['diagonal', 'octaves', 'anchor']); // prettier-ignore
    expect(hungOn({ kind: 'diagonal', root, counts: [2, 3] }, at)).toEqual({ kind: 'diagonal', root: at, counts: [2, 3] });
    const boxes: Layout = { kind: 'box' };
    expect(hungOn(boxes, at)).toBe(boxes);
  });
  it('grows two notes a string for scales of five notes, three for others', () => {
    const offered = (scale: string): Layout => ruleOf('anchor').offers({ instrument: i, scale: { tonic: 'A', scale }, root })[0]!.layout;
    expect(offered('minor pentatonic')).toMatchObject({ notes: 2 });
    expect(offered('blues')).toMatchObject({ notes: 3 });
    expect(offered('dorian')).toMatchObject({ notes: 3 });
  });
  it('gives a grown shape the name it turned out to have', () => {
    const grown = (notes: number, scale: string): Shape => layOut(i, { tonic: 'A', scale }, { kind: 'anchor', root, notes })[0]!;
    expect(grown(2, 'minor pentatonic')).toMatchObject({ label: 'box 1', known: true });
    expect(grown(3, 'dorian')).toMatchObject({ label: 'A Dorian', known: true });
    const cut = layOut(i, { tonic: 'A', scale: 'dorian' }, { kind: 'anchor', root: { string: 6, fret: 17 }, notes: 4 }).find(
      (c) => c.lowFret === 17,
    );
    expect([cut?.label, cut?.known]).toEqual(['shape 1', undefined]); // cut at fret 22: no whole shape of any layout
  });
});
