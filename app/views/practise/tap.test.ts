import { tempoOfTaps } from './useTap';

it('the mean of the taps; none from one tap, none out of range', () => {
  expect(tempoOfTaps([0])).toBeNull();
  expect(tempoOfTaps([0, 500])).toBe(120);
  expect(tempoOfTaps([0, 490, 1010, 1500])).toBe(120);
  expect(tempoOfTaps([0, 100])).toBeNull(); // 600
  expect(tempoOfTaps([0, 2100])).toBeNull(); // 29
});
