import { layOut } from '../../../core';
import { DEMO } from '../../../demo';
import { gripsHere } from './grips-here';

it('grips inside a position, none where there are none', () => {
  const { instrument, scale, layout } = DEMO.studies[0]!.body;
  const box = layOut(instrument, scale, layout)[0]!;
  expect(gripsHere(instrument, box, 'F#m7', 3, {})).toHaveLength(3);
  expect(gripsHere(instrument, box, 'Cmaj7', 3, {})).toEqual([]);
});
