import { DEMO } from '../../demo';
import { connect, connectAll, layOut, neckNotes, planRoute, type ConnectWay } from '../../core';
import { matchEnds, pitchesText, readPitches, type EndChoice } from './end-text';
import { effortWords, endWords, goalWords, lineWords, routeNeedsCare, routeTitle, routeTitles, shiftWords, stepWords, travelWords } from './route-text'; // prettier-ignore

const { instrument, scale, layout } = DEMO.studies[0]!.body;
const shapes = layOut(instrument, scale, layout);
const notes = neckNotes(instrument, scale);
const school = 'finger-per-fret';
const by = (way: ConnectWay, more = {}) => connect(instrument, scale, { way, layout, fromRung: 0, toRung: 2, school, ...more });

describe('routes in words', () => {
  it.each<[ConnectWay, RegExp]>([
    ['seam', /^Two seams, strings \d and \d$/],
    ['one-string', /^Along string \d, frets \d+ to \d+$/],
    ['string-pair', /^Strings 2 and 1$/],
    ['diagonal', /^\w+ notes up the diagonal$/],
    ['split', /^Back a string on strings \d and \d$/],
    ['region', /^Leap from string \d, fret \d+$/],
    ['merge-skip', /^Strings \d(, \d)* and \d$/],
  ])('%s is told from its like', (way, words) => {
    expect(routeTitle(way, by(way))).toMatch(words);
  });
  it('ways that read alike say where they part', () => {
    const pitches = [64, 66, 68, 69, 71, 73];
    const routes = planRoute(instrument, scale, { pitches, school, count: 8 });
    const titles = routeTitles('best', routes);
    expect(new Set(titles).size).toBe(titles.length);
    const [a] = routes;
    const moved = (change: object): typeof a => ({ ...a!, steps: a!.steps.map((s, k) => (k === 3 ? { ...s, ...change } : s)) });
    expect(routeTitles('one-string', [a!, moved({ string: 3, fret: 14 })!])[1]).toMatch(/, note 4 on string 3$/);
    expect(routeTitles('one-string', [a!, moved({ handFret: 8 })!])[1]).toMatch(/, note 4 with the hand at 8$/);
  });
  it('a longer one parts from its twin after the twin’s last note', () => {
    const [route] = planRoute(instrument, scale, { pitches: [64, 66, 68], school });
    const shorter = { ...route!, steps: route!.steps.slice(0, 2) };
    expect(routeTitles('best', [shorter, route!])[1]).toMatch(/, note 3 on string \d$/);
    expect(routeTitles('best', [route!, shorter])[1]).toBe(routeTitle('best', route!));
  });
  it('say shifts, travel, effort and how far the line goes', () => {
    const r = { steps: [], cost: 41.4, shifts: 1, travelMm: 122.4, widestMm: 97, stringChanges: 3 };
    expect([shiftWords(r), travelWords(r), effortWords(r)]).toEqual(['1 shift', 'travel 122 mm, widest 97 mm, no slides', 'effort 41']);
    const [route] = planRoute(instrument, scale, { pitches: [42, 54, 61], school });
    expect(lineWords(instrument, route!)).toBe('3 notes over one octave and seven half steps');
  });
  it('name ends as a player does', () => {
    expect([goalWords({ string: 1, fret: 9 }), goalWords({ fret: 7 }), goalWords({ pitch: 73 })]).toEqual(['string 1, fret 9', 'the hand at fret 7', 'C#5']); // prettier-ignore
    expect(endWords(shapes[0]!, { string: 6, fret: 2 })).toBe('box 1, string 6, fret 2');
  });
  it('say one note whole', () => {
    const [first, , third] = by('seam').steps;
    expect(stepWords(first!, 0, 'F#2', 'down')).toBe('note 1, F#2, string 6, fret 2, index finger, down');
    expect(stepWords({ ...third!, move: 'shift', handFret: 4, finger: 0 }, 2, 'A2', 'hammer')).toMatch(/open string, hammered, the hand moves to fret 4$/); // prettier-ignore
  });
  it('take care where one place of the hand is wide', () => {
    const r = by('seam');
    expect(routeNeedsCare(instrument, { ...r, widestMm: 90 })).toBe(false);
    expect(routeNeedsCare(instrument, { ...r, widestMm: 106 })).toBe(true);
    expect(connectAll(instrument, scale, { way: 'merge-skip', layout, fromRung: 0, toRung: 1, school: 'stretch' }).some((m) => routeNeedsCare(instrument, m))).toBe(true); // prettier-ignore
  });
});

describe('ends as they are typed', () => {
  const find = (text: string, goal = true): EndChoice[] => matchEnds(text, { shapes, instrument, notes, goal }).map((m) => m.value);
  it('offer every rung where nothing is typed', () => {
    expect(find('')).toHaveLength(shapes.length);
  });
  it('rungs by name or number, and the hand by fret for a goal', () => {
    expect(find('box 3')).toEqual([{ rung: 2 }, { rung: 7 }]);
    expect(find('3')).toEqual([{ rung: 2 }, { rung: 7 }, { hand: 3 }]);
    expect(find('3', false)).toEqual([{ rung: 2 }, { rung: 7 }]);
    expect(find('hand 9')).toEqual([{ hand: 9 }]);
    expect(find('fret 99')).toEqual([]);
  });
  it('places by string and fret where the scale has a note', () => {
    expect(find('1 9')).toEqual([{ place: { string: 1, fret: 9 } }]);
    expect(find('string 1, fret 9')).toEqual([{ place: { string: 1, fret: 9 } }]);
    expect(find('1 8')).toEqual([]);
    expect(find('9 9')).toEqual([]);
  });
  it('pitches wherever they lie, or on one of their places', () => {
    expect(find('C#5')[0]).toEqual({ pitch: 73 });
    expect(find('c♯5', false)).toEqual(find('C#5').slice(1));
    expect(find('C5')).toEqual([]);
  });
});

describe('pitches as they are typed', () => {
  it('with octaves, and back again', () => {
    expect(readPitches('F#3 A3, B3 c#4', instrument)).toEqual({ pitches: [54, 57, 59, 61] });
    expect(pitchesText([54, 57])).toBe('F#3 A3');
  });
  it('without octaves: each nearest to the one before', () => {
    expect(readPitches('F#3 A B C# F#', instrument)).toEqual({ pitches: [54, 57, 59, 61, 66] });
  });
  it.each([
    ['H3', 'H3'],
    ['F#3 x', 'x'],
    ['F#33', 'F#33'],
  ])('%s: names the word that is none', (text, word) => {
    expect(readPitches(text, instrument)).toEqual({ why: expect.stringContaining(`“${word}”`) as string });
  });
  it('refuses nothing at all and more than a line holds', () => {
    expect(readPitches('  ', instrument)).toEqual({ why: 'Write pitches such as F#3 A3 B3.' });
    expect(readPitches('F#3 '.repeat(401), instrument)).toEqual({ why: 'That is 401 notes; a line has at most 400.' });
  });
});
