import { keysOf } from '../typed';
import fc from 'fast-check';
import { distinctCheapest, everyWay, naiveHand, WEIGHTS } from '../../tests/support/hand';
import { midi, scaleBetween } from '../../tests/support/naive';
import { guitar } from '../../tests/support/random';
import {
  handPlaces,
  placesOf,
  planning,
  planRoute,
  whyStep,
  type FingeringSchool,
  type Instrument,
  type Route,
  type RouteRequest,
  type RouteWeights,
} from '../index';

const DORIAN = { tonic: 'F#', scale: 'dorian' };
const SCHOOL = 'finger-per-fret';
const anySchool = fc.constantFrom<FingeringSchool>('finger-per-fret', 'first-and-third', 'stretch', 'no-little-finger');
const factor = fc.constantFrom(0, 0.5, 1, 2, 4);
const anyWeights: fc.Arbitrary<RouteWeights> = fc.record({
  travel: factor, shifts: factor, stretch: factor, stringChanges: factor, openStrings: fc.constantFrom(-1, 0, 1, 4), region: factor, tone: fc.constantFrom(-1, 0, 0.5, 1),
}); // prettier-ignore
const four: Instrument = { ...guitar(12), strings: guitar().strings.slice(2) };
const key = (r: Route): string => r.steps.map((s) => `${s.string}/${s.fret}/${s.handFret}`).join(' ');
const pitchesOf = (i: Instrument, r: Route): number[] => r.steps.map((s) => midi(i, s));

