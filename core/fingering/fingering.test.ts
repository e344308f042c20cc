import fc from 'fast-check';
import { cheapest, everyWay, leastCost, naiveHand, SIZES } from '../../tests/support/hand';
import { guitar } from '../../tests/support/random';
import { fingerNotes, fingersFor, layOut, whyFinger, type FingeringSchool, type Hand, type Place } from '../index';
import { graphOf, prepare } from './graph';
import { bestPaths, handModel, runToEnd } from './index';
import { bySuccession } from './stays';
import { settled } from './steps';

const SCHOOLS: FingeringSchool[] = ['finger-per-fret', 'first-and-third', 'stretch', 'no-little-finger'];
const anySchool = fc.constantFrom(...SCHOOLS);
const anyHand: fc.Arbitrary<Hand> = fc.constantFrom(...(Object.keys(SIZES) as Hand['size'][])).map((size) => ({ size }));
const anyPlace = fc.record({ string: fc.integer({ min: 1, max: 6 }), fret: fc.integer({ min: 0, max: 20 }) });
const lines = (maxLength: number, minLength = 1) => fc.array(anyPlace, { minLength, maxLength });
const effort = (steps: { costMm: number }[]): number => steps.reduce((sum, s) => sum + s.costMm, 0);

describe('the search', () => {
  it.each(SCHOOLS)('finds the least effort there is, by %s', (school) => {
    fc.assert(
      fc.property(lines(5), anyHand, (places, hand) => {
        const least = leastCost(naiveHand(guitar(), school, hand.size), places);
        expect(effort(fingerNotes(guitar(), places, { school, hand }))).toBeCloseTo(least, 6);
      }),
      { numRuns: 300 },
    );
  });

  it('lists the cheapest ways that differ in a hand fret, as a full enumeration does', () => {
    fc.assert(
      fc.property(lines(4), anySchool, fc.integer({ min: 2, max: 9 }), (places, school, count) => {
        const m = handModel(guitar(), school);
        const paths = runToEnd(bestPaths(settled(m, places), count));
        const all = everyWay(naiveHand(guitar(), school, 'medium'), places.map((p) => [p])); // prettier-ignore
        const wanted = cheapest(all, count);
        expect(paths).toHaveLength(wanted.length);
        paths.forEach((p, k) => expect(p.cost).toBeCloseTo(wanted[k]!, 6));
        expect(new Set(paths.map((p) => p.states.map((s) => s.hand).join())).size).toBe(paths.length);
      }),
      { numRuns: 300 },
    );
  });

  it('lists the cheapest way of each succession of hand places, as a full enumeration does', () => {
    fc.assert(
      fc.property(lines(4, 2), anySchool, fc.integer({ min: 2, max: 9 }), (places, school, count) => {
        const ready = prepare(settled(handModel(guitar(), school), places));
        const graph = runToEnd(graphOf(ready, Infinity));
        const costOf = (way: number[]): number =>
          way.reduce((sum, j, k) => sum + (k ? graph.layers[k - 1]!.by[way[k - 1]!]![graph.layers[k - 1]!.to[way[k - 1]!]!.indexOf(j)]! : graph.layers[0]!.costs[j]!), 0); // prettier-ignore
        const least = new Map<string, number>();
        for (const [way, cost] of everyWay(
          naiveHand(guitar(), school, 'medium'),
          places.map((p) => [p]),
        )) {
          const hands = way.trim().split(' ').map((s) => s.split('/')[2]).filter((h) => h !== '0'); // prettier-ignore
          const key = hands.filter((h, k) => h !== hands[k - 1]).join();
          least.set(key, Math.min(cost, least.get(key) ?? Infinity));
        }
        const found = [...bySuccession(graph, count)].map(costOf);
        expect(found.map((c) => c.toFixed(6))).toEqual(cheapest(least, count).map((c) => c.toFixed(6)));
      }),
      { numRuns: 200 },
    );
  });

  it('is exact with bends and time too', () => {
    const line = lines(5, 2).chain((places) => {
      const each = <T>(of: fc.Arbitrary<T>) => fc.array(of, { minLength: places.length, maxLength: places.length });
      return fc.tuple(
        fc.constant(places),
        each(fc.constantFrom(null, 1, 2)),
        each(fc.constantFrom(60, 240, 960)),
        each(fc.constantFrom(0, 0, 480)),
      );
    });
    fc.assert(
      fc.property(line, anySchool, ([places, bends, ticks, rests], school) => {
        // Twice as dear in half the time of an eighth at 120, within bounds; a tenth after a rest of a beat.
        const pace = places.map((_, k) => (k === 0 ? 1 : rests[k]! >= 480 ? 0.1 : Math.min(2.5, Math.max(0.3, 240 / ticks[k - 1]!))));
        const least = leastCost(naiveHand(guitar(), school, 'medium', undefined, { bends, pace }), places);
        expect(effort(fingerNotes(guitar(), places, { school, bends, ticks, rests, tempo: 120 }))).toBeCloseTo(least, 6);
      }),
      { numRuns: 300 },
    );
  });

  it('keeps to what a hand can do: its span at each place, one finger for a slide, no roll over a skipped string', () => {
    fc.assert(
      fc.property(lines(30, 2), anySchool, anyHand, (places, school, hand) => {
        const steps = fingerNotes(guitar(), places, { school, hand });
        const mm = (a: number, b: number): number => 648 * (2 ** (-a / 12) - 2 ** (-b / 12));
        for (let from = 0; from < steps.length;) {
          let to = from;
          while (to + 1 < steps.length && steps[to + 1]!.handFret === steps[from]!.handFret) to++;
          const frets = steps.slice(from, to + 1).filter((s) => s.finger > 0).map((s) => s.fret); // prettier-ignore
          const [low, high, rest] = [Math.min(...frets), Math.max(...frets), steps[from]!.handFret];
          if (frets.length && (low < rest || high > rest + 3)) expect(mm(low, high)).toBeLessThanOrEqual(SIZES[hand.size] + 1e-9);
          from = to + 1;
        }
        steps.slice(1).forEach((b, k) => {
          const a = steps[k];
          if (b.move === 'slide') expect([b.finger, b.string]).toEqual([a!.finger, a!.string]);
          const rolls =
            a!.handFret === b.handFret && a!.finger > 0 && a!.finger === b.finger && a!.string !== b.string && a!.fret === b.fret;
          if (rolls) expect(Math.abs(a!.string - b.string)).toBe(1);
        });
      }),
      { numRuns: 200 },
    );
  });

  it('never puts a lower finger on a higher fret of one string without moving the hand', () => {
    fc.assert(
      fc.property(lines(30, 2), anySchool, (places, school) => {
        const steps = fingerNotes(guitar(), places, { school });
        steps.slice(1).forEach((b, k) => {
          const a = steps[k];
          if (a!.string === b.string && a!.handFret === b.handFret && a!.fret !== b.fret && a!.finger && b.finger)
            expect(Math.sign(b.fret - a!.fret)).toBe(Math.sign(b.finger - a!.finger));
        });
      }),
      { numRuns: 150 },
    );
  });

  it('leaves open strings to no finger and lets the hand wait there', () => {
    const line = [{ string: 6, fret: 3 }, { string: 5, fret: 0 }, { string: 5, fret: 3 }]; // prettier-ignore
    const steps = fingerNotes(guitar(), line, { school: 'finger-per-fret' });
    expect(steps[1]!.finger).toBe(0);
    expect(steps[1]!.handFret).toBe(steps[0]!.handFret);
    expect(fingerNotes(guitar(), [{ string: 1, fret: 0 }], { school: 'stretch' })[0]).toMatchObject({ finger: 0, move: 'start' });
    const late = fingerNotes(guitar(), [{ string: 1, fret: 0 }, { string: 1, fret: 9 }], { school: 'stretch' }); // prettier-ignore
    expect(late.map((s) => s.handFret)).toEqual([late[1]!.handFret, late[1]!.handFret]);
    expect(late[1]!.move).toBe('stay');
  });

  it('plays the diagonal with index and ring and slides only (common practice, no published source)', () => {
    const [shape] = layOut(guitar(24), { tonic: 'Eb', scale: 'minor pentatonic' }, { kind: 'diagonal', root: { string: 6, fret: 11 } });
    expect(new Set(shape!.notes.map((n) => n.finger))).toEqual(new Set([1, 3]));
    const moves = fingerNotes(guitar(24), shape!.notes, { school: 'first-and-third' }).filter((s) => s.handFret !== shape!.handFret || s.move !== 'stay').map((s) => s.move); // prettier-ignore
    expect(moves).toContain('slide');
    expect(shape!.roots[0]).toEqual({ string: 6, fret: 11 });
    expect(shape!.cells[0]!.fingers).toEqual([1, 3]);
  });

  it('names each move by the first that applies', () => {
    const steps = fingerNotes(guitar(), [{ string: 6, fret: 5 }, { string: 5, fret: 5 }, { string: 5, fret: 7 }, { string: 1, fret: 15 }], { school: 'finger-per-fret' }); // prettier-ignore
    expect(steps.map((s) => s.move)).toEqual(['start', 'roll', 'stay', 'shift']);
  });

  it('refuses what is no school, hand or place', () => {
    const one = [{ string: 1, fret: 1 }];
    expect(() => fingerNotes(guitar(), one, { school: 'thumb' as FingeringSchool })).toThrow('school: "thumb" is none of');
    expect(() => fingerNotes(guitar(), one, { school: 'stretch', hand: { size: 'vast' as 'large' } })).toThrow('hand.size');
    expect(() => fingerNotes(guitar(), [{ string: 7, fret: 1 }], { school: 'stretch' })).toThrow('places[0].string');
  });
});

