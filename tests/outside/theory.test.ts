import { noteCollections } from '@musodojo/music-theory-data';
import teoria from 'teoria';
import { Scale } from 'tonal';
import { listScales, scaleNotes } from '../../core';

const LETTERS = ['A', 'B', 'C', 'D', 'E', 'F', 'G'];
const TONICS = LETTERS.flatMap((l) => ['bb', 'b', '', '#', '##'].map((a) => l + a));
const ours = (tonic: string, scale: string): string[] => scaleNotes({ tonic, scale }).map((n) => n.name);

/**
 * Where the library spells a scale otherwise than the handbooks (the sounds agree): named here and left out of the
 * comparison by letter. "altered" there mixes ♯2 with 3; "locrian 6", "lydian #9" and the blues scales agree.
 */
const LIBRARY_NAME: Record<string, string> = {
  ionian: 'ionian', dorian: 'dorian', phrygian: 'phrygian', lydian: 'lydian', mixolydian: 'mixolydian', aeolian: 'aeolian', locrian: 'locrian',
  'harmonic minor': 'harmonic minor', 'melodic minor': 'melodic minor', 'phrygian dominant': 'phrygian dominant', 'lydian dominant': 'lydian dominant',
  'lydian augmented': 'lydian augmented', 'locrian #2': 'locrian #2', 'mixolydian b6': 'mixolydian b6', 'dorian b2': 'dorian b2',
  'lydian #2': 'lydian #9', 'locrian natural 6': 'locrian 6', 'ionian augmented': 'ionian augmented', ultralocrian: 'ultralocrian', 'dorian #4': 'dorian #4',
  'minor pentatonic': 'minor pentatonic', 'major pentatonic': 'major pentatonic', 'minor blues': 'minor blues', 'major blues': 'major blues',
  'harmonic major': 'harmonic major', 'double harmonic': 'double harmonic major', 'hungarian minor': 'hungarian minor', 'neapolitan major': 'neapolitan major', hirajoshi: 'hirajoshi',
}; // prettier-ignore

/** Names by sound only: the library spells these with other letters. */
const BY_SOUND: Record<string, string> = { altered: 'altered', 'half-whole': 'half-whole diminished', 'whole-half': 'diminished', 'whole tone': 'whole tone', chromatic: 'chromatic', 'bebop dominant': 'bebop' }; // prettier-ignore

describe('against the theory library (tonal)', () => {
  it.each(Object.entries(LIBRARY_NAME))('%s is spelled alike on all 35 tonics', (id, name) => {
    for (const tonic of TONICS) expect([tonic, ...ours(tonic, id)]).toEqual([tonic, ...Scale.get(`${tonic} ${name}`).notes]);
  });
  it.each(Object.entries(BY_SOUND))('%s has the same sounds', (id, name) => {
    const chroma = '0'.repeat(12).split('');
    for (const n of scaleNotes({ tonic: 'C', scale: id })) chroma[n.semitones] = '1';
    expect(chroma.join('')).toBe(Scale.get(`C ${name}`).chroma);
  });
  it('leaves no catalogue scale unchecked but those the library does not know', () => {
    const unknown = listScales().map((s) => s.id).filter((id) => !(id in LIBRARY_NAME) && !(id in BY_SOUND)); // prettier-ignore
    expect(unknown).toEqual(['suspended pentatonic', 'minor pentatonic b6', 'suspended pentatonic 6', 'neapolitan minor', 'in']);
  });
});

const SECOND: Record<string, string> = {
  ionian: 'ionian', dorian: 'dorian', phrygian: 'phrygian', lydian: 'lydian', mixolydian: 'mixolydian', aeolian: 'aeolian', locrian: 'locrian',
  'harmonic minor': 'harmonicMinor', 'locrian natural 6': 'locrianNatural6', 'ionian augmented': 'ionianSharp5', 'dorian #4': 'dorianSharp4',
  'phrygian dominant': 'phrygianDominant', 'lydian #2': 'lydianSharp2', ultralocrian: 'superLocrianDoubleFlat7',
  'melodic minor': 'melodicMinor', 'dorian b2': 'dorianFlat2', 'lydian augmented': 'lydianAugmented', 'lydian dominant': 'lydianDominant',
  'mixolydian b6': 'mixolydianFlat6', 'locrian #2': 'aeolianFlat5', altered: 'altered',
  'major pentatonic': 'majorPentatonic', 'suspended pentatonic': 'suspendedPentatonic', 'minor pentatonic b6': 'bluesMinorPentatonic',
  'suspended pentatonic 6': 'bluesMajorPentatonic', 'minor pentatonic': 'minorPentatonic', 'half-whole': 'halfWholeDiminished', 'whole-half': 'wholeHalfDiminished', 'whole tone': 'wholeTone', chromatic: 'chromatic',
}; // prettier-ignore

describe('against a second table (music-theory-data, CC0)', () => {
  it.each(Object.entries(SECOND))('%s has the same sounds and steps', (id, key) => {
    const there = (noteCollections as Record<string, { integers: readonly number[]; patternShort: readonly string[] }>)[key]!;
    expect(scaleNotes({ tonic: 'C', scale: id }).map((n) => n.semitones)).toEqual([...there.integers]);
  });
});

describe('against a third (teoria), where it can spell', () => {
  const modes = ['ionian', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'aeolian', 'locrian'];
  it.each(modes)('%s is spelled alike on the usual tonics', (mode) => {
    for (const tonic of ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb']) {
      const there = teoria.note(tonic).scale(mode).simple().map((n) => n[0]!.toUpperCase() + n.slice(1).replace('x', '##')); // prettier-ignore
      expect(ours(tonic, mode)).toEqual(there);
    }
  });
});
