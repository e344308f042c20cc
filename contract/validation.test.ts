import fc from 'fast-check';
import type { FingeredStep } from '../core';
import { DEMO } from '../demo';
import { isPlainStep, stepSchema } from './connection';
import { isPlainLick, isPlainNote, isPlainPlace, lickSchema, noteSchema } from './lick';
import { place } from './parts';
import {
  fieldWords,
  instrumentSchema,
  type Lick,
  MOST_MESSAGE,
  MOST_NESTED,
  nestingOf,
  problemsOf,
  studySchema,
  type StudyBody,
} from './index';

const body = (change: object = {}): unknown => ({ ...structuredClone(DEMO.studies[0]!.body), ...change });

/** A value that is often nearly right, made of what a good one has. */
const nearly = (good: Record<string, fc.Arbitrary<unknown>>): fc.Arbitrary<unknown> =>
  fc.oneof(
    fc.record(good, { requiredKeys: [] }),
    fc.record(good),
    fc.record({ ...good, extra: fc.constant(1) }, { requiredKeys: [] }),
    fc.anything(),
  );
const odd = fc.oneof(fc.integer({ min: -2, max: 5000 }), fc.double(), fc.constantFrom(null, undefined, '3', true, NaN, -0, [], {}));
/** A good value with one field that may be wrong, and values wrong in many. */
const oneOff = <T extends object>(good: T, fields: Record<keyof T, fc.Arbitrary<unknown>>): fc.Arbitrary<unknown> =>
  fc.oneof(
    fc
      .constantFrom(...(Object.keys(fields) as (keyof T)[]))
      .chain((key) => fields[key].map((value): unknown => ({ ...good, [key]: value }))),
    nearly(fields),
  );
const somePlace = nearly({ string: fc.oneof(fc.integer({ min: 0, max: 13 }), odd), fret: fc.oneof(fc.integer({ min: -1, max: 37 }), odd) });
const someNote = nearly({
  place: fc.oneof(fc.constant(null), somePlace),
  ticks: fc.oneof(fc.integer({ min: 0, max: 3841 }), odd),
  join: fc.oneof(fc.constantFrom('tie', 'hammer', 'pull', 'slide', 'tap?'), odd),
  bend: fc.oneof(fc.integer({ min: 0, max: 6 }), odd),
  muted: fc.oneof(fc.boolean(), odd),
  finger: fc.oneof(fc.integer({ min: 0, max: 5 }), odd),
});
const someName = fc.oneof(fc.string({ maxLength: 4 }), fc.constantFrom('Latch', ' a', 'a ', '', ' ', 'a\u0007', 'x'.repeat(121)), odd);
const lickFields: Record<keyof Lick, fc.Arbitrary<unknown>> = {
  id: fc.oneof(fc.constantFrom('l1', '..', 'a/b', 'x'.repeat(41), 'x'.repeat(65)), odd),
  name: someName,
  tags: fc.oneof(fc.array(someName, { maxLength: 2 }), fc.constant(Array.from({ length: 13 }, () => 'a')), odd),
  tempo: fc.oneof(fc.double({ min: 10, max: 410, noNaN: true }), odd),
  meter: fc.oneof(fc.tuple(fc.integer({ min: 0, max: 33 }), fc.constantFrom(4, 8, 3, 64)), fc.array(odd, { maxLength: 3 }), odd),
  instrument: fc.oneof(fc.constant(null), odd),
  notes: fc.oneof(fc.array(someNote, { maxLength: 2 }), odd),
  practisedAt: fc.oneof(fc.constant(null), fc.double(), odd),
  stayed: fc.oneof(fc.constant(null), odd),
};
const someLick = oneOff(DEMO.studies[0]!.body.licks[0]!, lickFields);
const stepFields: Record<keyof FingeredStep, fc.Arbitrary<unknown>> = {
  string: fc.oneof(fc.integer({ min: 0, max: 13 }), odd),
  fret: fc.oneof(fc.integer({ min: -1, max: 37 }), odd),
  finger: fc.oneof(fc.integer({ min: -1, max: 5 }), odd),
  handFret: fc.oneof(fc.integer({ min: -1, max: 41 }), odd),
  move: fc.oneof(fc.constantFrom('start', 'stay', 'shift', 'leap?'), odd),
  costMm: fc.oneof(fc.double({ min: 0, max: 100, noNaN: true }), odd),
};
const someStep = oneOff<FingeredStep>({ string: 6, fret: 5, finger: 1, handFret: 5, move: 'start', costMm: 0 }, stepFields);

