import fc from 'fast-check';
import { guitar, namedScale, usualInstrument } from '../../tests/support/random';
import { isScale, keys, midi } from '../../tests/support/naive';
import {
  connect,
  connectAll,
  CONNECT_WAYS,
  CoreError,
  layOut,
  placeKey,
  type ConnectRequest,
  type ConnectWay,
  type Instrument,
  type Layout,
  type Place,
  type Route,
  type ScaleRef,
  type Shape,
} from '../index';

const LAYOUTS: Layout[] = [{ kind: 'box' }, { kind: 'per-string', notes: 3 }, { kind: 'window' }];
const BOX: Layout = { kind: 'box' };
const DORIAN: ScaleRef = { tonic: 'F#', scale: 'dorian' };
const school = 'finger-per-fret';
const has = (s: Shape, p: Place): boolean => s.notes.some((n) => n.string === p.string && n.fret === p.fret);

interface Case {
  i: Instrument;
  ref: ScaleRef;
  layout: Layout;
  shapes: Shape[];
  fromRung: number;
  toRung: number;
  routes: Route[];
}

/** Hundreds of random crossings; a refusal must be one of the documented reasons. */
function crossings(way: ConnectWay, check: (c: Case, r: Route) => void, more: Partial<ConnectRequest> = {}): number {
  let found = 0;
  fc.assert(
    fc.property(usualInstrument, namedScale, fc.constantFrom(...LAYOUTS), fc.nat(), fc.nat(), (i, ref, layout, a, b) => {
      let shapes: Shape[];
      let routes: Route[];
      let [fromRung, toRung] = [0, 0];
      try {
        shapes = layOut(i, ref, layout);
        fromRung = a % shapes.length;
        toRung = Math.max(0, Math.min(shapes.length - 1, fromRung + ((b % 5) - 2)));
        routes = connectAll(i, ref, { way, layout, fromRung, toRung, school, count: 2, ...more });
      } catch (e) {
        expect((e as CoreError).code).toMatch(/^(NO_ROUTE|NO_SHAPE_FITS|NO_SKELETON)$/);
        return;
      }
      found++;
      for (const r of routes) check({ i, ref, layout, shapes, fromRung, toRung, routes }, r);
    }),
    { numRuns: 70 },
  );
  return found;
}

/** Each step lies on the rung it says it follows; rungs are taken in order, from the first to the last. */
function follows({ i, ref, shapes, fromRung, toRung }: Case, r: Route): void {
  const rungs = r.rungs as number[];
  expect(rungs).toHaveLength(r.steps.length);
  r.steps.forEach((s, k) => {
    expect(isScale(ref, midi(i, s))).toBe(true);
    if (rungs[k]! >= 0) expect(has(shapes[rungs[k]!]!, s)).toBe(true);
  });
  const order = rungs.filter((n) => n >= 0);
  expect([order[0], order[order.length - 1]]).toEqual([fromRung, toRung]);
  order.slice(1).forEach((n, k) => expect((n - order[k]!) * Math.sign(toRung - fromRung)).toBeGreaterThanOrEqual(0));
}

/** A run: it only rises, or only falls, from the outermost note of the first rung to that of the last. */
function runs({ i, shapes, fromRung, toRung }: Case, r: Route): void {
  const way = Math.sign(toRung - fromRung);
  const pitches = r.steps.map((s) => midi(i, s));
  pitches.slice(1).forEach((p, k) => expect((p - pitches[k]!) * way).toBeGreaterThan(0));
  const outermost = (s: Shape, up: boolean): number => (up ? Math.max : Math.min)(...s.notes.map((n) => n.midi));
  expect(pitches[0]).toBe(outermost(shapes[fromRung]!, way < 0));
  expect(pitches[pitches.length - 1]).toBe(outermost(shapes[toRung]!, way > 0));
}

const changes = (r: Route): number[] => (r.rungs as number[]).flatMap((n, k, all) => (k > 0 && n !== all[k - 1] ? [k] : []));

