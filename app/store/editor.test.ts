import type { Kept, StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { failureOf } from '../words/save-text';
import {
  conflictEnded,
  differenceOf,
  edited,
  LOOSE,
  editorReducer,
  redone,
  saveDone,
  saveFailed,
  saveStarted,
  studyOpened,
  takenBack,
  undone,
  type EditorState,
} from './editor';

const body = DEMO.studies[0]!.body;
const kept = (change: Partial<StudyBody> = {}, revision = 1): Kept<StudyBody> => ({
  id: 'a',
  revision,
  createdAt: 1,
  updatedAt: 2,
  body: { ...body, ...change },
});
const run = (...actions: Parameters<typeof editorReducer>[1][]): EditorState =>
  actions.reduce<EditorState | undefined>((s, a) => editorReducer(s, a), undefined) as EditorState;
const opened = studyOpened({ kept: kept(), problems: [] });

describe('editing a study', () => {
  it('undoes and redoes step by step', () => {
    const two = [opened, edited({ tempo: 100 }), edited({ labels: 'notes' })] as const;
    expect(run(...two, undone()).body).toMatchObject({ tempo: 100, labels: 'degrees' });
    expect(run(...two, undone(), undone()).body).toEqual(body);
    expect(run(...two, undone(), undone(), redone(), redone()).body).toMatchObject({ tempo: 100, labels: 'notes' });
    expect(run(...two, undone(), undone(), undone(), undone()).body).toEqual(body);
  });
  it('forgets what was undone once something else is edited', () => {
    expect(run(opened, edited({ tempo: 100 }), undone(), edited({ labels: 'notes' }), redone()).body).toMatchObject({
      tempo: body.tempo,
      labels: 'notes',
    });
  });
  it('takes steps along the ladder as one', () => {
    const walked = run(opened, edited({ rung: { number: 2, fret: 4 } }), edited({ rung: { number: 3, fret: 6 } }));
    expect(walked.past).toHaveLength(1);
    expect(editorReducer(walked, undone()).body?.rung).toEqual(body.rung);
  });
  it('leaves the state itself alone when nothing changes', () => {
    const state = run(opened);
    expect(editorReducer(state, edited({ tempo: body.tempo, scale: { ...body.scale } }))).toBe(state);
    expect(differenceOf(body, { scale: { ...body.scale } })).toBeNull();
  });
  it('keeps at most three hundred steps', () => {
    const many = Array.from({ length: 700 }, (_, k) => edited(k % 2 ? { tempo: 60 + (k % 100) } : { labels: k % 4 ? 'notes' : 'frets' }));
    expect(run(opened, ...many).past.length).toBe(300);
  });
});

describe('what is told', () => {
  it('names the step back with the view it was made in, each time anew', () => {
    const state = run(opened, edited({ tempo: 100 }), undone());
    expect(state.told).toMatchObject({ kind: 'undone', change: { after: { tempo: 100 }, before: { tempo: body.tempo } }, count: 2 });
    expect(run(opened, edited({ tempo: 100 }), undone(), redone()).told).toMatchObject({ kind: 'redone', count: 3 });
    expect(run(opened, edited({ tempo: 100 })).told).toMatchObject({ kind: 'done', change: { after: { tempo: 100 } }, count: 1 });
  });
  it('takes back what no study can hold, and does not offer it again', () => {
    const state = run(
      opened,
      edited({ tempo: 9000 }),
      takenBack({ good: body, problems: [{ field: 'tempo', message: 'tempo: 260 at most.' }] }),
    );
    expect(state).toMatchObject({
      body: { tempo: body.tempo },
      past: [],
      future: [],
      told: { kind: 'taken back' },
      reason: 'tempo: 260 at most.',
    });
  });
});

describe('saving', () => {
  it('a late answer for one study never lands in another', () => {
    const other = studyOpened({ kept: { ...kept(), id: 'b' }, problems: [] });
    const state = run(opened, edited({ tempo: 100 }), other);
    for (const late of [
      saveFailed({ id: 'a', save: 'refused', reason: 'x' }),
      saveDone({ id: 'a', revision: 9, updatedAt: 1, sent: body }),
      saveStarted({ id: 'a', sent: body }),
    ])
      expect(editorReducer(state, late)).toBe(state);
  });
  it('is done only when what was sent is what stands', () => {
    const sent = { ...body, tempo: 100 };
    const sending = [opened, edited({ tempo: 100 }), saveStarted({ id: 'a', sent })] as const;
    const done = saveDone({ id: 'a', revision: 2, updatedAt: 9, sent });
    expect(run(...sending, done)).toMatchObject({
      save: 'saved',
      revision: 2,
      sent: null,
    });
    expect(run(...sending, edited({ tempo: 110 }), done)).toMatchObject({
      save: 'waiting',
      revision: 2,
      body: { tempo: 110 },
    });
  });
  it('lets the player keep either version of a conflict, and undo taking the other', () => {
    const clash = [
      opened,
      edited({ tempo: 100 }),
      saveFailed({ id: 'a', save: 'conflict', current: kept({ name: 'Theirs' }, 5) }),
    ] as const;
    expect(run(...clash, conflictEnded('mine'))).toMatchObject({
      save: 'waiting',
      revision: 5,
      body: { name: body.name, tempo: 100 },
      conflict: null,
    });
    expect(run(...clash, conflictEnded('theirs'))).toMatchObject({
      save: 'saved',
      revision: 5,
      body: { name: 'Theirs', tempo: body.tempo },
    });
    expect(run(...clash, conflictEnded('theirs'), undone()).body).toMatchObject({ tempo: 100 });
  });
  it('goes on editing during a conflict without sending', () => {
    expect(run(opened, saveFailed({ id: 'a', save: 'conflict', current: kept({}, 5) }), edited({ tempo: 77 }))).toMatchObject({
      save: 'conflict',
      body: { tempo: 77 },
    });
  });
  it('reads the server’s refusals', () => {
    expect(failureOf({ status: 'FETCH_ERROR' })).toEqual({ save: 'offline' });
    expect(failureOf({ status: 404 })).toEqual({ save: 'gone' });
    for (const [status, words] of [
      [413, 'larger than one save may be'],
      [415, 'did not take the form'],
      [500, 'a fault of its own'],
      ['PARSING_ERROR', 'Something else than Crow Ladder answers'],
    ] as const)
      expect(failureOf({ status })).toMatchObject({ save: 'refused', reason: expect.stringContaining(words) as string });
    expect(failureOf({ status: 507, data: { error: { code: 'DISK_FULL', message: 'The disk is full.' } } })).toMatchObject({
      save: 'refused',
      reason: 'The disk is full.',
    });
    expect(
      failureOf({ status: 422, data: { error: { code: 'INVALID', message: '', problems: [{ field: 'name', message: 'x' }] } } }),
    ).toMatchObject({ save: 'refused', problems: [{ field: 'name' }] });
    expect(failureOf({ status: 409, data: { current: kept({}, 3) } })).toMatchObject({ save: 'conflict', current: { revision: 3 } });
  });
});

describe('a loose leaf', () => {
  const leaf = studyOpened({ kept: { ...kept(), id: LOOSE, revision: 0 }, problems: [], save: 'loose' });
  it('takes edits and steps back, and never waits for the server', () => {
    const state = run(leaf, edited({ tempo: 100 }), edited({ labels: 'notes' }), undone());
    expect(state).toMatchObject({ save: 'loose', body: { tempo: 100, labels: body.labels } });
  });
});
