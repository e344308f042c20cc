import { guitar } from '../../tests/support/random';
import { fingerNotes, handChoices, layOut, type CellChoice, type Place } from '../index';

const i = guitar();
const school = 'finger-per-fret';
const line = (text: string): Place[] => text.split(' ').map((p) => ({ string: Number(p.split('/')[0]), fret: Number(p.split('/')[1]) })); // prettier-ignore
const told = (c: CellChoice): string =>
  `${c.string}: ${c.frets.join(' ')}: ${c.choices.map((h) => `${h.way} ${h.fingers.join('-')}`).join(', ')}; ${c.better}`;

// Common practice, no published source.
describe('stretch, or close and move', () => {
  it('offers a cell of a minor third as 1-3 and as 1-4', () => {
    const box = layOut(i, { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' }).find((s) => s.label === 'box 3');
    expect(handChoices(i, box?.notes ?? [], { school }).map(told)).toContain('3: 9 12: reach 1-3, move 1-4; move');
  });
  it('has the hand stay in the one and move in the other, and settled fingers bring each about', () => {
    let cells = 0;
    for (const shape of layOut(i, { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' }))
      for (const { index, choices } of handChoices(i, shape.notes, { school })) {
        cells++;
        const moves = choices.map(({ steps }) => steps[index + 2]!.handFret !== steps[index + 1]!.handFret);
        expect(moves).toEqual([false, true]);
        for (const { steps } of choices) {
          const pins = [0, 1, 2].map((k) => ({ index: index + k, finger: steps[index + k]!.finger })).filter((p) => p.finger > 0);
          const again = fingerNotes(i, shape.notes, { school, pins });
          expect(again.slice(index, index + 3).map((s) => s.finger)).toEqual(steps.slice(index, index + 3).map((s) => s.finger));
        }
      }
    expect(cells).toBeGreaterThan(8);
  });
  it('names the better way as fingerNotes takes it', () => {
    const places = line('4/9 4/12 3/9 3/12 2/10 2/12');
    const best = fingerNotes(i, places, { school });
    for (const c of handChoices(i, places, { school }))
      expect(c.choices.find((h) => h.way === c.better)?.fingers).toEqual([best[c.index]!.finger, best[c.index + 1]!.finger]);
  });
  it('has nothing to offer where no cell of two is followed by another string', () => {
    expect(handChoices(i, line('6/5 6/8'), { school })).toEqual([]);
    expect(handChoices(i, line('6/5 6/7 6/8 5/5 5/7 5/8'), { school })).toEqual([]);
    expect(handChoices(i, [], { school })).toEqual([]);
  });
});
