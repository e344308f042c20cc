import { DEMO } from '../../demo';
import { changedFingers, reachWords, USUAL_REACHES } from './hand-text';

const body = { ...DEMO.studies[0]!.body, school: 'stretch' as const, layout: { kind: 'per-string' as const, notes: 3 } };

describe('a measured hand in words', () => {
  it('says how wide it opens, in mm', () => {
    expect(reachWords(body.instrument, { fret: 1, comfortable: 3, most: 4 })).toMatch(/^126 mm at most$/);
    expect(reachWords(body.instrument, { fret: 12, comfortable: 3, most: 12 })).toMatch(/^\d+ mm at most/);
  });
  it('says what it would change in the shapes of the study', () => {
    expect(changedFingers(body, body.hand)).toBe('No finger of this study’s shapes changes.');
    const small = USUAL_REACHES.map((r) => ({ ...r, comfortable: 2, most: 3 }));
    expect(changedFingers(body, { size: 'medium', reaches: small })).toMatch(/^\d+ notes of this study’s shapes get another finger\.$/);
  });
});
