import fc from 'fast-check';
import { checkClimb, climb, climbTempos, comesBack, dayRating, standingAfter, standOf, today, TODAY, type Climb, type PlanShape, type PlayedDay, type Rating, type Standing } from '../index'; // prettier-ignore

const CLIMB: Climb = { start: 60, goal: 80, step: 8, clean: 3, misses: 2 };
const at = (tempo: number, clean = 0, misses = 0): Standing => ({ tempo, clean, misses });
const after = (from: Standing, ...ratings: Rating[]): Standing => ratings.reduce((s, r) => climb(CLIMB, s, r).standing, from);

describe('the tempo ladder', () => {
  it('its last rung is the goal', () => {
    expect(climbTempos(CLIMB)).toEqual([60, 68, 76, 80]);
    expect(climbTempos({ ...CLIMB, goal: 60 })).toEqual([60]);
  });
  it('three clean in a row climb, two missed in a row fall, one kind empties the other’s count', () => {
    expect(after(at(60), 'clean', 'clean', 'clean')).toEqual(at(68));
    expect(after(at(60), 'clean', 'clean', 'miss', 'clean', 'clean')).toEqual(at(60, 2, 0));
    expect(after(at(68), 'miss', 'clean', 'miss')).toEqual(at(68, 0, 1));
    expect(after(at(68), 'miss', 'miss')).toEqual(at(60));
  });
  it('at the foot one falls no further; a tempo between two rungs goes to the next one', () => {
    expect(climb(CLIMB, at(60, 0, 1), 'miss')).toEqual({ standing: at(60), moved: 0, reached: false });
    expect(after(at(70), 'clean', 'clean', 'clean')).toEqual(at(76));
    expect(after(at(70), 'miss', 'miss')).toEqual(at(68));
  });
  it('the goal is held once, with the last of its clean passes', () => {
    const held = [1, 2, 3, 4].map((n) => climb(CLIMB, at(80, n - 1), 'clean').reached);
    expect(held).toEqual([false, false, true, false]);
    expect(climb(CLIMB, at(76, 2), 'clean')).toMatchObject({ moved: 1, reached: false });
  });
  it('where passes leave off is where the next day begins', () => {
    const passes = (tempo: number, ...ratings: Rating[]) => ratings.map((rating) => ({ tempo, rating }));
    expect(standingAfter(CLIMB, [])).toEqual(at(60));
    expect(standingAfter(CLIMB, [...passes(60, 'clean', 'clean', 'clean'), ...passes(68, 'clean')])).toEqual(at(68, 1));
    expect(standingAfter({ ...CLIMB, goal: 64 }, passes(76, 'clean'))).toEqual(at(64));
    expect(standingAfter({ ...CLIMB, start: 70 }, passes(60, 'clean'))).toEqual(at(70));
  });
  it('never leaves its ladder', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom<Rating>('clean', 'miss'), { maxLength: 60 }), (ratings) => {
        let s = at(60);
        for (const r of ratings) {
          s = climb(CLIMB, s, r).standing;
          expect(climbTempos(CLIMB)).toContain(s.tempo);
        }
      }),
    );
  });
  it.each([
    [{ start: 20 }, 'start'],
    [{ goal: 50 }, 'goal'],
    [{ step: 0 }, 'step'],
    [{ clean: 11 }, 'clean'],
    [{ misses: 0 }, 'misses'],
  ])('%j is no ladder', (wrong, field) => {
    const refusal = (): unknown => { try { checkClimb({ ...CLIMB, ...wrong }); return null; } catch (e) { return (e as { field: string }).field; } }; // prettier-ignore
    expect(refusal()).toBe(field);
  });
});

const DAY = 86_400_000;
/** A Monday noon, ms since 1970. */
const NOON = 1_793_620_800_000;

describe('spaced days', () => {
  // The published defaults of FSRS as in ts-fsrs 5.4.2, short-term scheduling off: 1, 2, 3 and 8 days for a new card.
  it.each([
    ['again', 1],
    ['hard', 2],
    ['good', 3],
    ['easy', 8],
  ] as const)('a new shape rated %s comes back after %i days', (rating, days) => {
    expect(comesBack([{ at: NOON, rating }])).toEqual({ due: NOON + days * DAY, inDays: days });
  });
  it('good days come further apart, a bad one brings it back soon; a clock put back does no harm', () => {
    const good = [NOON];
    for (let k = 0; k < 4; k++) good.push(comesBack(good.map((day) => ({ at: day, rating: 'good' as const }))).due);
    const gaps = good.slice(1).map((t, k) => (t - good[k]!) / DAY);
    expect(gaps).toEqual([...gaps].sort((a, b) => a - b));
    expect(gaps[3]).toBeGreaterThan(20);
    expect(comesBack([...good.map((day) => ({ at: day, rating: 'good' as const })), { at: good[4]! + 1, rating: 'again' }]).inDays).toBeLessThan(gaps[3]!); // prettier-ignore
    expect(
      comesBack([
        { at: NOON, rating: 'good' },
        { at: NOON - 9 * DAY, rating: 'good' },
      ]).due,
    ).toBeGreaterThan(NOON);
  });
  it('a day’s passes as one rating', () => {
    expect(dayRating({ clean: 3, misses: 0, reached: true })).toBe('easy');
    expect(dayRating({ clean: 5, misses: 2, reached: true })).toBe('good');
    expect(dayRating({ clean: 1, misses: 4, reached: false })).toBe('hard');
    expect(dayRating({ clean: 0, misses: 2, reached: false })).toBe('again');
  });
});

