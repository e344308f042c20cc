import { problemsOf, studySchema, type StudyBody } from '../../contract';
import { nowOf, type Now } from './change';
import { LOOSE, type EditorState } from './editor';
import { blankLeaf } from './loose';
import { WAYS_IN } from './ways-in';

const nowFor = (body: StudyBody): Now => nowOf({ editor: { id: LOOSE, body } as EditorState }) as Now;
const leaf = blankLeaf();

describe('the plain ways in', () => {
  it.each(WAYS_IN.map((w) => [w.id, w] as const))('%s makes a leaf that holds, with the choices it promises', (id, way) => {
    const fields = way.make(nowFor(leaf)) ?? {};
    const body = { ...leaf, ...fields };
    expect(problemsOf(studySchema, body)).toEqual([]);
    const promised = { place: body.layout.kind === 'window' && body.labels === 'fingers', join: body.connection?.way === 'seam', lick: body.licks.length === 1, print: true }; // prettier-ignore
    expect(promised[id]).toBe(true);
  });
  it('lick: lies in the shape under the hand and ends on the root; a leaf that has licks keeps them', () => {
    const way = WAYS_IN.find((w) => w.id === 'lick');
    const now = nowFor(leaf);
    const { licks = [] } = way?.make(now) ?? {};
    const inShape = (p: { string: number; fret: number } | null) =>
      now.shape?.notes.some((n) => n.string === p?.string && n.fret === p.fret);
    expect(licks[0]!.notes.every((n) => inShape(n.place))).toBe(true);
    expect(way?.make(nowFor({ ...leaf, licks }))).toBeNull();
  });
});
