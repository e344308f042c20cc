import fc from 'fast-check';
import { PLAIN_CLIMB, PLAIN_DRILL, problemsOf, studySchema, type DrillForm, type StudyBody, type StudyMove } from '../../contract';
import { layOut, listScales, ruleOf, LAYOUT_KINDS, rootPlaces, spellTuning, TUNINGS } from '../../core';
import { DEMO } from '../../demo';
import { retuned } from '../words/tuning-text';
import { readAddress, writeAddress } from './address';
import { seamConnection } from './question';
import { blankLeaf } from './loose';

const leaf = blankLeaf();
const back = (query: string, view: 'map' | 'connect' | 'transpose' | 'licks' | 'harmony' = 'map') => readAddress(query, leaf, view, true);
const round = (body: StudyBody): StudyBody => ({ ...leaf, ...back(writeAddress(body, 'map', true)).fields });

describe('an address', () => {
  it('says a leaf in words a player can read', () => {
    const body: StudyBody = { ...leaf, scale: { tonic: 'F#', scale: 'dorian' }, layout: { kind: 'per-string', notes: 3 }, rung: { number: 2, fret: 4 }, labels: 'notes' }; // prettier-ignore
    expect(decodeURIComponent(writeAddress(body, 'map', true).replaceAll('+', ' '))).toBe(
      'scale=F# dorian&layout=per-string notes:3&labels=notes&rung=2.4',
    );
  });
  it('of a study holds only what is looked at', () => {
    const { body } = DEMO.studies[0]!;
    expect(writeAddress(body, 'map', false)).toBe(`rung=${body.rung.number}.${body.rung.fret}`);
    expect(writeAddress({ ...body, lick: 'demo-latch' }, 'licks', false)).toBe('lick=demo-latch');
    expect(readAddress('rung=3.7', body, 'map', false)).toEqual({ fields: { rung: { number: 3, fret: 7 } }, problems: [] });
  });
  it('brings every scale, tuning and layout back as it was', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...listScales().map((s) => s.id)),
        fc.constantFrom('C', 'F#', 'Bb', 'Eb', 'G'),
        fc.constantFrom(...TUNINGS),
        fc.constantFrom(...LAYOUT_KINDS.filter((k) => k !== 'places')),
        fc.nat(),
        (id, tonic, tuning, kind, pick) => {
          const scale = { tonic, scale: id };
          const instrument = retuned(leaf.instrument, { name: tuning.name, open: tuning.low.split(' ').reverse() });
          const root = rootPlaces(instrument, scale)[0]!;
          const offers = ruleOf(kind).offers({ instrument, scale, root });
          if (!offers.length) return;
          const { layout } = offers[pick % offers.length]!;
          const there = round({ ...leaf, scale, instrument, layout, rung: { number: pick % 7, fret: pick % 20 } });
          expect(there.layout).toEqual(layout);
          expect(there.rung).toEqual({ number: pick % 7, fret: pick % 20 });
          expect(spellTuning(there.instrument)).toBe(spellTuning(instrument));
          expect([there.scale.tonic, layOutOrNot(there)]).toEqual([tonic, layOutOrNot({ ...there, scale })]);
        },
      ),
      { numRuns: 200 },
    );
  });
  it('of Connect holds what is asked', () => {
    const shapes = layOut(leaf.instrument, leaf.scale, leaf.layout);
    const connection = {
      ...seamConnection(leaf, shapes[1]!, shapes[2]!),
      start: { string: 6, fret: 5 },
      goal: { fret: 12 },
      strings: [2, 3],
    };
    const read = back(writeAddress({ ...leaf, connection }, 'connect', true), 'connect');
    expect(read).toMatchObject({ problems: [], fields: { connection: { way: 'seam', from: connection.from, to: connection.to, start: { string: 6, fret: 5 }, goal: { fret: 12 }, strings: [2, 3] } } }); // prettier-ignore
  });
  it.each<StudyMove>([
    { kind: 'key', by: -3 },
    { kind: 'root', string: 5 },
    { kind: 'mode', how: 'parallel', scale: { tonic: 'A', scale: 'dorian' } },
    {
      kind: 'tuning',
      keep: 'shape',
      instrument: { ...retuned(leaf.instrument, { name: '', open: ['D4', 'A3', 'G3', 'D3', 'A2', 'D2'] }), frets: 24, capo: 2 },
    },
  ])('of Transpose holds what is tried out: $kind', (move) => {
    const query = writeAddress(leaf, 'transpose', true, { trying: { what: 'lick a', move } });
    expect(readAddress(query, leaf, 'transpose', true)).toMatchObject({ problems: [], trying: { what: 'lick a', move } });
  });
  it.each(['key up', 'root 9', 'parallel H', 'sound 99.0 E A D G B E', 'turn 3'])('says what is wrong with the move “%s”', (move) => {
    const { problems, trying } = readAddress(`scale=A dorian&move=${move}`, leaf, 'transpose', true);
    expect([problems.length, trying]).toEqual([1, undefined]);
  });
  it.each([
    ['scale=H dorian', 'scale “H dorian”: write a tonic and a scale'],
    ['scale=A dorian&layout=circles', 'layout “circles”: there is no layout "circles"'],
    ['scale=A dorian&layout=box size:3', 'says nothing of a layout'],
    ['scale=A dorian&layout=per-string notes:9', 'layout “per-string notes:9”'],
    ['scale=A dorian&frets=99', 'frets “99”: '],
    ['scale=A dorian&frets=-1', 'frets “-1”: '],
    ['scale=A dorian&capo=seven', 'capo “seven”'],
    ['scale=A dorian&tuning=X Y', 'tuning “X Y”: '],
    ['scale=A dorian&rung=top', 'rung “top”: write the number of the rung'],
    ['scale=A dorian&labels=colours', 'labels “colours”'],
    ['scale=A dorian&chord=???', 'chord “???”'],
    ['scale=A dorian&handed=both', 'handed “both”: write left or right'],
  ])('%s: leaves out what does not hold, and says what', (query, words) => {
    const { fields, problems } = back(query);
    expect(problems).toHaveLength(1);
    expect(problems[0]).toContain(words.replace('#', '♯'));
    expect(problemsOf(studySchema, { ...leaf, ...fields })).toEqual([]);
  });
  it('whatever stands in it, makes a leaf that holds, or leaves it', () => {
    const name = fc.constantFrom('scale', 'tuning', 'frets', 'capo', 'layout', 'rung', 'labels', 'over', 'chord', 'show', 'way', 'from', 'start', 'goal', 'strings', 'lick', 'route'); // prettier-ignore
    const text = fc.oneof(fc.string(), fc.constantFrom('A dorian', 'box', 'diagonal root:9/99', 'places places:1/1,x', '3.4', '1/2', 'hand 99', 'pitch 200', '1e9')); // prettier-ignore
    fc.assert(
      fc.property(fc.array(fc.tuple(name, text)), (pairs) => {
        const { fields } = readAddress(new URLSearchParams(pairs).toString(), leaf, 'connect', true);
        expect(problemsOf(studySchema, { ...leaf, ...fields })).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });
});

function layOutOrNot({ instrument, scale, layout }: StudyBody): number {
  try {
    return layOut(instrument, scale, layout).length;
  } catch {
    return -1;
  }
}

describe('a drill in the address of a loose leaf', () => {
  const forms: Partial<DrillForm>[] = [
    {},
    { order: 'groups', group: 3, strings: [1, 2], rhythm: 'swing' },
    { order: 'random', seed: 7, count: 12, lean: ['1', 'b3'], hidden: true, under: 'chord' },
  ];
  it.each(forms)('%j goes out and comes back', (fields) => {
    const form = { ...PLAIN_DRILL, ...fields };
    const query = writeAddress({ ...leaf, practice: { form, climb: PLAIN_CLIMB } }, 'practise', true);
    const read = readAddress(query, leaf, 'practise', true);
    expect(read.problems).toEqual([]);
    expect(read.fields.practice?.form ?? PLAIN_DRILL).toEqual(form);
  });
  it('a study keeps its drill itself', () => {
    expect(
      writeAddress({ ...leaf, practice: { form: { ...PLAIN_DRILL, order: 'up' }, climb: PLAIN_CLIMB } }, 'practise', false),
    ).not.toContain('drill');
  });
  it.each(['drill=order:sideways', 'drill=tempo:9', 'drill=group:9', 'drill=strings:1,99'])('%s is told and not taken', (query) => {
    const read = readAddress(query, leaf, 'practise', true);
    expect(read.problems).toHaveLength(1);
    expect(read.fields.practice).toBeUndefined();
  });
  it('what Harmony looks at goes along, and what does not hold is said', () => {
    const harmony = { page: 'grips', size: 5, from: 'mode', grip: [{ string: 5, fret: 5 }, { string: 4, fret: 7 }, { string: 3, fret: 7 }], arpeggio: false, line: '' } as const; // prettier-ignore
    const query = writeAddress(leaf, 'harmony', true, { harmony: { ...harmony, grip: [...harmony.grip] } });
    expect(new URLSearchParams(query).get('grip')).toBe('x577xx');
    const read = back(query, 'harmony');
    expect(read).toMatchObject({ problems: [], harmony: { page: 'grips', size: 5, grip: harmony.grip } });
    const bad = back(`${query.replace('x577xx', 'x57')}`.replace('size=5', 'size=9'), 'harmony');
    expect(bad.problems).toEqual([expect.stringContaining('size “9”'), expect.stringContaining('one sign for each of the 6 strings')]);
  });
});
