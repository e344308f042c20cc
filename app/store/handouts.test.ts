import { MOST_HANDOUTS, MOST_PARTS, problemsOf, studySchema, type StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { addHandout, addPart, copyHandout, dropHandout, dropPart, movePart, setHandout, setText } from './handouts';

const start = (): StudyBody => {
  const body = { ...DEMO.studies[0]!.body, handouts: [] };
  return { ...body, ...addHandout(body, { teacher: 'M. Ferrow', paper: 'letter' })?.edit };
};
const ids = (body: StudyBody): string[] => body.handouts[0]!.parts.map((p) => p.id);

describe('handouts of a study', () => {
  it('begin with all rungs and every lick, and the study holds', () => {
    const body = start();
    const [handout] = body.handouts;
    expect(handout).toMatchObject({ title: body.name, teacher: 'M. Ferrow', pupil: '', paper: 'letter' });
    expect(handout!.parts.map((p) => p.kind)).toEqual(['rungs', ...body.licks.filter((l) => l.notes.length).map(() => 'lick')]);
    expect(problemsOf(studySchema, body)).toEqual([]);
  });
  it('a copy is for another pupil, with parts of its own', () => {
    const body = start();
    const id = body.handouts[0]!.id;
    const both = { ...body, ...setHandout(body, id, { pupil: 'Ines' }) };
    const copied = { ...both, ...copyHandout(both, id)?.edit };
    expect(copied.handouts.map((h) => h.pupil)).toEqual(['Ines', '']);
    expect(problemsOf(studySchema, copied)).toEqual([]);
    expect(dropHandout(copied, id).handouts?.map((h) => h.pupil)).toEqual(['']);
  });
  it('an empty title stays as it was', () => {
    const body = start();
    expect(setHandout(body, body.handouts[0]!.id, { title: '  ', pupil: 'Ines' }).handouts?.[0]).toMatchObject({ title: body.name, pupil: 'Ines' }); // prettier-ignore
  });
  it('parts are added, worded, moved and dropped; others stay as they are', () => {
    let body = start();
    const { id } = body.handouts[0]!;
    const put = (edit: Partial<StudyBody> | null): void => void (body = { ...body, ...edit });
    put(addPart(body, id, { kind: 'text', text: '' }));
    put(addPart(body, id, { kind: 'arpeggio', study: 'demo-cold-forge', chord: 'F#m7' }));
    const [rungs, ...others] = ids(body);
    const text = others.at(-2) as string;
    put(setText(body, id, text, 'Slowly.'));
    put(movePart(body, id, text, 0));
    expect(ids(body)).toEqual([text, rungs, ...others.filter((p) => p !== text)]);
    expect(body.handouts[0]!.parts[0]).toMatchObject({ kind: 'text', text: 'Slowly.' });
    put(movePart(body, id, text, ids(body).length - 1));
    expect(ids(body).at(-1)).toBe(text);
    expect(movePart(body, id, text, ids(body).length)).toBeNull();
    expect(movePart(body, id, text, ids(body).length - 1)).toBeNull();
    expect(movePart(body, id, 'none', 0)).toBeNull();
    put(dropPart(body, id, rungs!));
    expect(ids(body)).not.toContain(rungs);
    expect(problemsOf(studySchema, body)).toEqual([]);
  });
  it('there are as many as there may be, and no more', () => {
    let body = start();
    const { id } = body.handouts[0]!;
    while (body.handouts[0]!.parts.length < MOST_PARTS) body = { ...body, ...addPart(body, id, { kind: 'rungs', study: null }) };
    expect(addPart(body, id, { kind: 'rungs', study: null })).toBeNull();
    while (body.handouts.length < MOST_HANDOUTS) body = { ...body, ...copyHandout(body, id)?.edit };
    expect([copyHandout(body, id), addHandout(body, { teacher: '', paper: 'a4' })]).toEqual([null, null]);
    expect(problemsOf(studySchema, body)).toEqual([]);
  });
});
