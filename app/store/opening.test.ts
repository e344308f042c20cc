import type { Kept, StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import type { OpenRecord } from './local';
import { openedFrom, openedWithout, takenOver } from './opening';

const body = DEMO.studies[0]!.body;
const at = (tempo: number): StudyBody => ({ ...body, tempo });
const held = (revision: number, b: StudyBody = body): Kept<StudyBody> & { problems: [] } => ({ id: 'a', revision, createdAt: 1, updatedAt: 2, body: b, problems: [] }); // prettier-ignore
const step = { before: { tempo: body.tempo }, after: { tempo: 60 }, view: 'map' };
const record = (o: Partial<OpenRecord> = {}): OpenRecord => ({
  id: 'a',
  window: 'w1',
  revision: 3,
  body: at(60),
  unsaved: true,
  sent: null,
  past: [step],
  future: [],
  savedAt: 7,
  at: 8,
  ...o,
});

describe('a study opened over what this browser had', () => {
  it('nothing here: as the server has it, without steps to undo', () => {
    expect(openedFrom(held(3), { own: null })).toEqual({ kept: expect.objectContaining({ revision: 3 }) as unknown, problems: [] });
  });
  it('saved and unchanged since: the steps to undo are there again', () => {
    expect(openedFrom(held(3, at(60)), { own: record({ unsaved: false }) })).toMatchObject({ past: [step] });
    expect(openedFrom(held(3, at(60)), { own: record({ unsaved: false }) })).not.toHaveProperty('draft');
  });
  it('saved here and changed elsewhere since: the newer one, and no steps that would not fit it', () => {
    const opened = openedFrom(held(4, at(90)), { own: record({ unsaved: false }) });
    expect([opened.draft, opened.past, opened.conflict]).toEqual([undefined, undefined, undefined]);
  });
  it('unsaved from the revision that stands: a draft that is still to be saved', () => {
    const opened = openedFrom(held(3), { own: record() });
    expect(opened).toMatchObject({ draft: { tempo: 60 }, past: [step] });
    expect(opened).not.toHaveProperty('conflict');
  });
  it('unsaved from an older revision: a conflict', () => {
    expect(openedFrom(held(4, at(90)), { own: record() })).toMatchObject({
      draft: { tempo: 60 },
      conflict: { revision: 4, body: { tempo: 90 } },
    });
  });
  it('what stands is what this window had sent: no conflict, the rest goes on from it', () => {
    const opened = openedFrom(held(4, at(70)), { own: record({ sent: at(70) }) });
    expect(opened).toMatchObject({ draft: { tempo: 60 }, past: [step] });
    expect(opened).not.toHaveProperty('conflict');
  });
  it('all of it had arrived: saved', () => {
    const opened = openedFrom(held(4, at(60)), { own: record({ sent: at(60) }) });
    expect(opened).toMatchObject({ past: [step] });
    expect(opened).not.toHaveProperty('draft');
  });
});

describe('without the server’s record', () => {
  it.each([
    [422, record(), 'damaged'],
    [404, null, 'missing'],
    [404, record({ unsaved: false }), 'missing'],
    ['FETCH_ERROR', null, 'offline'],
  ])('%s', (status, own, why) => {
    expect(openedWithout({ status }, { own })).toEqual({ why });
  });
  it.each([
    ['FETCH_ERROR', true, 'offline'],
    ['FETCH_ERROR', false, 'saved'],
    [404, true, 'gone'],
  ])('%s with a record of this browser (unsaved: %s) shows it: %s', (status, unsaved, save) => {
    expect(openedWithout({ status }, { own: record({ unsaved }) })).toMatchObject({ save, draft: { tempo: 60 }, past: [step] });
  });
});

describe('what closed windows left', () => {
  const older = record({ window: 'w0', at: 1 });
  it('goes on here where nothing was saved since, or nobody knows', () => {
    for (const stands of [3, null])
      expect(takenOver({ own: null, strays: [record(), older] }, stands)).toEqual({ own: record(), strays: [older] });
    expect(takenOver({ own: record({ unsaved: false, window: 'me' }), strays: [record()] }, 3).own).toEqual(record());
  });
  it('is offered where something was saved since, or this window has unsaved work of its own', () => {
    expect(takenOver({ own: null, strays: [record()] }, 4)).toEqual({ own: null, strays: [record()] });
    const mine = record({ window: 'me' });
    expect(takenOver({ own: mine, strays: [record()] }, 3)).toEqual({ own: mine, strays: [record()] });
  });
});