describe('ways from rung to rung', () => {
  it('seam: every change of rung is made on a note of both', () => {
    const found = crossings('seam', (c, r) => {
      follows(c, r);
      runs(c, r);
      for (const k of changes(r)) expect(has(c.shapes[(r.rungs as number[])[k]!]!, r.steps[k - 1]!)).toBe(true);
    });
    expect(found).toBeGreaterThan(20);
  });

  it('seam: on the strings asked for', () => {
    const r = connect(guitar(), DORIAN, { way: 'seam', layout: BOX, fromRung: 0, toRung: 2, strings: [4, 2], school });
    expect(changes(r).map((k) => r.steps[k - 1]!.string)).toEqual([4, 2]);
  });

  it('one string: between the rungs the line keeps to one string, three notes at least', () => {
    const found = crossings('one-string', (c, r) => {
      follows(c, r);
      runs(c, r);
      const between = r.steps.filter((_, k) => (r.rungs as number[])[k]! < 0);
      expect(between.length).toBeGreaterThanOrEqual(3);
      expect(new Set(between.map((s) => s.string)).size).toBe(1);
    });
    expect(found).toBeGreaterThan(20);
  });

  it('string pair: two strings alone', () => {
    const onPair = (s: Place): boolean => s.string <= 2;
    const found = crossings(
      'string-pair',
      (c, r) => {
        follows(c, r);
        const rungs = r.rungs as number[];
        expect(r.steps.every(onPair)).toBe(true);
        for (const rung of new Set(rungs))
          expect(r.steps.filter((_, k) => rungs[k] === rung)).toHaveLength(c.shapes[rung]!.notes.filter(onPair).length);
      },
      { strings: [1, 2] },
    );
    expect(found).toBeGreaterThan(20);
  });

  it('diagonal: five notes or more of a shape that climbs from a root', () => {
    const found = crossings('diagonal', (c, r) => {
      follows(c, r);
      runs(c, r);
      const climb = r.steps.filter((_, k) => (r.rungs as number[])[k]! < 0);
      expect(climb.length).toBeGreaterThanOrEqual(5);
      const lower = c.shapes[Math.min(c.fromRung, c.toRung)]!;
      const shapes = lower.roots.flatMap((root) => layOut(c.i, c.ref, { kind: 'diagonal', root }));
      expect(shapes.some((s) => climb.every((p) => has(s, p)))).toBe(true);
    });
    expect(found).toBeGreaterThan(10);
  });

  it('split: the lower strings of one rung, then one string back and on', () => {
    const found = crossings('split', (c, r) => {
      follows(c, r);
      const { upward } = { upward: [...c.i.strings.keys()].map((k) => k + 1).sort((a, b) => midi(c.i, { string: a, fret: 0 }) - midi(c.i, { string: b, fret: 0 })) }; // prettier-ignore
      const steps = c.toRung > c.fromRung ? r.steps : [...r.steps].reverse();
      const rungs = c.toRung > c.fromRung ? (r.rungs as number[]) : [...(r.rungs as number[])].reverse();
      rungs.slice(1).forEach((n, k) => {
        if (n !== rungs[k]) expect(upward.indexOf(steps[k + 1]!.string)).toBe(upward.indexOf(steps[k]!.string) - 1);
      });
    });
    expect(found).toBeGreaterThan(20);
  });

  it('split of neighbours: as the split layout runs (docs/decisions.md)', () => {
    for (const frets of [22, 24]) {
      const i = guitar(frets);
      const rungs = layOut(i, DORIAN, { kind: 'per-string', notes: 3 });
      for (const run of layOut(i, DORIAN, { kind: 'split', notes: 3 })) {
        const fromRung = rungs.findIndex((s) => keys(s.notes.slice(0, 12)).join() === keys(run.notes.slice(0, 12)).join());
        if (fromRung < 0 || fromRung + 1 >= rungs.length) continue;
        const r = connect(i, DORIAN, {
          way: 'split',
          layout: { kind: 'per-string', notes: 3 },
          fromRung,
          toRung: fromRung + 1,
          school: 'stretch',
        });
        expect(r.steps.map((s) => `${s.string}/${s.fret}`)).toEqual(run.notes.map((n) => `${n.string}/${n.fret}`));
      }
    }
  });

  it('region: the hand leaps once, from a note of the first rung alone to one of the last alone', () => {
    const found = crossings('region', (c, r) => {
      follows(c, r);
      runs(c, r);
      const [leap, ...more] = changes(r);
      expect(more).toEqual([]);
      expect(r.steps[leap!]!.handFret).not.toBe(r.steps[leap! - 1]!.handFret);
      expect(has(c.shapes[c.toRung]!, r.steps[leap! - 1]!)).toBe(false);
      expect(has(c.shapes[c.fromRung]!, r.steps[leap!]!)).toBe(false);
    });
    expect(found).toBeGreaterThan(10);
  });

  it('merge: three notes on every other string, of both rungs', () => {
    const found = crossings('merge-skip', (c, r) => {
      const strings = r.steps.map((s) => s.string);
      for (const s of new Set(strings)) expect(strings.filter((o) => o === s)).toHaveLength(3);
      const played = [...new Set(strings)].sort((a, b) => a - b);
      played.slice(1).forEach((s, k) => expect(s - played[k]!).toBe(2));
      for (const s of r.steps) expect(c.shapes.some((shape) => has(shape, s))).toBe(true);
    });
    expect(found).toBeGreaterThan(10);
    // Common practice, no published source: boxes 1 and 2 of A minor pentatonic, merged on strings 6, 4 and 2.
    const r = connect(guitar(), { tonic: 'A', scale: 'minor pentatonic' }, { way: 'merge-skip', layout: BOX, fromRung: 2, toRung: 3, strings: [6, 4, 2], school: 'stretch' }); // prettier-ignore
    expect(r.steps.map((s) => `${s.string}/${s.fret}`)).toEqual(['6/5', '6/8', '6/10', '4/5', '4/7', '4/10', '2/5', '2/8', '2/10']);
  });

  it('come down as well as up, each fingered on its own', () => {
    for (const way of CONNECT_WAYS) {
      const up = connect(guitar(), DORIAN, { way, layout: BOX, fromRung: 0, toRung: 1, school });
      const down = connect(guitar(), DORIAN, { way, layout: BOX, fromRung: 1, toRung: 0, school });
      expect(midi(guitar(), up.steps[0]!)).toBeLessThan(midi(guitar(), up.steps[up.steps.length - 1]!));
      expect(midi(guitar(), down.steps[0]!)).toBeGreaterThan(midi(guitar(), down.steps[down.steps.length - 1]!));
    }
  });

  it('go round a held note', () => {
    const o: ConnectRequest = { way: 'seam', layout: BOX, fromRung: 0, toRung: 2, school };
    const free = connect(guitar(), DORIAN, o);
    const index = free.steps.findIndex((s, k) => k > 4 && s.string < 6 && s.fret >= 4);
    const { string, fret } = free.steps[index]!;
    const away = { index, string: string + 1, fret: midi(guitar(), { string, fret }) - midi(guitar(), { string: string + 1, fret: 0 }) };
    const r = connect(guitar(), DORIAN, { ...o, held: [away] });
    expect(r.steps[index]).toMatchObject({ string: away.string, fret: away.fret });
    expect(r.steps.map((s) => midi(guitar(), s))).toEqual(free.steps.map((s) => midi(guitar(), s)));
    expect(r.cost).toBeGreaterThanOrEqual(free.cost);
  });
});

