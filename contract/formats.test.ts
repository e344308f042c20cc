import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { upgradeBy } from './formats';
import { FORMATS, plainStudy, problemsOf, scalesOfStudies, studySchema, upgradeStudy } from './index';

const file = (name: string): string => readFileSync(join('tests', 'fixtures', 'studies', name), 'utf8');
const read = (name: string): object => JSON.parse(file(name)) as object;
const sum = (text: string): string => createHash('sha256').update(text).digest('hex').slice(0, 16);

describe('studies of every format there was', () => {
  it.each([1, 2, 3, 4])('format %i is brought up to what it became in format 5', (n) => {
    const rows = FORMATS.slice(n - 1, 4).map((f, k) => [f, n + k + 1] as const);
    expect(rows.reduce<object>((study, [f, to]) => upgradeBy(f, to, study), read(`format-${n}.json`))).toEqual(
      read(`format-${n}.as-5.json`),
    );
  });
  it('format 5 is brought up to what it became in format 6', () => {
    expect(upgradeBy(FORMATS[4]!, 6, read('format-5.json'))).toEqual(read('format-5.as-6.json'));
  });
  it('format 6 gets what Practise added, empty', () => {
    const old = read('format-6.json');
    expect(upgradeBy(FORMATS[5]!, 7, old)).toEqual({ ...old, format: 7, practice: null, drills: [], plan: null });
  });
  it('format 7 gets grips, none', () => {
    const old = read('format-7.json');
    expect(upgradeBy(FORMATS[6]!, 8, old)).toEqual({ ...old, format: 8, grips: [] });
  });
  it('format 8 gets progressions, none', () => {
    const old = read('format-8.json');
    expect(upgradeBy(FORMATS[7]!, 9, old)).toEqual({ ...old, format: 9, progressions: [], progression: null });
  });
  it('format 9 stays as it is: notes may say more than they did', () => {
    const old = read('format-9.json');
    expect(upgradeBy(FORMATS[8]!, 10, old)).toEqual({ ...old, format: 10 });
  });
  it('format 10 gets handouts, none', () => {
    const old = read('format-10.json');
    expect(upgradeBy(FORMATS[9]!, 11, old)).toEqual({ ...old, format: 11, handouts: [] });
  });
  it.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])('format %i holds today', (n) => {
    expect(problemsOf(studySchema, upgradeStudy(read(`format-${n}.json`)))).toEqual([]);
  });
  it('scales that studies kept themselves are told once each, and only those that hold', () => {
    const study = read('format-5.json');
    expect(scalesOfStudies([study, study, { ownScales: [{ name: 'rust', degrees: ['9'] }] }, null])).toEqual([
      { name: 'rust', degrees: ['1', 'b2', '3', '#4', '5', 'b7'] },
    ]);
  });
  it('the files themselves are never changed: a study once written looks so for ever', () => {
    expect([1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map((n) => sum(file(`format-${n}.json`)))).toEqual(SUMS);
  });
  it('each row adds what it always added: append only', () => {
    expect(FORMATS.slice(0, 4).map((f) => Object.keys(f.adds))).toEqual([
      ['over', 'chord', 'passing', 'focus', 'built', 'ownScales'],
      ['pins', 'connection', 'routes'],
      ['licks', 'lick', 'tags', 'practisedAt'],
      ['route'],
    ]);
    expect(FORMATS[4]!.adds).toEqual({});
    expect(FORMATS[5]!.adds).toEqual({ practice: null, drills: [], plan: null });
    expect(FORMATS[6]!.adds).toEqual({ grips: [] });
    expect(FORMATS[7]!.adds).toEqual({ progressions: [], progression: null });
    expect(FORMATS[8]!.adds).toEqual({});
    expect(FORMATS[9]!.adds).toEqual({ handouts: [] });
    expect(FORMATS.slice(0, 4).map((f) => Object.values(f.adds))).toEqual([
      [null, null, [], [], null, []],
      [[], null, []],
      [[], null, [], null],
      [null],
    ]);
  });
  it('a study of today is not touched', () => {
    const today = { ...upgradeStudy(read('format-4.json')), name: 'Mine' };
    expect(upgradeStudy(today)).toBe(today);
  });
  it('a plain study is the caller’s own', () => {
    plainStudy().licks.push({} as never);
    expect(plainStudy().licks).toEqual([]);
  });
  it('a kept route keeps its notes and gets the strokes of its picking, and what it was asked of', () => {
    const old = read('format-4.json') as { routes: { steps: object[] }[]; scale: object };
    const [route] = (upgradeStudy(old) as { routes: { steps: object[]; strokes: string[]; on: { scale: object } }[] }).routes;
    expect(route!.steps).toEqual(old.routes[0]!.steps);
    expect(route!.on.scale).toEqual(old.scale);
    expect(route!.strokes).toHaveLength(route!.steps.length);
  });
  it('a kept route whose fingers do not hold is solved once', () => {
    const old = read('format-4.json') as { routes: { steps: { handFret?: number; string: number; fret: number }[] }[] };
    for (const s of old.routes[0]!.steps) delete s.handFret;
    const study = upgradeStudy(old) as { routes: { steps: { string: number; fret: number; handFret: number }[] }[] };
    expect(study.routes[0]!.steps.map((s) => [s.string, s.fret])).toEqual(old.routes[0]!.steps.map((s) => [s.string, s.fret]));
    expect(problemsOf(studySchema, study)).toEqual([]);
  });
});

/** Written down when the files were made. */
const SUMS = [
  'e73fef6b28f861c6',
  '4a7d7d0225f956c6',
  '9813391261e2d376',
  '036740e00338116d',
  'b0353cd321abd04b',
  'bcd2214c8ef2ddeb',
  '633e8d47b41ee089',
  'ce7a4d0523d819dc',
  '91eabe75e699ad10',
  '24b12203d954e07a',
];
