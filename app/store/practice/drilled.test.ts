import { PLAIN_DRILL, problemsOf, studySchema, ownDrillSchema, type DrillForm, type StudyBody } from '../../../contract';
import { connect, ladder, pickStrokes, soundJoins, drillLick, drillSequence, DRILL_ORDERS } from '../../../core';
import { DEMO } from '../../../demo';
import { practiceOf, keepDrill, withClimb, withForm } from './edit';
import { drilled, homesOf, type Drilled } from './drilled';
import { READY, todaysFive } from './ready';

const body = (): StudyBody => structuredClone(DEMO.studies[0]!.body);
const made = (form: Partial<DrillForm>, on: StudyBody = body(), current = 1): Drilled | string => {
  const { rungs } = ladder(on.instrument, on.scale, on.layout);
  const result = drilled({ ...PLAIN_DRILL, ...form }, { body: on, shapes: rungs, current });
  return 'drill' in result ? result.drill : result.problem;
};
const drill = (form: Partial<DrillForm>, on?: StudyBody, current?: number): Drilled => {
  const d = made(form, on, current);
  if (typeof d === 'string') throw new Error(d);
  return d;
};

describe('a drill of a study', () => {
  it('is the core’s sequence of the chosen shape, fingered as the shape is', () => {
    const { rungs } = ladder(body().instrument, body().scale, body().layout);
    const d = drill({});
    expect(d.notes).toEqual(drillSequence(rungs[1]!, { order: 'from-root' }));
    const fingers = new Map(rungs[1]!.notes.map((n) => [`${n.string}/${n.fret}`, n.finger]));
    expect(d.line.steps.every((s) => s.finger === fingers.get(`${s.string}/${s.fret}`))).toBe(true);
    expect(d.key).toBe(`box/${rungs[1]!.number}`);
  });
  it('begins where each note begins, and knows its returns', () => {
    const d = drill({ rhythm: 'swing' });
    expect(d.starts.slice(0, 4)).toEqual([0, 320, 480, 800]);
    expect(d.returns.map((k) => d.notes[k]!.degree)).toEqual(d.returns.map(() => '1'));
  });
  it('from another of its roots; one that is not there is the highest', () => {
    const { rungs } = ladder(body().instrument, body().scale, body().layout);
    const homes = homesOf(rungs[1]!, PLAIN_DRILL);
    expect(homes.length).toBeGreaterThan(1);
    expect(drill({ home: 1 }).notes[0]).toMatchObject({ string: homes[1]!.string, fret: homes[1]!.fret });
    expect(drill({ home: 9 }).notes[0]).toMatchObject({ string: homes[homes.length - 1]!.string });
  });
  it('down on the scale laid over', () => {
    const on = { ...body(), over: { tonic: 'F#', scale: 'minor pentatonic' } };
    const d = drill({ order: 'up-down', downOver: true }, on);
    const top = d.notes.findIndex((n, k) => k > 0 && n.midi < d.notes[k - 1]!.midi);
    expect(new Set(d.notes.slice(top).map((n) => n.degree))).toEqual(new Set(['1', 'b3', '4', '5', 'b7']));
    expect(d.notes.slice(0, top).map((n) => n.degree)).toContain('2');
  });
  it('all rungs, a lick as it is written, a lick in another order, a kept route', () => {
    expect(drill({ of: 'rungs', order: 'up-down' })).toMatchObject({ key: 'rungs', shape: null });
    const [lick] = body().licks;
    const straight = drill({ of: 'lick', line: lick!.id, order: 'up' });
    expect([straight.key, straight.line.ticks[0]]).toEqual([`lick/${lick!.id}`, lick!.notes[0]!.ticks]);
    expect(Number.isInteger(straight.line.beats)).toBe(true);
    expect(drill({ of: 'lick', line: lick!.id, order: 'down' }).notes[0]!.midi).toBe(straight.notes[straight.notes.length - 1]!.midi);
    const on = body();
    const route = connect(on.instrument, on.scale, { way: 'seam', layout: on.layout, fromRung: 0, toRung: 1, school: 'finger-per-fret' });
    const kept = { id: 'r1', name: 'Up', steps: route.steps, strokes: pickStrokes(on.instrument, route.steps, 'alternate'), on } as never;
    expect(drill({ of: 'route', line: 'r1', order: 'up' }, { ...on, routes: [kept] }).notes).toHaveLength(route.steps.length);
  });
  it('what is not there is said', () => {
    expect(made({ of: 'route' })).toContain('no kept route');
    expect(made({ of: 'lick' }, { ...body(), licks: [] })).toContain('no lick');
    expect(made({}, body(), -1)).toContain('no shape');
    expect(made({ order: 'octaves', strings: [1] })).toContain('octave');
  });
  it('every order and articulation becomes a lick whose joins can be played', () => {
    for (const order of DRILL_ORDERS)
      for (const articulation of ['hammered', 'slides'] as const) {
        const lick = drillLick(drill({ order, articulation }).line);
        expect(soundJoins(lick)).toEqual(lick);
      }
  });
});

describe('drills that are kept', () => {
  it('a named one is one that the study may hold; a blank name and a full study are refused', () => {
    const on = { ...body(), drills: [] };
    const kept = { ...on, ...keepDrill(on, '  Gusts  ') };
    expect(kept.drills.map((d) => d.name)).toEqual(['Gusts']);
    expect(problemsOf(studySchema, kept)).toEqual([]);
    expect(keepDrill(on, '   ')).toBeNull();
    expect(keepDrill({ ...on, drills: Array.from({ length: 100 }, () => kept.drills[0]!) }, 'x')).toBeNull();
  });
  it('the ready ones hold, and any study can play them', () => {
    for (const d of READY) {
      expect(problemsOf(ownDrillSchema, d)).toEqual([]);
      expect(typeof made(d.form)).toBe('object');
    }
  });
  it('five a day, others the next day', () => {
    const names = (day: number): string[] => todaysFive(day).map((d) => d.name);
    expect(new Set(names(20000)).size).toBe(5);
    expect(names(20001).some((n) => names(20000).includes(n))).toBe(false);
    expect(names(-3)).toHaveLength(5);
  });
  it('a ladder stays one: a goal below the start takes it along', () => {
    const on = body();
    expect({ ...on, ...withClimb(on, { goal: 50 }) }.practice?.climb).toMatchObject({ start: 50, goal: 50 });
    expect({ ...on, ...withClimb(on, { start: 120 }) }.practice?.climb).toMatchObject({ start: 120, goal: 120 });
    expect(practiceOf({ ...on, ...withForm(on, () => ({ order: 'random' })) }).form.order).toBe('random');
  });
});
