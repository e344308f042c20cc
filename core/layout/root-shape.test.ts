import {
  CoreError,
  layOut,
  parseGrip,
  rootShape,
  shapeAtRoot,
  shapesUnder,
  type Instrument,
  type Layout,
  type RootOptions,
  type Place,
  type Shape,
} from '../index';

// Facts here are common practice, no published source, unless named otherwise.
const neck = (low: string, frets = 22): Instrument => ({
  name: 'test',
  strings: low.split(' ').reverse().map((open) => ({ open })), // prettier-ignore
  frets,
  scaleLengthMm: 648,
});
const six = neck('E2 A2 D3 G3 B3 E4');
const frets = (s: Shape): string[] => s.cells.map((c) => c.frets.join(' '));
const at = (string: number, fret: number): Place => ({ string, fret });
const major = { tonic: 'A', scale: 'ionian' };

describe('the root here, under this finger', () => {
  it('A major, string 6 fret 5 under the 2nd finger, lies at frets 4 to 7', () => {
    expect(frets(rootShape(six, major, { kind: 'window' }, at(6, 5), { finger: 2 }))).toEqual([
      '4 5 7',
      '4 5 7',
      '4 6 7',
      '4 6 7',
      '5 7',
      '4 5 7',
    ]);
  });
  it.each([
    [at(5, 12), 2 as const, 11],
    [at(6, 5), 4 as const, 2],
    [at(6, 5), undefined, 5],
  ])('%j under finger %s has the index at %d', (root, finger, hand) => {
    const shape = rootShape(six, major, { kind: 'window' }, root, { finger });
    expect(shape.handFret).toBe(hand);
    expect(shape.notes.find((n) => n.string === root.string && n.fret === root.fret)?.finger).toBe(finger ?? 1);
  });
  it('n a string starts there: the cell begins with the root, on the thickest string the whole shape', () => {
    const shape = rootShape(six, { tonic: 'B', scale: 'phrygian' }, { kind: 'per-string', notes: 3 }, at(6, 7));
    expect([shape.label, frets(shape)[0]]).toEqual(['B Phrygian', '7 8 10']);
    expect(shape.notes[0]).toMatchObject({ string: 6, fret: 7, degree: '1' });
    expect(frets(rootShape(six, major, { kind: 'per-string', notes: 3 }, at(5, 12)))[1]).toBe('12 14 16');
  });
  it('a box is the one whose hand is nearest', () => {
    const minor = { tonic: 'A', scale: 'minor-pentatonic' };
    expect(rootShape(six, minor, { kind: 'box' }, at(6, 5)).label).toBe('box 1');
    expect(rootShape(six, minor, { kind: 'box' }, at(6, 5), { finger: 4 }).label).toBe('box 5');
  });
  it('a shape grown from a root grows from this one', () => {
    expect(rootShape(six, major, { kind: 'diagonal', root: at(6, 5) }, at(5, 12)).notes.some((n) => n.string === 5 && n.fret === 12)).toBe(
      true,
    );
  });
  it.each<[Place, RootOptions, string]>([
    [at(6, 6), {}, 'NOT_IN_SCALE'],
    [at(7, 5), {}, 'BAD_PLACE'],
    [at(6, 5), { finger: 5 as never }, 'BAD_OPTION'],
    [at(6, 17), { finger: 1 }, 'none'],
    [at(4, 19), { finger: 1 }, 'NO_SHAPE_FITS'],
  ])('%j %j: %s', (root, o, code) => {
    const ask = (): Shape => rootShape(six, major, { kind: 'window' }, root, o);
    if (code === 'none') return expect(ask().notes.length).toBeGreaterThan(6);
    expect(ask).toThrow(expect.objectContaining({ code }) as Error);
  });
  it('where no shape has it under that finger it says so', () => {
    expect(() => rootShape(six, major, { kind: 'window' }, at(6, 5), { finger: 3 })).not.toThrow();
    expect(() => rootShape(six, { tonic: 'E', scale: 'minor-pentatonic' }, { kind: 'box' }, at(1, 0), { finger: 2 })).toThrow(
      expect.objectContaining({ code: 'NO_SHAPE_FITS', message: expect.stringContaining('under finger 2') as string }) as Error,
    );
  });
  it('of shapes as near, the lower', () => {
    const shapes = layOut(six, { tonic: 'A', scale: 'minor-pentatonic' }, { kind: 'box' });
    const far = shapes.map((s) => Math.abs(s.handFret - 5));
    const held = shapes.map((s, k) => (s.notes.some((n) => n.string === 6 && n.fret === 5) ? far[k]! : Infinity));
    expect(shapeAtRoot('box', shapes, at(6, 5))).toBe(held.indexOf(Math.min(...held)));
    expect(shapeAtRoot('box', shapes, at(6, 6))).toBe(-1);
  });
});

describe('a grip', () => {
  it.each([
    ['x57765', 'x57765', [at(5, 5), at(4, 7), at(3, 7), at(2, 6), at(1, 5)]],
    ['with dashes', 'x-10-12-12-11-10', [at(5, 10), at(4, 12), at(3, 12), at(2, 11), at(1, 10)]],
    ['with open strings', '022000', [at(6, 0), at(5, 2), at(4, 2), at(3, 0), at(2, 0), at(1, 0)]],
  ])('%s', (_, text, places) => {
    expect(parseGrip(text, six)).toEqual(places);
  });
  it.each([
    ['x5776', 'one sign for each of the 6 strings'],
    ['x5776h', '“h” is no fret'],
    ['x-10-12-12-11-30', 'fret'],
  ])('%s is refused by what is wrong', (text, words) => {
    expect(() => parseGrip(text, six)).toThrow(
      expect.objectContaining({ code: 'BAD_PLACE', message: expect.stringContaining(words) as string }) as Error,
    );
  });
  it('says which shapes lie under it: a D minor chord at fret 5 in C major', () => {
    const grip = parseGrip('x57765', six);
    const ref = { tonic: 'C', scale: 'ionian' };
    for (const layout of [{ kind: 'box' }, { kind: 'per-string', notes: 3 }, { kind: 'window' }] as Layout[]) {
      const shapes = layOut(six, ref, layout);
      const holds = shapes.flatMap((s, k) =>
        grip.every((p) => s.notes.some((n) => n.string === p.string && n.fret === p.fret)) ? [k] : [],
      );
      const under = shapesUnder(six, ref, layout, grip);
      expect(under.map((u) => u.index).sort((a, b) => a - b)).toEqual(holds);
      expect(under.map((u) => Math.abs(u.handFret - 5))).toEqual(under.map((u) => Math.abs(u.handFret - 5)).sort((a, b) => a - b));
    }
    expect(shapesUnder(six, ref, { kind: 'box' }, grip)[0]!.label).toBe('box 1');
  });
  it('of two shapes under the same hand the one that begins at the grip is first', () => {
    const ref = { tonic: 'F#', scale: 'minor pentatonic' };
    const grip = [at(6, 2), at(4, 2), at(3, 2), at(2, 2)];
    expect(shapesUnder(six, ref, { kind: 'box' }, grip).map((u) => u.label).slice(0, 2)).toEqual(['box 1', 'box 5']); // prettier-ignore
  });
  it('off the neck is an error, off every shape is an empty answer', () => {
    expect(() => shapesUnder(six, major, { kind: 'box' }, [at(1, 40)])).toThrow(CoreError);
    expect(shapesUnder(six, major, { kind: 'box' }, [at(6, 1), at(1, 15)])).toEqual([]);
  });
});