const played = (day: number, reached: boolean, misses = 1): PlayedDay => ({ day: `2026-11-${String(2 + day).padStart(2, '0')}`, at: NOON + day * DAY, clean: 3, misses, reached, seconds: 300 }); // prettier-ignore
const shape = (id: string, more: Partial<PlanShape> = {}): PlanShape => ({ id, said: null, days: [], handFret: 5, wide: false, ...more });
const on = (day: number, minutes = 60) => ({ now: NOON + day * DAY, endOfDay: NOON + day * DAY + DAY / 2 - 1, minutes });
const kinds = (items: ReturnType<typeof today>): string[] =>
  items.map((i) => ('shape' in i ? `${i.kind} ${i.shape}` : `${i.kind} ${i.after}`));

describe('the plan', () => {
  it('one position at a time: the next opens when this one has held its goal', () => {
    const three = (first: PlayedDay[]) => standOf([shape('a', { days: first }), shape('b'), shape('c')]).map((s) => s.state);
    expect(three([])).toEqual(['open', 'waiting', 'waiting']);
    expect(three([played(0, false)])).toEqual(['open', 'waiting', 'waiting']);
    expect(three([played(0, true)])).toEqual(['learned', 'open', 'waiting']);
  });
  it('skipped and known ones are passed over', () => {
    expect(standOf([shape('a', { said: 'known' }), shape('b', { said: 'skipped' }), shape('c')]).map((s) => s.state)).toEqual(['known', 'skipped', 'open']); // prettier-ignore
  });
  it('a learned one comes back by the spaced schedule, from the day it was learned on', () => {
    const [a] = standOf([shape('a', { days: [played(0, false), played(1, true)] })]);
    expect([a!.inDays, a!.due]).toEqual([3, NOON + 4 * DAY]);
  });
  it('a week of it', () => {
    const a = [played(0, true, 0)]; // learned at once without a miss: back in 8 days
    const plan = (day: number, b: PlayedDay[]) =>
      kinds(today([[shape('a', { days: a, handFret: 2 }), shape('b', { days: b, handFret: 7 }), shape('c')]], on(day)));
    expect(kinds(today([[shape('a'), shape('b')]], on(0)))).toEqual(['warm-up a', 'learn a']);
    expect(plan(1, [])).toEqual(['warm-up b', 'learn b']);
    expect(plan(3, [played(1, false), played(2, true)])).toEqual(['warm-up b', 'learn c']);
    expect(plan(5, [played(1, false), played(2, true)])).toEqual(['warm-up b', 'review b', 'learn c']);
    expect(plan(8, [played(2, true), played(5, true)])).toEqual(['warm-up b', 'review a', 'learn c']);
  });
  it('missed days pile nothing up: four come back at most, the longest overdue first', () => {
    const many = Array.from({ length: 9 }, (_, k) => shape(`s${k}`, { days: [played(k, true)] }));
    const items = today([many], on(300, 120));
    expect(items.filter((i) => i.kind === 'review').map((i) => i.shape)).toEqual(['s0', 's1', 's2', 's3']);
  });
  it('rests: a breath between two wide reaches, longer after every twenty minutes', () => {
    const wide = Array.from({ length: 4 }, (_, k) => shape(`w${k}`, { days: [played(0, true)], wide: true }));
    const items = kinds(today([[shape('m', { days: [played(0, true)] }), ...wide]], on(30, 120)));
    expect(items[1]).toBe('review m');
    expect(items).toContain('rest wide');
    const long = today([wide, ['a', 'b', 'c'].map((id) => shape(id))], on(30, 200));
    const learn = today(
      ['a', 'b', 'c', 'd'].map((id) => [shape(id)]),
      on(0, 200),
    );
    expect(kinds(learn)).toEqual(['warm-up a', 'learn a', 'learn b', 'learn c', 'rest long', 'learn d']);
    let since = 0;
    for (const i of long) {
      if (i.kind === 'rest' && i.after === 'long') since = 0;
      else if (i.kind !== 'rest') since += i.minutes;
      expect(since).toBeLessThan(TODAY.restAfter + TODAY.learn);
    }
  });
  it('a short day holds one thing at least, and no more than fits', () => {
    expect(kinds(today([[shape('a')], [shape('b')]], on(0, 5)))).toEqual(['warm-up a', 'learn a']);
    const minutes = today([[shape('a')], [shape('b')]], on(0, 12)).reduce((sum, i) => sum + i.minutes, 0);
    expect(minutes).toBeLessThanOrEqual(12);
  });
  it('nothing to learn and nothing due: nothing', () => {
    expect(today([], on(0))).toEqual([]);
    expect(today([[shape('a', { said: 'skipped' })]], on(0))).toEqual([]);
  });
});