describe('best routes', () => {
  it('are the cheapest of all there are, each place and finger tried, and come in order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 40, max: 67 }), { minLength: 2, maxLength: 4 }),
        anySchool,
        anyWeights,
        (pitches, school, weights) => {
          const routes = planRoute(four, DORIAN, { pitches, school, weights, count: 6 });
          const all = everyWay(naiveHand(four, school, 'medium', weights), pitches.map((p) => placesOf(four, p))); // prettier-ignore
          const wanted = distinctCheapest(all, 6);
          expect(routes.map((r) => r.cost.toFixed(5))).toEqual(wanted.map((cost) => cost.toFixed(5)));
          expect(new Set(routes.map(key)).size).toBe(routes.length);
        },
      ),
      { numRuns: 120 },
    );
  });

  it('say how far the hand goes, how often and how wide, as their steps do', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 40, max: 80 }), { minLength: 2, maxLength: 20 }), (pitches) => {
        const i = guitar();
        for (const r of planRoute(i, DORIAN, { pitches, school: SCHOOL, count: 2 })) {
          expect(pitchesOf(i, r)).toEqual(pitches);
          const hands = handPlaces(r.steps);
          expect(r.shifts).toBe(hands.length - 1);
          expect(r.stringChanges).toBe(r.steps.filter((s, k) => k > 0 && s.string !== r.steps[k - 1]!.string).length);
          const at = (f: number): number => 648 * (1 - 2 ** (-f / 12));
          expect(r.travelMm).toBeCloseTo(
            hands.slice(1).reduce((sum, h, k) => sum + Math.abs(at(h.fret) - at(hands[k]!.fret)), 0),
            6,
          );
          expect(r.steps.reduce((sum, s) => sum + s.costMm, 0)).toBeCloseTo(r.cost, 6);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('can say what each step costs: the parts add up, and no other finger is cheaper on the same places', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 40, max: 80 }), { minLength: 2, maxLength: 10 }),
        anySchool,
        anyWeights,
        fc.nat(),
        (pitches, school, weights, at) => {
          const [r] = planRoute(guitar(), DORIAN, { pitches, school, weights, count: 1 });
          const why = whyStep(guitar(), r!.steps, at % r!.steps.length, { school, weights });
          expect(why.parts.reduce((sum, p) => sum + p.mm, 0)).toBeCloseTo(why.step.costMm, 6);
          for (const { moreMm } of why.others) expect(moreMm).toBeGreaterThan(-1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('run through every scale note between two places, up and down', () => {
    const [up] = planRoute(guitar(), DORIAN, { from: { string: 6, fret: 2 }, to: { string: 1, fret: 9 }, motion: 'run', school: SCHOOL });
    expect(pitchesOf(guitar(), up!)).toEqual(scaleBetween(DORIAN, 42, 73));
    expect(up!.steps[0]).toMatchObject({ string: 6, fret: 2, move: 'start' });
    expect(up!.steps[up!.steps.length - 1]).toMatchObject({ string: 1, fret: 9 });
    const [down] = planRoute(guitar(), DORIAN, { from: { string: 1, fret: 9 }, to: { string: 6, fret: 2 }, motion: 'run', school: SCHOOL });
    expect(pitchesOf(guitar(), down!)).toEqual(scaleBetween(DORIAN, 42, 73).reverse());
  });

  it('go in thirds: each note with the next but one', () => {
    const [r] = planRoute(guitar(), DORIAN, { from: { string: 6, fret: 2 }, to: { pitch: 54 }, motion: 'thirds', school: SCHOOL });
    const scale = scaleBetween(DORIAN, 42, 54);
    expect(pitchesOf(guitar(), r!)).toEqual(scale.slice(0, -2).flatMap((m, k) => [m, scale[k + 2]]));
  });

  it('end with the hand at a fret where only that is asked, and are the cheapest of every length that does', () => {
    const i = { ...guitar(12), strings: guitar().strings.slice(3) };
    const from = { string: 3, fret: 2 };
    const routes = planRoute(i, DORIAN, { from, to: { fret: 7 }, motion: 'run', school: SCHOOL, count: 4 });
    for (const r of routes) expect(r.steps[r.steps.length - 1]!.handFret).toBe(7);
    const hand = naiveHand(i, SCHOOL, 'medium', WEIGHTS);
    const wanted = [2, 3, 4, 5].flatMap((n) => {
      const pitches = scaleBetween(DORIAN, 42, 60).slice(0, n);
      const options = pitches.map((p, k) => (k === 0 ? [from] : placesOf(i, p)));
      return [...everyWay(hand, options)].filter(([way]) => way.endsWith('/7')).map(([, cost]) => cost);
    });
    const cheap = wanted.sort((a, b) => a - b).slice(0, 4);
    routes.forEach((r, k) => expect(r.cost).toBeCloseTo(cheap[k]!, 6));
  });

  it('stay within the frets and strings allowed, on held places and settled fingers', () => {
    const base: RouteRequest = { from: { pitch: 52 }, to: { pitch: 64 }, motion: 'run', school: SCHOOL };
    const [r] = planRoute(guitar(), DORIAN, { ...base, within: { fromFret: 4, toFret: 9 }, strings: [3, 4, 5] });
    expect(r!.steps.every((s) => s.fret >= 4 && s.fret <= 9 && [3, 4, 5].includes(s.string))).toBe(true);
    const held = { index: 3, string: 5, fret: 12 };
    const [h] = planRoute(guitar(), DORIAN, { ...base, held: [held], pins: [{ index: 3, finger: 2 }] });
    expect(h!.steps[3]).toMatchObject({ string: 5, fret: 12, finger: 2 });
    const [free] = planRoute(guitar(), DORIAN, base);
    expect(h!.cost).toBeGreaterThan(free!.cost);
    expect(pitchesOf(guitar(), h!)).toEqual(pitchesOf(guitar(), free!));
  });

  it('follow the weights: more minded is never more done', () => {
    const done: Record<'travel' | 'shifts' | 'stringChanges' | 'openStrings' | 'region', (r: Route) => number> = {
      travel: (r) => r.travelMm,
      shifts: (r) => r.shifts,
      stringChanges: (r) => r.stringChanges,
      openStrings: (r) => r.steps.filter((s) => s.finger === 0).length,
      region: (r) => r.steps.filter((s, k) => k > 0 && s.fret <= 7 !== r.steps[k - 1]!.fret <= 7).length,
    };
    const names = keysOf(done);
    const line = fc.array(fc.integer({ min: 40, max: 80 }), { minLength: 2, maxLength: 16 });
    fc.assert(
      fc.property(
        line,
        anySchool,
        fc.constantFrom(...names),
        fc.constantFrom([0, 1], [1, 4], [0.5, 2]),
        (pitches, school, name, [less, more]) => {
          const plan = (weight: number): number =>
            done[name](planRoute(guitar(), DORIAN, { pitches, school, weights: { [name]: weight }, count: 1 })[0]!);
          expect(plan(more)).toBeLessThanOrEqual(plan(less) + 1e-6);
        },
      ),
      { numRuns: 150 },
    );
  });

  // Common practice, no published source: a line goes on, it does not step back.
  it('never step to the lower-sounding string in a rising run, nor to the higher one in a falling run', () => {
    const ends = fc.tuple(fc.integer({ min: 0, max: 24 }), fc.integer({ min: 7, max: 28 }), fc.boolean());
    fc.assert(
      fc.property(ends, anySchool, ([from, length, up], school) => {
        const scale = scaleBetween(DORIAN, 40, 86);
        const run = scale.slice(from % (scale.length - 7)).slice(0, length);
        const pitches = up ? run : [...run].reverse();
        const [r] = planRoute(guitar(), DORIAN, { pitches, school, count: 1 });
        const strings = r!.steps.map((s) => s.string);
        expect(strings).toEqual([...strings].sort((a, b) => (up ? b - a : a - b)));
      }),
      { numRuns: 150 },
    );
  });

  it('tell how far the search has come, and lie the same whether it is watched or not', () => {
    const o: RouteRequest = { pitches: Array.from({ length: 400 }, (_, k) => 50 + (k % 12)), school: SCHOOL, count: 2 };
    const seen: number[] = [];
    const search = planning(guitar(), DORIAN, o);
    let turn = search.next();
    for (; !turn.done; turn = search.next()) seen.push(turn.value);
    expect(seen.length).toBeGreaterThan(4);
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
    expect(turn.value).toEqual(planRoute(guitar(), DORIAN, o));
  });
});