describe('joined notes', () => {
  it('take two fingers to hammer and one to slide, and are otherwise the least effort there is', () => {
    const line = lines(5, 2).chain((places) =>
      fc.tuple(
        fc.constant(places),
        fc.array(fc.constantFrom('hammer' as const, 'slide' as const, null), { minLength: places.length, maxLength: places.length }),
      ),
    );
    fc.assert(
      fc.property(line, anySchool, ([places, slurs], school) => {
        // A join to an open string or from one asks nothing of the fingers.
        const joins = slurs.map((s, k) => (k > 0 && places[k]!.string === places[k - 1]!.string ? s : null));
        const least = leastCost(naiveHand(guitar(), school, 'medium', undefined, { joins }), places);
        expect(effort(fingerNotes(guitar(), places, { school, joins }))).toBeCloseTo(least, 6);
      }),
      { numRuns: 500 },
    );
  });
  it.each(SCHOOLS)('3 h4 h5 on one string goes to three fingers or shifts, never to one twice: %s', (school) => {
    const places = [3, 4, 5].map((fret) => ({ string: 3, fret }));
    const [a, b, c] = fingerNotes(guitar(), places, { school, joins: [null, 'hammer', 'hammer'] }).map((s) => s.finger);
    expect(a).not.toBe(b);
    expect(b).not.toBe(c);
  });
  it.each(SCHOOLS)('a slide keeps its finger: %s', (school) => {
    const places = [5, 7].map((fret) => ({ string: 3, fret }));
    const [a, b] = fingerNotes(guitar(), places, { school, joins: [null, 'slide'] });
    expect([b!.finger, b!.move]).toEqual([a!.finger, 'slide']);
  });
  it('a hammer-on between a half step goes to the next finger by index and ring too', () => {
    const places = [3, 4, 5].map((fret) => ({ string: 5, fret }));
    const steps = fingerNotes(guitar(), places, { school: 'first-and-third', joins: [null, 'hammer', 'hammer'] });
    expect(steps.map((s) => s.finger)).toEqual([1, 2, 3]);
  });
  it('a finger that the player settled is obeyed all the same', () => {
    const places = [3, 5].map((fret) => ({ string: 3, fret }));
    const pins = [{ index: 0, finger: 1 }, { index: 1, finger: 1 }]; // prettier-ignore
    expect(fingerNotes(guitar(), places, { school: 'finger-per-fret', pins, joins: [null, 'pull'] }).map((s) => s.finger)).toEqual([1, 1]);
  });
});

