import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import fc from 'fast-check';
import { DEMO, demoPasses, demoRounds } from '../demo';
import { anyInstrument } from '../tests/support/random';
import { writeInstrument } from '../formats/instrument-json';
import { instrumentSchema, problemsOf, studySchema, upgradeStudy, writeBundle, type Bundle } from './index';
import { jsonSchemaOf, PUBLISHED, schemaText } from './json-schema';

/** The published forms, checked by another validator than the one that saving uses. */
const ajv = new Ajv2020({ strict: true, allowUnionTypes: true });
const holds = Object.fromEntries(Object.keys(PUBLISHED).map((name) => [name, ajv.compile(PUBLISHED[name]!())]));
const study = ajv.compile(jsonSchemaOf(studySchema()));

describe('the published JSON Schemas', () => {
  it.each(Object.keys(PUBLISHED))('%s: the file in docs/schema is what saving goes by today (else: npm run schema)', (name) => {
    expect(readFileSync(join('docs', 'schema', `${name}.schema.json`), 'utf8')).toBe(schemaText(name));
  });
  it('hold for the demo, as it is written', () => {
    const bundle = JSON.parse(writeBundle(DEMO)) as Bundle;
    expect(holds.notebook!(bundle) || holds.notebook!.errors).toBe(true);
    for (const s of bundle.studies) expect(study(s.body) || study.errors).toBe(true);
    for (const i of bundle.instruments) expect(holds.instrument!(JSON.parse(writeInstrument(i.body)))).toBe(true);
  });
  it('hold for every study of an older format once it is brought up to date', () => {
    for (const n of [1, 2, 3, 4, 5, 6, 7, 8, 9]) {
      const body = upgradeStudy(JSON.parse(readFileSync(join('tests', 'fixtures', 'studies', `format-${n}.json`), 'utf8')) as object);
      expect(study(body) || study.errors).toBe(true);
    }
  });
  it('hold for any instrument that can be kept', () => {
    const check = ajv.compile(jsonSchemaOf(instrumentSchema()));
    fc.assert(fc.property(anyInstrument, (i) => void expect(check(i) || check.errors).toBe(true)));
  });
  it('know every field: one left out that is needed, one too many, one of another kind are refused by both', () => {
    const body = DEMO.studies[0]!.body as unknown as Record<string, unknown>;
    for (const field of Object.keys(body)) {
      const without = Object.fromEntries(Object.entries(body).filter(([name]) => name !== field));
      expect([field, study(without)]).toEqual([field, problemsOf(studySchema, without).length === 0]);
      const other = { ...body, [field]: { not: 'this' } };
      expect([field, study(other)]).toEqual([field, false]);
      expect(problemsOf(studySchema, other).length).toBeGreaterThan(0);
    }
    expect(study({ ...body, more: 1 })).toBe(false);
  });
  it('a field left out anywhere inside is refused by both, or by neither', () => {
    const body = DEMO.studies[0]!.body;
    const inside: (string | number)[][] = [];
    const walk = (v: unknown, at: (string | number)[]): void => {
      if (typeof v !== 'object' || v === null) return;
      for (const [k, x] of Object.entries(v)) {
        const path = [...at, Array.isArray(v) ? Number(k) : k];
        if (!Array.isArray(v)) inside.push(path);
        walk(x, path);
      }
    };
    walk(body, []);
    // One of each kind: the first member of every list stands for the others.
    const kinds = inside.filter((p) => p.every((step) => typeof step === 'string' || step === 0));
    expect(kinds.length).toBeGreaterThan(100);
    for (const path of kinds) {
      const copy = structuredClone(body) as unknown;
      let inner = copy as Record<string | number, unknown>;
      for (const step of path.slice(0, -1)) inner = inner[step] as Record<string | number, unknown>;
      delete inner[path[path.length - 1]!];
      expect([path, study(copy)]).toEqual([path, problemsOf(studySchema, copy).length === 0]);
    }
  });
  it('never refuse what saving takes, wherever a value of a study is changed', () => {
    const paths: (string | number)[][] = [];
    const walk = (v: unknown, at: (string | number)[]): void => {
      paths.push(at);
      if (typeof v === 'object' && v !== null) for (const [k, x] of Object.entries(v)) walk(x, [...at, Array.isArray(v) ? Number(k) : k]);
    };
    const body = DEMO.studies[0]!.body;
    walk(body, []);
    const changed = (path: (string | number)[], value: unknown): unknown => {
      const copy = structuredClone(body) as unknown;
      let inner = copy as Record<string | number, unknown>;
      for (const step of path.slice(0, -1)) inner = inner[step] as Record<string | number, unknown>;
      inner[path[path.length - 1]!] = value;
      return copy;
    };
    const values = fc.oneof(fc.integer({ min: -3, max: 500 }), fc.double({ noNaN: true }), fc.string(), fc.constant(null), fc.boolean(), fc.constant([]), fc.constantFrom('C', 'up', 'run', '1', 'dorian')); // prettier-ignore
    let taken = 0;
    fc.assert(
      fc.property(fc.constantFrom(...paths.filter((p) => p.length)), values, (path, value) => {
        const one = changed(path, value);
        if (problemsOf(studySchema, one).length) return;
        taken++;
        expect(study(one) || [path, value, study.errors]).toBe(true);
      }),
      { numRuns: 400 },
    );
    expect(taken).toBeGreaterThan(10);
  });
  it('passes and rounds, in the log alone and in a whole notebook', () => {
    const [passes, rounds] = [demoPasses(1_700_000_000_000), demoRounds(1_700_000_000_000)];
    expect(holds.log!({ kind: 'crow-ladder log', version: 1, passes }) || holds.log!.errors).toBe(true);
    const bundle = JSON.parse(writeBundle({ ...DEMO, passes, rounds, versions: [] })) as Bundle;
    expect(holds.notebook!(bundle) || holds.notebook!.errors).toBe(true);
    expect(holds.notebook!({ ...bundle, passes: [{ ...passes[0], verdict: 'perhaps' }] })).toBe(false);
  });
});
