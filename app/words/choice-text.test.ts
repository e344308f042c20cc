import { fingerNotes, handChoices, layOut } from '../../core';
import { guitar } from '../../tests/support/random';
import { cellWords, choiceWords, downWords } from './choice-text';

const school = 'finger-per-fret';
const shapes = layOut(guitar(), { tonic: 'A', scale: 'minor pentatonic' }, { kind: 'box' });

describe('two ways for a cell', () => {
  it('are called by their fingers and what the hand does', () => {
    const cells = handChoices(guitar(), shapes[4]!.notes, { school });
    expect(cells.flatMap((c) => c.choices.map((h) => `${cellWords(c)}: ${choiceWords(h, c)}`))).toContain('string 3, 9 12: 1-4 and move');
    for (const c of cells) expect(choiceWords(c.choices[0], c)).toMatch(/^\d-\d and (stay|reach)$/);
  });
});

describe('fingers going down', () => {
  it('are told only where they are others', () => {
    const [shape] = shapes;
    const steps = shape!.notes.map((n) => ({
      string: n.string,
      fret: n.fret,
      finger: n.finger as 1,
      handFret: 1,
      move: 'stay' as const,
      costMm: 0,
    }));
    expect(downWords(shape!.notes, [...steps].reverse())).toBe('the same fingers');
    const other = [...steps].reverse().map((s, k) => (k === 0 ? { ...s, finger: 2 as const } : s));
    expect(downWords(shape!.notes, other)).toMatch(/^string 1: 2 \d$/);
  });
  it('come from the search, from the top', () => {
    const down = fingerNotes(guitar(), [...shapes[3]!.notes].reverse(), { school });
    expect(down[0]).toMatchObject({ string: 1, move: 'start' });
  });
});
