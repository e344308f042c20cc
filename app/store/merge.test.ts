import type { StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { fieldsApart, merged } from './merge';

const base = DEMO.studies[0]!.body;
const with_ = (change: Partial<StudyBody>): StudyBody => ({ ...base, ...change });

describe('two changes of one study', () => {
  it('of different fields both stay', () => {
    expect(merged(base, with_({ tempo: 111 }), with_({ name: 'Elsewhere', labels: 'notes' }))).toEqual(with_({ tempo: 111, name: 'Elsewhere', labels: 'notes' })); // prettier-ignore
    expect(merged(base, base, with_({ tempo: 90 }))).toEqual(with_({ tempo: 90 }));
  });
  it('of one field are the player’s to decide, also where one of them changed more', () => {
    expect(merged(base, with_({ tempo: 111 }), with_({ tempo: 112 }))).toBeNull();
    expect(merged(base, with_({ tempo: 111, name: 'Here' }), with_({ name: 'Elsewhere' }))).toBeNull();
  });
  it('a copy of a field is no change of it', () => {
    expect([...fieldsApart(base, with_({ licks: JSON.parse(JSON.stringify(base.licks)) as StudyBody['licks'] }))]).toEqual([]);
    expect([...fieldsApart(base, with_({ licks: [] }))]).toEqual(['licks']);
  });
  it('nothing that no study can hold comes of it: a lick here that the neck from elsewhere has no strings for', () => {
    const [lick] = base.licks;
    const low = { ...lick!, notes: lick!.notes.map((n) => (n.place ? { ...n, place: { ...n.place, string: 6 } } : n)) };
    const four = { ...base.instrument, strings: base.instrument.strings.slice(0, 4) };
    expect(merged(base, with_({ licks: [low] }), with_({ instrument: four }))).toBeNull();
  });
  it('where it is not known how the study stood, nothing is joined', () => {
    expect(merged(null, with_({ tempo: 111 }), with_({ name: 'Elsewhere' }))).toBeNull();
  });
});