describe('no way', () => {
  const ask = (o: Partial<ConnectRequest>) => () => connect(guitar(), DORIAN, { way: 'seam', layout: BOX, fromRung: 0, toRung: 1, school, ...o }); // prettier-ignore
  it.each([
    [{ way: 'flight' as ConnectWay }, 'is none of seam, one-string'],
    [{ fromRung: 1 }, 'the same rung'],
    [{ toRung: 99 }, 'toRung: 99'],
    [{ layout: { kind: 'one-string', string: 1 } as Layout, toRung: 0 }, 'one rung only'],
    [{ toRung: 7, way: 'split' as const }, 'climbs 4 rungs at most'],
    [{ toRung: 7, way: 'merge-skip' as const }, 'choose a nearer goal'],
    [{ strings: [9] }, 'strings are numbered 1 to 6'],
    [{ strings: [1, 1] }, 'different strings'],
    [{ way: 'string-pair' as const, strings: [1] }, 'takes 2 different strings'],
    [{ toRung: 7, strings: [1] }, 'share no note to change hands on'],
  ])('%j: %s', (o, message) => {
    expect(ask(o)).toThrow(message);
  });
});

describe('a line between places of one’s choice', () => {
  const i = guitar();
  const F: ScaleRef = { tonic: 'F', scale: 'major' };
  const between = (way: ConnectWay, start: Place | undefined, goal: Place | undefined, more: Partial<ConnectRequest> = {}): string[] =>
    connect(i, F, { way, layout: { kind: 'box' }, fromRung: 0, toRung: 3, school: 'finger-per-fret', ...(start ? { start } : {}), ...(goal ? { goal } : {}), ...more }).steps.map(placeKey); // prettier-ignore
  it('begins and ends there, in every way that goes through them', () => {
    const [start, goal] = [
      { string: 6, fret: 3 },
      { string: 1, fret: 8 },
    ];
    for (const way of ['seam', 'diagonal', 'split'] as const) {
      const whole = between(way, undefined, undefined);
      const line = between(way, start, goal);
      expect([way, line[0], line[line.length - 1]]).toEqual([way, '6/3', '1/8']);
      expect(line.length).toBeLessThan(whole.length);
    }
  });
  it('grows a diagonal from the root that was named', () => {
    // Rung 0 of F major has its roots on 6/1, 4/3 and 1/1: from 4/3 the climb is that of 4/3.
    const climb = layOut(i, F, { kind: 'diagonal', root: { string: 4, fret: 3 } })[0]!.notes.map(placeKey);
    const line = between('diagonal', { string: 4, fret: 3 }, undefined, { toRung: 2 });
    expect(line[0]).toBe('4/3');
    expect(line.filter((p) => climb.includes(p)).length).toBeGreaterThanOrEqual(5);
  });
  it('says which place it does not go through', () => {
    const refused = (start: Place | undefined, goal: Place | undefined): string => {
      try {
        between('string-pair', start, goal, { strings: [1, 2] });
      } catch (e) {
        return e instanceof CoreError ? `${e.field}: ${e.message}` : String(e);
      }
      return '';
    };
    expect(refused({ string: 6, fret: 1 }, undefined)).toBe('start: This way does not go through string 6, fret 1: choose a note of it, other rungs, or the best route.'); // prettier-ignore
    expect(refused(undefined, { string: 6, fret: 8 })).toContain('goal: This way does not go through string 6, fret 8');
    expect(refused({ string: 7, fret: 1 }, undefined)).toContain('start');
  });
});
