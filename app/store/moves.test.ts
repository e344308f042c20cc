import { DEMO } from '../../demo';
import { layOut, nearestRoot, rootPlaces, type Shape } from '../../core';
import { buildNext, changeKey, foldFret, stepRung, toRoot, typedScale, withInstrument, withLayout, withScale } from './moves';
import { rungIndex, selectLaid, selectNotes, selectShape } from './study';
import { editorReducer, studyOpened } from './editor';

const body = DEMO.studies[0]!.body;
const shapes: Shape[] = layOut(body.instrument, body.scale, body.layout);

describe('moves of the player', () => {
  it('step along the ladder and stop at its ends', () => {
    expect(stepRung(shapes, 0, 1)).toEqual({ rung: { number: 2, fret: 4 } });
    expect(stepRung(shapes, 0, -1)).toBeNull();
  });
  it('take the shape along to another key, folded at the end of the neck', () => {
    expect(changeKey(body, 1)).toMatchObject({ scale: { tonic: 'G' }, rung: { number: 1, fret: 3 } });
    expect(changeKey({ ...body, rung: { number: 3, fret: 20 } }, 1)).toMatchObject({ rung: { fret: 9 } });
    expect(changeKey({ ...body, layout: { kind: 'window' }, rung: { number: 5, fret: 5 } }, -1)).toMatchObject({
      scale: { tonic: 'F' },
      rung: { number: 4, fret: 4 },
    });
  });
  it.each([
    [-1, 0, 22, 11],
    [23, 0, 22, 11],
    [3, 5, 22, 15],
    [7, 0, 22, 7],
    [11, 0, 10, 11],
  ])('fold fret %d between %d and %d to %d', (fret, nut, last, expected) => {
    expect(foldFret(fret, nut, last)).toBe(expected);
  });
  it('go to the rung whose lowest root lies on a string, or at a place', () => {
    expect(toRoot(body.layout, shapes, 0, { string: 5 })).toEqual({ rung: { number: 3, fret: 6 } });
    expect(toRoot(body.layout, shapes, 0, { string: 6, fret: 14 })).toEqual({ rung: { number: 5, fret: 11 } });
    expect(toRoot(body.layout, shapes, 0, { string: 9 })).toBeNull();
  });
  it('go to the rung with the root under the finger that was asked', () => {
    const windows = layOut(body.instrument, { tonic: 'A', scale: 'ionian' }, { kind: 'window' });
    const asked = { string: 6, fret: 5, finger: 2 };
    expect(toRoot({ kind: 'window' }, windows, 0, asked)).toEqual({ rung: { number: 4, fret: 4 } });
    expect(toRoot({ kind: 'window' }, windows, 0, { string: 6, fret: 5 })).toEqual({ rung: { number: 5, fret: 5 } });
  });
  it('a mode asked for by name opens its own shape in notes a string', () => {
    const threes = { ...body, layout: { kind: 'per-string' as const, notes: 3 } };
    expect(typedScale(threes, { tonic: 'B', scale: 'phrygian' }).rung).toEqual({ number: 1, fret: body.rung.fret });
    expect(typedScale(body, { tonic: 'B', scale: 'phrygian' })).not.toHaveProperty('rung');
  });
  it('keep the hand where it is in another layout', () => {
    const far = shapes[3]!;
    expect(withLayout(body, { kind: 'window' }, far).rung).toEqual({ number: 9, fret: 9 });
    expect(withLayout(body, { kind: 'box' }, null).rung?.fret).toBe(2);
  });
  it('find the nearest root when a layout that hangs on one loses it', () => {
    const diagonal = { ...body, layout: { kind: 'diagonal' as const, root: { string: 6, fret: 2 } } };
    expect(withScale(diagonal, { tonic: 'G', scale: 'dorian' }).layout).toEqual({ kind: 'diagonal', root: { string: 6, fret: 3 } });
    expect(withInstrument(diagonal, { ...body.instrument, strings: body.instrument.strings.slice(0, 4) }).layout).toMatchObject({
      root: { string: 4, fret: 4 },
    });
    expect(nearestRoot(body.instrument, body.scale, { string: 1, fret: 9 })).toEqual({ string: 1, fret: 14 });
    expect(rootPlaces(body.instrument, body.scale)).toHaveLength(11);
  });
});

it('a grown shape gets a string more at each step, then stands whole', () => {
  const grown = { ...body, layout: { kind: 'anchor' as const, root: { string: 6, fret: 2 }, notes: 3 } };
  expect([null, 1, 4, 5].map((built) => buildNext({ ...grown, built }))).toEqual([
    { built: 1 },
    { built: 2 },
    { built: 5 },
    { built: null },
  ]);
  expect(buildNext(body)).toBeNull();
});

describe('what the store derives', () => {
  const state = {
    editor: editorReducer(undefined, studyOpened({ kept: { id: 'a', revision: 1, createdAt: 0, updatedAt: 0, body }, problems: [] })),
  };
  it('is the core’s answer, and the same object while nothing changes', () => {
    expect(selectLaid(state)?.shapes).toEqual(shapes);
    expect(selectLaid({ editor: { ...state.editor, save: 'saving' } })).toBe(selectLaid(state));
    expect(selectShape(state)?.label).toBe('box 1');
    expect(selectNotes(state).length).toBeGreaterThan(70);
  });
  it('is the reason, where there is no shape', () => {
    const other = { editor: { ...state.editor, body: { ...body, scale: { tonic: 'C', scale: 'whole tone' } } } };
    expect(selectLaid(other)?.error?.code).toBe('NO_SKELETON');
    const unknown = { editor: { ...state.editor, body: { ...body, scale: { tonic: 'C', scale: 'moonlit' } } } };
    expect(selectLaid(unknown)?.error?.code).toBe('UNKNOWN_SCALE');
    expect(selectNotes(unknown)).toEqual([]);
  });
  it('prefers the rung of the same number, then the nearest', () => {
    expect(shapes[rungIndex(shapes, { number: 1, fret: 13 })]).toMatchObject({ number: 1, handFret: 14 });
    expect(shapes[rungIndex(shapes, { number: 99, fret: 10 })]!.handFret).toBe(9);
  });
});
