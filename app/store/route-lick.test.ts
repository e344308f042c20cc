import { MOST_KEPT, MOST_LICKS, problemsOf, studySchema, type StudyBody } from '../../contract';
import { pickStrokes, planRoute, struckNotes, TICKS } from '../../core';
import { DEMO } from '../../demo';
import { selectKept } from './connection';
import { lickOfRoute, routeOfLick, type RouteLine } from './route-lick';

const body = DEMO.studies[0]!.body;
const { instrument, scale } = body;
const [route] = planRoute(instrument, scale, {
  from: { string: 6, fret: 2 },
  to: { string: 1, fret: 9 },
  motion: 'run',
  school: 'finger-per-fret',
});
const line = (o: Partial<RouteLine> = {}): RouteLine => ({ name: 'Up', steps: route!.steps, strokes: pickStrokes(instrument, route!.steps, 'hammered'), instrument, scale, ...o }); // prettier-ignore
const after = (edit: Partial<StudyBody> | null, on: StudyBody = body): StudyBody => ({ ...on, ...edit });
const holds = (b: StudyBody): unknown => problemsOf(studySchema, b);

describe('a route as a lick', () => {
  it('has its places, fingers and slurs, in eighths, and is opened', () => {
    const made = after(lickOfRoute(body, line()));
    const lick = made.licks[made.licks.length - 1]!;
    expect(holds(made)).toEqual([]);
    expect([made.lick, lick.name, lick.instrument, lick.stayed]).toEqual([lick.id, 'Up', null, null]);
    expect(lick.notes.map((n) => [n.place, n.finger, n.ticks])).toEqual(
      route!.steps.map((s) => [{ string: s.string, fret: s.fret }, s.finger || undefined, TICKS / 2]),
    );
    expect(lick.notes.filter((n) => n.join === 'hammer').length).toBeGreaterThan(2);
    expect(lick.notes[0]).not.toHaveProperty('join');
  });
  it('remembers another neck and another scale', () => {
    const other = { ...instrument, strings: instrument.strings.map((s, k) => (k === 5 ? { ...s, open: 'D2' } : s)) };
    const made = after(lickOfRoute(body, line({ instrument: other, scale: { tonic: 'C', scale: 'ionian' } })));
    expect(made.licks[made.licks.length - 1]).toMatchObject({ instrument: { strings: other.strings }, stayed: { tonic: 'C' } });
    expect(holds(made)).toEqual([]);
  });
  it('is none where there are no notes, too many, or no room', () => {
    expect(lickOfRoute(body, line({ steps: [] }))).toBeNull();
    expect(lickOfRoute(body, line({ steps: Array.from({ length: 401 }, () => route!.steps[0]!) }))).toBeNull();
    const full = { ...body, licks: Array.from({ length: MOST_LICKS }, (_, k) => ({ ...body.licks[0]!, id: `l${k}` })) };
    expect(lickOfRoute(full, line())).toBeNull();
  });
});

describe('a lick as a route', () => {
  const lick = body.licks[0]!;
  it('has its struck notes in order, its settled fingers, its slurs, and is opened', () => {
    const settled = { ...lick, notes: lick.notes.map((n, k) => (k === 0 ? { ...n, finger: 2 } : n)) };
    const made = after(routeOfLick({ ...body, licks: [settled] }, settled));
    const kept = selectKept.resultFunc(made);
    expect(holds(made)).toEqual([]);
    expect(kept?.steps.map(({ string, fret }) => ({ string, fret }))).toEqual(struckNotes(lick.notes).map((s) => s.place));
    expect(kept?.steps[0]!.finger).toBe(2);
    expect(kept?.asked).toMatchObject({ way: 'best', motion: 'given', fingers: [{ index: 0, finger: 2 }] });
    expect(kept?.strokes).toHaveLength(kept?.steps.length ?? 0);
    const joins = struckNotes(lick.notes).map((s) => lick.notes[s.index]!.join);
    joins.forEach((join, k) => join === 'hammer' && expect(kept?.strokes[k]).toBe('hammer'));
  });
  it('and back again is the same line', () => {
    const there = after(routeOfLick(body, lick));
    const kept = selectKept.resultFunc(there);
    if (!kept) throw new Error('no route');
    const back = after(lickOfRoute(there, { ...kept, instrument: kept.on.instrument, scale: kept.on.scale }), there);
    expect(back.licks[back.licks.length - 1]!.notes.map((n) => n.place)).toEqual(struckNotes(lick.notes).map((s) => s.place));
    expect(holds(back)).toEqual([]);
  });
  it('is none without notes or room', () => {
    expect(routeOfLick(body, { ...lick, notes: [{ place: null, ticks: 480 }] })).toBeNull();
    const one = after(routeOfLick(body, lick)).routes[0]!;
    expect(routeOfLick({ ...body, routes: Array.from({ length: MOST_KEPT }, (_, k) => ({ ...one, id: `r${k}` })) }, lick)).toBeNull();
  });
});
