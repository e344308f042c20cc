import { DEMO } from '../../demo';
import { problemsOf, studySchema, type StudyBody } from '../../contract';
import { layOut, planRoute } from '../../core';
import {
  askAfresh,
  askFrom,
  askTo,
  endsNow,
  pinNote,
  routeEnds,
  pinFinger,
  changeAsked,
  turned,
  type RouteEnds,
  dropRoute,
  keepRoute,
  renameRoute,
  reorderRoute,
  selectKept,
  solveAgain,
} from './connection';
import { loosened, seamConnection } from './question';
import { withPin, withScale } from './moves';

const body = DEMO.studies[0]!.body;
const shapes = layOut(body.instrument, body.scale, body.layout);
const now = (connection: StudyBody['connection'] = null): RouteEnds =>
  endsNow({ body: { ...body, connection }, shapes, current: 0 }) as RouteEnds;
const then = (edit: Partial<StudyBody>): RouteEnds => now(edit.connection);

describe('what Connect is asked', () => {
  it('begins at the chosen rung and goes to the one after next', () => {
    expect(now()).toMatchObject({ from: 0, to: 2, asked: { way: 'seam' } });
    expect(endsNow({ body, shapes, current: shapes.length - 1 })).toMatchObject({ from: shapes.length - 2, to: shapes.length - 1 });
    expect(endsNow({ body, shapes: [], current: 0 })).toBeNull();
  });
  it('another line lets go of what was settled note by note; another way of hearing it does not', () => {
    const settled = then(pinFinger(then(pinNote(now(), 3, { string: 5, fret: 9 })), 4, 2));
    expect(settled.asked).toMatchObject({ held: [{ index: 3, string: 5, fret: 9 }], fingers: [{ index: 4, finger: 2 }] });
    expect(then(changeAsked(settled, { picking: 'economy' })).asked.held).toHaveLength(1);
    expect(then(askAfresh(settled, { way: 'split' })).asked).toMatchObject({ held: [], fingers: [] });
  });
  it('one note is held on one place, one finger settled on it; both can be let go', () => {
    const held = then(pinNote(then(pinNote(now(), 3, { string: 5, fret: 9 })), 3, { string: 6, fret: 14 }));
    expect(held.asked.held).toEqual([{ index: 3, string: 6, fret: 14 }]);
    expect(then(pinNote(held, 3, null)).asked.held).toEqual([]);
    expect(then(pinFinger(then(pinFinger(now(), 1, 2)), 1, null)).asked.fingers).toEqual([]);
  });
  it('a place, the hand or a pitch as an end asks for the best route; a rung takes it back', () => {
    const to = then(askTo(now(), shapes, { hand: 9 }));
    expect(to.asked).toMatchObject({ way: 'best', goal: { fret: 9 } });
    expect(routeEnds(to, shapes)).toEqual({ from: { string: 6, fret: 2 }, to: { fret: 9 } });
    expect(then(askTo(to, shapes, { pitch: 73 })).asked.goal).toEqual({ pitch: 73 });
    expect(then(askTo(to, shapes, { rung: 1 }))).toMatchObject({ to: 1, asked: { goal: null } });
    expect(then(askFrom(to, shapes, { place: { string: 6, fret: 4 } })).asked.start).toEqual({ string: 6, fret: 4 });
    const placed = then(askFrom(to, shapes, { place: { string: 6, fret: 4 } }));
    expect(then(askAfresh(placed, { way: 'diagonal', strings: [] })).asked).toMatchObject({
      way: 'diagonal',
      start: { string: 6, fret: 4 },
    });
    expect(shapes[placed.from]!.notes.some((n) => n.string === 6 && n.fret === 4)).toBe(true);
    expect(then(askFrom(to, shapes, { rung: 3 }))).toMatchObject({ from: 3, asked: { start: null } });
  });
  it('turns round: from the goal to the start', () => {
    const back = then(turned(now()));
    expect(back).toMatchObject({ from: 2, to: 0 });
    expect(routeEnds(back, shapes)).toEqual({ from: { string: 1, fret: 9 }, to: { string: 6, fret: 2 } });
    const given = then(turned(then(askAfresh(now(), { pitches: [54, 57, 59] }))));
    expect(given.asked.pitches).toEqual([59, 57, 54]);
  });
  it('a seam of the ladder asks for its two rungs', () => {
    expect(then({ connection: seamConnection(body, shapes[3]!, shapes[4]!) })).toMatchObject({ from: 3, to: 4, asked: { way: 'seam' } });
  });
  it('is a record that the server takes, kept routes and pins included', () => {
    const asked = then(pinNote(then(askTo(now(), shapes, { pitch: 73 })), 1, { string: 6, fret: 4 })).asked;
    const [route] = planRoute(body.instrument, body.scale, { ...routeEnds(now(asked), shapes), motion: 'run', school: 'finger-per-fret' });
    const kept: StudyBody = {
      ...body,
      ...keepRoute(body, now(asked), route!, 'Up the ladder'),
      ...withPin(body, shapes[0]!, { string: 6, fret: 2 }, 2),
    };
    expect(problemsOf(studySchema, kept)).toEqual([]);
    expect(problemsOf(studySchema, { ...kept, connection: { ...asked, way: 'teleport' } })[0]!.field).toBe('connection.way');
    expect(problemsOf(studySchema, { ...kept, routes: [{ ...kept.routes[0], more: 1 }] })[0]!.field).toMatch(/^routes/);
  });
  it('another scale or neck loosens what was asked note by note on the old one; settled fingers stay with their shape', () => {
    const settled: StudyBody = {
      ...body,
      ...withPin(body, shapes[0]!, { string: 6, fret: 2 }, 2),
      connection: then(pinNote(now(), 0, { string: 6, fret: 2 })).asked,
    };
    expect(withScale(settled, { tonic: 'G', scale: 'dorian' })).toMatchObject({ connection: { held: [], way: 'seam' } });
    expect(withScale(settled, { tonic: 'G', scale: 'dorian' })).not.toHaveProperty('pins');
    expect(loosened(null)).toBeNull();
  });
});