describe('the quick pass and the schema', () => {
  it.each([
    ['a place', isPlainPlace, () => place().required(), somePlace],
    ['a note of a lick', isPlainNote, () => noteSchema().required(), someNote],
    ['a lick', isPlainLick, () => lickSchema().required(), someLick],
    ['a note of a kept route', isPlainStep, () => stepSchema().required(), someStep],
  ] as const)('judge %s alike', (_, plainly, schema, some) => {
    let good = 0;
    fc.assert(
      fc.property(some, (value) => {
        if (!plainly(value)) return; // the schema is asked then
        good++;
        expect(problemsOf(schema, value)).toEqual([]);
      }),
      { numRuns: 5000 },
    );
    expect(good).toBeGreaterThan(20);
  });
  it('what is kept every day takes the quick one', () => {
    for (const { body: study } of DEMO.studies) expect(study.licks.every(isPlainLick)).toBe(true);
  });
});

describe('what is too long', () => {
  const many = <T>(n: number, v: T): T[] => Array.from({ length: n }, () => v);
  it.each([
    ['routes', many(100_000, {})],
    ['licks', many(100_000, {})],
    ['pins', many(100_000, {})],
    ['tags', many(100_000, 'a')],
    ['passing', many(100_000, '1')],
  ])('%s is refused by its length, before its members are looked at', (field, value) => {
    const problems = problemsOf(studySchema, body({ [field]: value }));
    expect(problems).toHaveLength(1);
    expect(problems[0]).toMatchObject({ field, message: expect.stringContaining(String(value.length)) as string });
  });
  it('members past the first wrong ones are not told, and no message echoes what was sent', () => {
    const lick = { ...(body() as StudyBody).licks[0], notes: many(400, { place: null, ticks: 'x'.repeat(10_000) }) };
    const problems = problemsOf(studySchema, body({ licks: [lick] }));
    expect(problems.length).toBeGreaterThan(0);
    expect(problems.length).toBeLessThanOrEqual(20);
    for (const p of problems) expect(p.message.length).toBeLessThanOrEqual(MOST_MESSAGE);
  });
});

describe('words of a refusal', () => {
  it.each([
    ['licks[0].notes[3].ticks', 'lick 1, note 4, length'],
    ['instrument.strings[5].open', 'instrument, string 6, open pitch'],
    ['routes[59].steps[0].handFret', 'route 60, note 1, hand fret'],
    ['', 'this record'],
  ])('%s reads "%s"', (path, words) => expect(fieldWords(path)).toBe(words));
  it('a string that is none is named by its number', () => {
    const instrument = { ...(body() as StudyBody).instrument, strings: [{ open: 'H4' }] };
    const [problem] = problemsOf(instrumentSchema, instrument);
    expect(problem).toEqual({
      field: 'strings[0].open',
      message: expect.stringMatching(/^string 1: H4 is not a pitch; write a letter A to G/) as string,
    });
  });
  it.each([[' '], ['\t'], ['a\u0000b'], ['a\nb'], ['']])('the name %j is refused', (name) => {
    expect(problemsOf(studySchema, body({ name })).map((p) => p.field)).toContain('name');
  });
});

describe('whatever is sent', () => {
  it('is judged, never choked on', () => {
    const keys = Object.keys(body() as object);
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...keys, 'x'), fc.jsonValue()), (change) => {
        expect(Array.isArray(problemsOf(studySchema, body(change)))).toBe(true);
      }),
      { numRuns: 1500 },
    );
    fc.assert(
      fc.property(fc.jsonValue(), (value) => Array.isArray(problemsOf(instrumentSchema, value))),
      { numRuns: 1000 },
    );
    fc.assert(
      fc.property(fc.jsonValue(), (value) => Array.isArray(problemsOf(studySchema, value))),
      { numRuns: 1000 },
    );
  });
  it.each([['C__proto__'], ['CtoString'], ['Cconstructor'], ['ChasOwnProperty'], ['7'.repeat(24)]])('the chord %s is no chord', (chord) => {
    expect(problemsOf(studySchema, body({ chord })).map((p) => p.field)).toEqual(['chord']);
  });
  it('nesting is counted without parsing, brackets in strings aside', () => {
    expect([nestingOf({ a: [1, { b: ']]]{{{"' }] }), nestingOf([]), nestingOf('x'), nestingOf(null)]).toEqual([3, 1, 0, 0]);
    expect(nestingOf(JSON.parse(`${'['.repeat(100_000)}${']'.repeat(100_000)}`))).toBe(MOST_NESTED + 1);
  });
});
