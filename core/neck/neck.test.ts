import fc from 'fast-check';
import { isScale, keys } from '../../tests/support/naive';
import { anyInstrument, anyScale, guitar } from '../../tests/support/random';
import { chordSounds, midiOf, neckNotes, type NeckNote } from '../index';

const roles = (notes: NeckNote[]): Record<string, string> =>
  Object.fromEntries(notes.map((n) => [n.degree, n.added ? `${n.role}, added` : n.role]));

describe('notes on the neck', () => {
  it('are every scale note there is and no other, by walking every place', () => {
    fc.assert(
      fc.property(anyInstrument, anyScale, (i, ref) => {
        const naive: string[] = [];
        i.strings.forEach((s, k) => {
          for (let fret = i.capo ?? 0; fret <= i.frets; fret++) if (isScale(ref, midiOf(s.open) + fret)) naive.push(`${k + 1}/${fret}`);
        });
        expect(keys(neckNotes(i, ref))).toEqual(naive.sort());
      }),
      { numRuns: 60 },
    );
  });

  it('carry their pitch, name and degree', () => {
    expect(neckNotes(guitar(), { tonic: 'F#', scale: 'dorian' }).find((n) => n.string === 6 && n.fret === 4)).toEqual({
      string: 6, fret: 4, midi: 44, name: 'G#', degree: '2', role: 'scale', added: true,
    }); // prettier-ignore
  });
});

describe('roles', () => {
  it('set the root first and tell skeleton from added notes', () => {
    expect(roles(neckNotes(guitar(), { tonic: 'A', scale: 'aeolian' }))).toEqual({
      1: 'root',
      2: 'scale, added',
      b3: 'scale',
      4: 'scale',
      5: 'scale',
      b6: 'scale, added',
      b7: 'scale',
    });
  });
  it('touch the blue note in passing, minor and major', () => {
    expect(roles(neckNotes(guitar(), { tonic: 'A', scale: 'minor blues' })).b5).toBe('passing, added');
    expect(roles(neckNotes(guitar(), { tonic: 'A', scale: 'major blues' })).b3).toBe('passing, added');
  });
  it('touch Locrian’s fifth only over a plain minor chord, unless the chord sounds it', () => {
    const fifth = (chord?: string): string =>
      roles(neckNotes(guitar(), { tonic: 'B', scale: 'locrian' }, chord ? { chord: chordSounds(chord) } : {})).b5!;
    expect([fifth(), fifth('Bm'), fifth('Bm7b5')]).toEqual(['scale', 'passing', 'chord']);
  });
  it('let a chord tone be a chord tone before it is passing, and the root be the root before all', () => {
    const found = roles(neckNotes(guitar(), { tonic: 'A', scale: 'dorian' }, { chord: chordSounds('D7'), passing: ['6', '2', '1'] }));
    expect(found).toMatchObject({ 1: 'root', 4: 'chord', '6': 'chord, added', 2: 'passing, added', 5: 'scale' });
  });
});