describe('a kept route', () => {
  const asked = then(askAfresh(now(), { way: 'diagonal', picking: 'economy' })).asked;
  const [route] = planRoute(body.instrument, body.scale, { ...routeEnds(now(asked), shapes), motion: 'run', school: 'finger-per-fret' });
  const study: StudyBody = { ...body, ...keepRoute(body, now(asked), route!, 'Up') };
  const [kept] = study.routes;

  it('holds its notes, fingers, hand places and strokes, and what it was asked of', () => {
    expect(kept!.steps.map((s) => [s.string, s.fret, s.finger, s.handFret])).toEqual(
      route!.steps.map((s) => [s.string, s.fret, s.finger, s.handFret]),
    );
    expect(kept).toMatchObject({ asked, on: { scale: body.scale, layout: body.layout, school: body.school, hand: body.hand } });
    expect(kept!.strokes).toHaveLength(route!.steps.length);
  });
  it('opens as it was kept whatever became of the study', () => {
    const later = {
      ...study,
      route: kept!.id,
      scale: { tonic: 'C', scale: 'ionian' },
      layout: { kind: 'per-string' as const, notes: 3 },
      school: 'stretch' as const,
    };
    const state = { editor: { body: later } } as unknown as Parameters<typeof selectKept>[0];
    expect(selectKept(state)).toBe(kept);
  });
  it('is solved again only when that is asked', () => {
    expect(solveAgain(kept!)).toEqual({ route: null, connection: asked });
  });
  it('asking for something else leaves it', () => expect(askAfresh(now(), { way: 'seam' })).toMatchObject({ route: null }));
  it('is renamed, put in order and dropped', () => {
    const two: StudyBody = { ...study, routes: [kept!, { ...kept!, id: 'b', name: 'Down' }], route: 'b' };
    expect(renameRoute(two, 'b', 'Home').routes?.map((r) => r.name)).toEqual(['Up', 'Home']);
    expect(reorderRoute(two, 'b', -1)?.routes?.map((r) => r.id)).toEqual(['b', kept!.id]);
    expect(reorderRoute(two, 'b', 1)).toBeNull();
    expect(dropRoute(two, 'b')).toMatchObject({ route: null, routes: [{ id: kept!.id }] });
  });
});
