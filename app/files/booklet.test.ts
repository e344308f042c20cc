import type { Handout, StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { bookletPages } from '../../formats/booklet/booklet';
import type { NewPart } from '../store/handouts';
import { makeHandout } from './booklet';

const bodies = new Map(DEMO.studies.map(({ id, body }) => [id, body]));
const own = DEMO.studies[0]!.body;
const studyOf = (id: string | null): StudyBody | null => (id === null ? own : (bodies.get(id) ?? null));
const handout = (...parts: NewPart[]): Handout => ({ id: 'h', title: 'Week', teacher: '', pupil: '', paper: 'a4', hand: 'as-is', parts: parts.map((p, k) => ({ ...p, id: `p${k}` })) }); // prettier-ignore
const titles = (h: Handout): string[] => makeHandout(h, studyOf).request.sections.map((s) => s.title);
const why = (...parts: NewPart[]): string[] => makeHandout(handout(...parts), studyOf).lost.map((l) => l.why);
const measure = (t: string, size: number): number => [...t].length * size * 0.5;

describe('a handout made of its studies', () => {
  it('each part under its name, in the order of the handout; text stands between them without one', () => {
    const [lick] = own.licks;
    const parts: NewPart[] = [
      { kind: 'lick', study: null, of: lick!.id },
      { kind: 'text', text: 'Slowly.' },
      { kind: 'rungs', study: 'demo-cold-forge' },
      { kind: 'shape', study: null, rung: { number: 2, fret: 4 } },
      { kind: 'arpeggio', study: null, chord: 'F#m7' },
    ];
    expect(titles(handout(...parts))).toEqual([
      lick!.name,
      '',
      'C# Phrygian dominant, three notes a string',
      'F# Dorian: box 2',
      'F#m7 through the rungs',
    ]);
  });
  it('everything that the demo has goes on paper', () => {
    for (const { id, body } of DEMO.studies) {
      const of = (kind: 'route' | 'lick' | 'drill', all: readonly { id: string }[]): NewPart[] =>
        all.map((x) => ({ kind, study: id, of: x.id }));
      const parts: NewPart[] = [
        { kind: 'rungs', study: id },
        ...of('route', body.routes),
        ...of('lick', body.licks.filter((l) => l.notes.length)),
        ...of('drill', body.drills),
        ...(body.grips.length ? [{ kind: 'grips', study: id } as const] : []),
        ...(body.plan ? [{ kind: 'plan', study: id } as const] : []),
      ]; // prettier-ignore
      const made = makeHandout(handout(...parts), studyOf);
      expect(made.lost).toEqual([]);
      expect(made.request.sections).toHaveLength(parts.length);
      const bookmarks = [...bookletPages(made.request, measure)].flatMap((p) => p.bookmarks);
      expect(bookmarks).toHaveLength(parts.length);
      expect(made.lines).toHaveLength(body.routes.length + body.licks.filter((l) => l.notes.length).length + body.drills.length);
    }
  });
  it('is as the study is now: another key is another page', () => {
    const h = handout({ kind: 'rungs', study: null });
    const moved = makeHandout(h, () => ({ ...own, scale: { ...own.scale, tonic: 'G' } }));
    expect(moved.request.sections[0]!.title).toContain('G Dorian');
  });
  it('what is gone is named, and why; the rest is made', () => {
    const made = makeHandout(handout({ kind: 'lick', study: null, of: 'gone' }, { kind: 'rungs', study: null }), studyOf);
    expect(made.lost.map((l) => [l.part.id, l.why])).toEqual([['p0', 'the lick was deleted.']]);
    expect(made.request.sections).toHaveLength(1);
    expect(why({ kind: 'rungs', study: 'gone' })).toEqual(['the study that it is of was deleted, or cannot be read.']);
    expect(why({ kind: 'route', study: null, of: 'gone' })).toEqual(['the kept route was dropped.']);
    expect(why({ kind: 'drill', study: null, of: 'gone' })).toEqual(['the drill was deleted.']);
    const bare = { ...own, grips: [], plan: null };
    const none = makeHandout(handout({ kind: 'grips', study: null }, { kind: 'plan', study: null }), () => bare).lost.map((l) => l.why);
    expect(none).toEqual(['no grip is kept in it that lies on its neck.', 'it has no plan: make one under Practise.']);
  });
  it('for a left hand every neck is turned, whatever the instrument is', () => {
    const made = makeHandout({ ...handout({ kind: 'rungs', study: null }), hand: 'left' }, studyOf);
    const { content } = made.request.sections[0]!;
    expect('shapes' in content && content.shapes.instrument.handedness).toBe('left');
  });
  it('a drill tells its tempo ladder, a plan a week', () => {
    const study = DEMO.studies.find(({ body }) => body.drills.length);
    if (!study) throw new Error('the demo has no drill');
    const drill = makeHandout(handout({ kind: 'drill', study: study.id, of: study.body.drills[0]!.id }), studyOf).request.sections[0]!;
    expect(drill.about.at(-1)).toMatch(/^Tempo ladder: \d+(, \d+)+\. Up after \d+ clean pass/);
    const planned = DEMO.studies.find(({ body }) => body.plan);
    if (!planned) throw new Error('the demo has no plan');
    const { content } = makeHandout(handout({ kind: 'plan', study: planned.id }), studyOf).request.sections[0]!;
    expect('table' in content && content.table.rows.map((r) => r[0])).toEqual([
      'Monday',
      'Tuesday',
      'Wednesday',
      'Thursday',
      'Friday',
      'Saturday',
      'Sunday',
    ]);
  });
});