describe('no route', () => {
  const ask = (o: object): (() => unknown) => () => planRoute(guitar(), DORIAN, { from: { string: 6, fret: 2 }, to: { pitch: 54 }, motion: 'run', school: SCHOOL, ...o }); // prettier-ignore
  it.each([
    [{ pitches: [40, 88] }, 'Note 2, E6, needs fret 24 on string 1; the neck has 22.'],
    [{ pitches: [39] }, 'lies below the lowest note'],
    [{ pitches: [] }, 'give 1 to'],
    [{ to: { pitch: 55 } }, 'G3 is not in the scale'],
    [{ from: { string: 6, fret: 3 } }, 'G2 is not in the scale'],
    [{ to: { string: 6, fret: 2 } }, 'the same place'],
    [{ to: { pitch: 76 }, strings: [6] }, 'has no place on string 6 between frets 0 and 22'],
    [{ within: { fromFret: 5, toFret: 9 } }, 'outside the strings and frets allowed'],
    [{ within: { fromFret: 9, toFret: 5 } }, 'within.toFret'],
    [{ to: { fret: 23 } }, 'to.fret: 23 is not a whole number from 1 to 22'],
    [{ motion: 'thirds', to: { pitch: 44 } }, 'No third of the scale lies between F#2 and G#2'],
    [{ motion: 'leaps' }, 'none of run, thirds'],
    [{ weights: { travel: 9 } }, 'weights.travel'],
    [{ weights: { speed: 1 } }, 'the weights are travel'],
    [{ weights: { tone: -2 } }, 'weights.tone'],
    [{ count: 0 }, 'count: 0'],
    [{ held: [{ index: 1, string: 1, fret: 1 }] }, 'String 1, fret 1 is no place of note 2: the line has G#2'],
    [{ pins: [{ index: 0, finger: 4 }] }, 'free one of them'],
  ])('%j: %s', (o, message) => {
    expect(ask(o)).toThrow(message);
  });
});
