import { problemsOf, studySchema, type PassHistory, type StudyBody } from '../../../contract';
import { ladder, type Shape } from '../../../core';
import { DEMO } from '../../../demo';
import { changeKey } from '../moves';
import { agreeKey, makePlan, moveItem, plannedShapes, planAsks, sayOfShape, shapesToLearn, sinceOf, toldShapes } from './plans';

const weathervane = (): StudyBody => structuredClone(DEMO.studies[0]!.body);
const tram = (): StudyBody => structuredClone(DEMO.studies[2]!.body); // windows, numbered by their fret
const shapesOf = (b: StudyBody): Shape[] => ladder(b.instrument, b.scale, b.layout).rungs;
const planned = (b: StudyBody): StudyBody => ({ ...b, ...makePlan(b, shapesOf(b), 0) });
const numbers = (b: StudyBody): number[] => b.plan?.items.map((i) => i.rung.number) ?? [];

it('each shape once, from the chosen one up the neck, then those below; it can be kept', () => {
  const body = weathervane();
  const shapes = shapesOf(body);
  const at = shapes.findIndex((s) => s.number === 3);
  const plan = { ...body, ...makePlan(body, shapes, at) };
  expect(numbers(plan)[0]).toBe(3);
  expect([...numbers(plan)].sort()).toEqual([1, 2, 3, 4, 5]);
  expect(problemsOf(studySchema, plan)).toEqual([]);
  expect(makePlan(body, [], 0)).toBeNull();
});
it('the demo’s plan is one that its study has shapes for', () => {
  const body = weathervane();
  expect(plannedShapes('x', body, shapesOf(body)).every((p) => p.shape)).toBe(true);
});
it('a shape is known by its layout and number, so that its copies count for it', () => {
  const body = weathervane();
  const [first] = plannedShapes('s', body, shapesOf(body));
  expect([first!.id, first!.key]).toEqual(['s/box/1', 'box/1']);
});
it('order, skipped and known', () => {
  const body = weathervane();
  const moved = { ...body, ...moveItem(body, 0, 1) };
  expect(numbers(moved)).toEqual([2, 1, 3, 4, 5]);
  expect(moveItem(body, 0, -1)).toBeNull();
  expect(moveItem(body, 4, 1)).toBeNull();
  expect({ ...body, ...sayOfShape(body, 1, 'skipped') }.plan?.items.map((i) => i.said)).toEqual([null, 'skipped', null, null, null]);
});

describe('a change of key', () => {
  it('is asked about; other shapes are asked about otherwise; the same key is not', () => {
    const body = weathervane();
    expect(planAsks(body)).toBeNull();
    expect(planAsks({ ...body, ...changeKey(body, 1) })).toBe('key');
    expect(planAsks({ ...body, scale: { tonic: 'F#', scale: 'aeolian' } })).toBe('shapes');
    expect(planAsks({ ...body, layout: { kind: 'per-string', notes: 3 } })).toBe('shapes');
    expect(planAsks({ ...body, plan: null })).toBeNull();
  });
  it('boxes keep their numbers: what was learned counts by itself, or begins anew from now on', () => {
    const moved = { ...weathervane(), ...changeKey(weathervane(), 3) };
    const known = { ...moved, ...agreeKey(moved, shapesOf(moved), 'known', new Set(['box/1']), 5) };
    expect([planAsks(known), numbers(known), known.plan?.items.map((i) => i.since)]).toEqual([null, [1, 2, 3, 4, 5], [null, null, null, null, null]]); // prettier-ignore
    const again = { ...moved, ...agreeKey(moved, shapesOf(moved), 'again', new Set(), 777) };
    expect(sinceOf(plannedShapes('s', again, shapesOf(again)))).toHaveLength(5);
    expect(sinceOf(plannedShapes('s', again, shapesOf(again)))[0]).toEqual({ study: 's', shape: 'box/1', at: 777 });
  });
  it('windows move along with the key, and what was learned of them is known where it lies now', () => {
    const body = planned(tram());
    const moved = { ...body, ...changeKey(body, 2) };
    const learned = new Set([`window/${numbers(body)[1]}`]);
    const known = { ...moved, ...agreeKey(moved, shapesOf(moved), 'known', learned, 5) };
    const items = plannedShapes('s', known, shapesOf(known));
    expect(items.filter((p) => p.shape).length).toBeGreaterThan(items.length / 2);
    expect(known.plan?.items[1]!.said).toBe('known');
    expect(known.plan?.items[1]!.rung.number).toBe(numbers(body)[1]! + 2);
    expect(known.plan?.items.filter((i) => i.said === 'known')).toHaveLength(1);
  });
});

it('a shape that no longer exists is told as none, and left out of the day', () => {
  const body = weathervane();
  const few = shapesOf(body).filter((s) => s.number !== 4);
  const items = plannedShapes('s', body, few);
  expect(items.map((p) => p.shape === null)).toEqual([false, false, false, true, false]);
  const history: PassHistory = { days: [{ study: 's', shape: 'box/1', day: '2026-11-02', at: 1, clean: 3, misses: 0, reached: true, seconds: 60 }], last: [] }; // prettier-ignore
  const told = toldShapes(items, history);
  expect(told.map((t) => t.id)).toEqual(['s/box/1', 's/box/2', 's/box/3', 's/box/5']);
  expect(told[0]!.days).toHaveLength(1);
  expect(shapesToLearn(body, few).map((s) => s.number).sort()).toEqual([1, 2, 3, 5]); // prettier-ignore
});