describe('settled fingers', () => {
  it('are kept, and the rest is solved around them at the least effort', () => {
    fc.assert(
      fc.property(lines(5, 2), anySchool, fc.nat(), fc.nat(), (places, school, at, which) => {
        const index = at % places.length;
        const can = fingersFor(guitar(), places[index]!, { school });
        const finger = can[which % can.length]!;
        const steps = fingerNotes(guitar(), places, { school, pins: [{ index, finger }] });
        expect(steps[index]!.finger).toBe(finger);
        const least = leastCost(naiveHand(guitar(), school, 'medium'), places, (h, k) => k !== index || h.finger === finger);
        expect(effort(steps)).toBeCloseTo(least, 6);
      }),
      { numRuns: 300 },
    );
  });

  it('hold in every shape that has the place, windows too', () => {
    const pins = [{ string: 6, fret: 4, finger: 2 }];
    for (const layout of [{ kind: 'box' }, { kind: 'window' }] as const) {
      const shapes = layOut(guitar(), { tonic: 'F#', scale: 'dorian' }, layout, { pins });
      const fingers = shapes.flatMap((s) => s.notes.filter((n) => n.string === 6 && n.fret === 4).map((n) => n.finger));
      expect(fingers.length).toBeGreaterThan(1);
      expect(new Set(fingers)).toEqual(new Set([2]));
    }
  });

  it('that no hand can do are refused with those that can', () => {
    const places = [{ string: 6, fret: 1 }];
    expect(() => fingerNotes(guitar(), places, { school: 'finger-per-fret', pins: [{ index: 0, finger: 4 }] })).toThrow('choose 1, 2.');
    expect(() => fingerNotes(guitar(), places, { school: 'finger-per-fret', pins: [{ index: 3, finger: 1 }] })).toThrow('pins[0].index');
  });
});

