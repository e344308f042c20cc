import type { ScaleInfo } from '../types';

/**
 * The scale catalogue, as rows: id, name, degrees, aliases.
 * Degrees follow the usual handbook spellings against the major scale; the tests hold every row
 * against a theory library and a second table, and the differences found there are listed in docs/decisions.md.
 */
type Row = [id: string, name: string, degrees: string, aliases?: string];
interface Family {
  /** Its name. */
  readonly family: string;
  /** True where the rows are the modes of the first row, in order. */
  readonly modes: boolean;
  /** Its scales. */
  readonly rows: Row[];
}

const FAMILIES: Family[] = [
  {
    family: 'major modes',
    modes: true,
    rows: [
      ['ionian', 'Ionian', '1 2 3 4 5 6 7', 'major, major scale'],
      ['dorian', 'Dorian', '1 2 b3 4 5 6 b7'],
      ['phrygian', 'Phrygian', '1 b2 b3 4 5 b6 b7'],
      ['lydian', 'Lydian', '1 2 3 #4 5 6 7'],
      ['mixolydian', 'Mixolydian', '1 2 3 4 5 6 b7', 'dominant scale'],
      ['aeolian', 'Aeolian', '1 2 b3 4 5 b6 b7', 'minor, natural minor, minor scale'],
      ['locrian', 'Locrian', '1 b2 b3 4 b5 b6 b7'],
    ],
  },
  {
    family: 'harmonic minor modes',
    modes: true,
    rows: [
      ['harmonic minor', 'harmonic minor', '1 2 b3 4 5 b6 7'],
      ['locrian natural 6', 'Locrian ♮6', '1 b2 b3 4 b5 6 b7', 'locrian 6'],
      ['ionian augmented', 'Ionian ♯5', '1 2 3 4 #5 6 7', 'ionian #5, major augmented'],
      ['dorian #4', 'Dorian ♯4', '1 2 b3 #4 5 6 b7', 'romanian minor, ukrainian dorian'],
      ['phrygian dominant', 'Phrygian dominant', '1 b2 3 4 5 b6 b7', 'phrygian major'],
      ['lydian #2', 'Lydian ♯2', '1 #2 3 #4 5 6 7'],
      ['ultralocrian', 'ultralocrian', '1 b2 b3 b4 b5 b6 bb7', 'altered bb7, superlocrian bb7'],
    ],
  },
  {
    family: 'melodic minor modes',
    modes: true,
    rows: [
      ['melodic minor', 'melodic minor', '1 2 b3 4 5 6 7', 'jazz minor, melodic minor ascending'],
      ['dorian b2', 'Dorian ♭2', '1 b2 b3 4 5 6 b7', 'phrygian natural 6'],
      ['lydian augmented', 'Lydian augmented', '1 2 3 #4 #5 6 7', 'lydian #5'],
      ['lydian dominant', 'Lydian ♭7', '1 2 3 #4 5 6 b7', 'lydian b7, overtone scale, acoustic'],
      ['mixolydian b6', 'Mixolydian ♭6', '1 2 3 4 5 b6 b7', 'melodic major'],
      ['locrian #2', 'Locrian ♮2', '1 2 b3 4 b5 b6 b7', 'locrian natural 2, half-diminished'],
      ['altered', 'altered', '1 b2 b3 b4 b5 b6 b7', 'superlocrian, altered dominant'],
    ],
  },
  {
    family: 'pentatonic',
    modes: true,
    rows: [
      ['major pentatonic', 'major pentatonic', '1 2 3 5 6', 'pentatonic'],
      ['suspended pentatonic', 'suspended pentatonic', '1 2 4 5 b7', 'pentatonic mode 2, egyptian'],
      ['minor pentatonic b6', 'minor pentatonic ♭6', '1 b3 4 b6 b7', 'pentatonic mode 3, man gong'],
      ['suspended pentatonic 6', 'suspended pentatonic 6', '1 2 4 5 6', 'pentatonic mode 4, ritusen'],
      ['minor pentatonic', 'minor pentatonic', '1 b3 4 5 b7', 'pentatonic mode 5'],
    ],
  },
  {
    family: 'blues',
    modes: false,
    rows: [
      ['minor blues', 'minor blues', '1 b3 4 b5 5 b7', 'blues'],
      ['major blues', 'major blues', '1 2 b3 3 5 6'],
    ],
  },
  {
    family: 'symmetric',
    modes: false,
    rows: [
      ['whole tone', 'whole tone', '1 2 3 #4 #5 b7'],
      ['half-whole', 'octatonic half-whole', '1 b2 b3 3 #4 5 6 b7', 'half-whole diminished, dominant diminished, octatonic'],
      ['whole-half', 'octatonic whole-half', '1 2 b3 4 b5 b6 6 7', 'whole-half diminished, diminished'],
      ['chromatic', 'chromatic', '1 b2 2 b3 3 4 #4 5 b6 6 b7 7'],
    ],
  },
  {
    family: 'others',
    modes: false,
    rows: [
      ['harmonic major', 'harmonic major', '1 2 3 4 5 b6 7'],
      ['double harmonic', 'double harmonic major', '1 b2 3 4 5 b6 7', 'double harmonic major, byzantine'],
      ['hungarian minor', 'Hungarian minor', '1 2 b3 #4 5 b6 7', 'double harmonic minor'],
      ['neapolitan minor', 'Neapolitan minor', '1 b2 b3 4 5 b6 7'],
      ['neapolitan major', 'Neapolitan major', '1 b2 b3 4 5 6 7'],
      ['bebop dominant', 'bebop dominant', '1 2 3 4 5 6 b7 7', 'bebop'],
      ['hirajoshi', 'hirajoshi', '1 2 b3 5 b6'],
      ['in', 'in', '1 b2 4 5 b6', 'in scale, miyako-bushi'],
    ],
  },
];

/**
 * A number of frets in steps. Example: stepLetters(3) is WH.
 * @example stepLetters(2) // 'W'
 */
export const stepLetters = (frets: number): string => 'W'.repeat(frets >> 1) + 'H'.repeat(frets & 1);
/** Steps up to the octave, from semitones above the tonic. Example: [0, 3, 5, 7, 10] gives WH W W WH W. */
export const stepsOf = (semitones: number[]): string[] => semitones.map((from, k) => stepLetters((semitones[k + 1] ?? 12) - from));

/** Semitones above the tonic of every degree name the catalogue and users may use. */
export const DEGREE_SEMITONES: Readonly<Record<string, number>> = Object.freeze({
  '1': 0, b2: 1, '2': 2, '#2': 3, b3: 3, '3': 4, b4: 4, '4': 5, '#4': 6, b5: 6, '5': 7, '#5': 8, b6: 8, '6': 9, bb7: 9, b7: 10, '7': 11,
}); // prettier-ignore

const rowToInfo = (family: Family, [id, name, degrees, aliases]: Row, index: number): ScaleInfo => {
  const list = degrees.split(' ');
  return {
    id,
    name,
    aliases: aliases ? aliases.split(', ') : [],
    degrees: list,
    steps: stepsOf(list.map((d) => DEGREE_SEMITONES[d]!)),
    family: family.family,
    ...(family.modes ? { parent: family.rows[0]![0], mode: index + 1 } : {}),
  };
};

/** Every scale and mode of the catalogue, family by family. */
export const CATALOGUE: readonly ScaleInfo[] = FAMILIES.flatMap((f) => f.rows.map((row, k) => rowToInfo(f, row, k)));
