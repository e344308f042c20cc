import { MOST_GRIPS, problemsOf, studySchema, type StudyBody } from '../../contract';
import { chordNotes, layOut, parseGrip } from '../../core';
import { DEMO } from '../../demo';
import { arpeggioAsShape, dropGrip, keepGrip } from './grips';

const body: StudyBody = DEMO.studies[0]!.body;
const places = parseGrip('2x222x', body.instrument);

describe('kept grips', () => {
  it('are kept under a name with an id of their own, and dropped by it', () => {
    const one = { ...body, ...keepGrip(body, 'Sail', 'F#m7', places) };
    const two = { ...one, ...keepGrip(one, 'Sail', null, places) };
    expect(two.grips.slice(-2)).toEqual([
      { id: 'grip-1', name: 'Sail', symbol: 'F#m7', places },
      { id: 'grip-2', name: 'Sail', symbol: null, places },
    ]);
    expect(problemsOf(studySchema, two)).toEqual([]);
    expect({ ...two, ...dropGrip(two, 'grip-1') }.grips.map((g) => g.id)).toEqual(['demo-mast', 'demo-gale', 'grip-2']);
  });
  it('are 200 at most, and nothing held is nothing kept', () => {
    const full = { ...body, grips: Array.from({ length: MOST_GRIPS }, (_, k) => ({ id: `grip-${k}`, name: 'x', symbol: null, places })) };
    expect(keepGrip(full, 'one more', null, places)).toBeNull();
    expect(keepGrip(body, 'nothing', null, [])).toBeNull();
  });
  it.each([
    ['two places on a string', { places: [{ string: 1, fret: 2 }, { string: 1, fret: 3 }] }, 'one fret at a time'],
    ['a fret that no neck has', { places: [{ string: 1, fret: 99 }] }, 'fret'],
    ['no place', { places: [] }, 'places'],
    ['a symbol that cannot be read', { symbol: 'Qm7' }, 'symbol'],
    ['no name', { name: '' }, 'name'],
  ])('%s is refused, and the field is named', (_, wrong, says) => {
    const grips = [{ id: 'g', name: 'g', symbol: null, places, ...wrong }];
    const problems = problemsOf(studySchema, { ...body, grips });
    expect(problems).toHaveLength(1);
    expect(`${problems[0]!.field} ${problems[0]!.message}`).toContain(says);
  }); // prettier-ignore
});

describe('an arpeggio as the study’s own shape', () => {
  it('is a scale of the chord’s tones in the places that the position has of them, and the study holds', () => {
    const [box] = layOut(body.instrument, body.scale, body.layout);
    const study = { ...body, ...arpeggioAsShape(body, 'B7', box!) };
    expect(problemsOf(studySchema, study)).toEqual([]);
    const names = new Set(layOut(study.instrument, study.scale, study.layout)[0]!.notes.map((n) => n.name));
    expect([...names].sort()).toEqual([...chordNotes('B7')].sort());
  });
});
