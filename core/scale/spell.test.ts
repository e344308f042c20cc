import { Note } from 'tonal';
import { degreesOf, isOfScale, listScales, midiOf, noteOnDegree, pitchAs, spellerIn } from '../index';

describe('spelling pitches in a scale', () => {
  it.each([
    ['Gb', 'ionian', 59, 'Cb4'],
    ['Gb', 'ionian', 60, 'C4'],
    ['C#', 'ionian', 60, 'B#3'],
    ['F#', 'dorian', 66, 'F#4'],
    ['Fb', 'lydian', 62, 'Ebb4'],
  ])('%s %s: MIDI %i is %s', (tonic, scale, midi, name) => {
    expect(spellerIn({ tonic, scale })(midi)).toBe(name);
  });
  it('always sounds as asked, by an outside reading of the name, for every scale and every pitch', () => {
    for (const { id } of listScales())
      for (const tonic of ['C', 'F#', 'Eb', 'Bb', 'C#']) {
        const spell = spellerIn({ tonic, scale: id });
        const own = new Set(degreesOf(id).map((d) => noteOnDegree(tonic, d)));
        for (let midi = 30; midi < 90; midi++) {
          const name = spell(midi);
          expect([name, Note.midi(name)]).toEqual([name, midi]);
          expect(midiOf(name)).toBe(midi);
          if ([...own].some((n) => Note.chroma(n) === midi % 12)) expect(own.has(name.replace(/-?\d+$/, ''))).toBe(true);
        }
      }
  });
  it('names the octave by the letter', () => {
    expect(pitchAs('B#', 60)).toBe('B#3');
    expect(pitchAs('Cb', 71)).toBe('Cb5');
  });
  it('a pitch is in a scale by its sound, whatever it is called', () => {
    const dorian = { tonic: 'F#', scale: 'dorian' };
    expect([54, 56, 57, 59, 61, 63, 64].map((m) => isOfScale(dorian, m))).toEqual(new Array(7).fill(true));
    expect([55, 58, 60, 62, 65].map((m) => isOfScale(dorian, m))).toEqual(new Array(5).fill(false));
  });
});