describe('why a finger', () => {
  it('the parts of every step add up to its cost, and no other finger would be cheaper', () => {
    fc.assert(
      fc.property(lines(6), anySchool, fc.nat(), (places, school, at) => {
        const index = at % places.length;
        const why = whyFinger(guitar(), places, index, { school });
        expect(why.parts.reduce((sum, p) => sum + p.mm, 0)).toBeCloseTo(why.step.costMm, 6);
        expect(why.step).toEqual(fingerNotes(guitar(), places, { school })[index]);
        for (const { finger, moreMm } of why.others) {
          expect(moreMm).toBeGreaterThan(-1e-6);
          const pinned = fingerNotes(guitar(), places, { school, pins: [{ index, finger }] });
          expect(effort(pinned) - effort(fingerNotes(guitar(), places, { school }))).toBeCloseTo(moreMm, 6);
        }
      }),
      { numRuns: 150 },
    );
  });
});

describe('the other way', () => {
  // Common practice, no published source: after a two-note cell either reach, or close the hand and move.
  it('moves the hand elsewhere, and costs no less', () => {
    const cells: Place[][] = [
      [{ string: 6, fret: 5 }, { string: 6, fret: 8 }, { string: 5, fret: 4 }, { string: 5, fret: 7 }],
      [{ string: 3, fret: 5 }, { string: 3, fret: 7 }, { string: 2, fret: 8 }, { string: 2, fret: 10 }],
    ]; // prettier-ignore
    for (const places of cells) {
      const best = fingerNotes(guitar(), places, { school: 'finger-per-fret' });
      const other = fingerNotes(guitar(), places, { school: 'finger-per-fret', alternatives: true });
      const moves = (steps: typeof best): string => steps.map((s) => s.handFret).join();
      expect(moves(other)).not.toBe(moves(best));
      expect(effort(other)).toBeGreaterThanOrEqual(effort(best) - 1e-9);
      expect([best, other].map((w) => w.filter((s) => s.move === 'shift' || s.move === 'slide').length).sort()).toContain(1);
    }
  });
});
