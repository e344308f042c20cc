/**
 * Tunings by general names, written low to high. Common practice, no published source.
 * One row a tuning: name, open pitches low to high, usual scale length in mm.
 */
export interface NamedTuning {
  /** What players call it. */
  readonly name: string;
  /** Open strings from the thickest to the thinnest. */
  readonly low: string;
  /** Usual length of the open string, in mm. */
  readonly scaleLengthMm: number;
}
const row = (name: string, low: string, scaleLengthMm = 648): NamedTuning => ({ name, low, scaleLengthMm });

/** Tunings by name, the usual scale length with each. */
export const TUNINGS: readonly NamedTuning[] = [
  row('standard', 'E2 A2 D3 G3 B3 E4'),
  row('drop D', 'D2 A2 D3 G3 B3 E4'),
  row('half step down', 'Eb2 Ab2 Db3 Gb3 Bb3 Eb4'),
  row('whole step down', 'D2 G2 C3 F3 A3 D4'),
  row('drop C sharp', 'C#2 G#2 C#3 F#3 A#3 D#4'),
  row('drop C', 'C2 G2 C3 F3 A3 D4'),
  row('double drop D', 'D2 A2 D3 G3 B3 D4'),
  row('open D', 'D2 A2 D3 F#3 A3 D4'),
  row('open D minor', 'D2 A2 D3 F3 A3 D4'),
  row('open E', 'E2 B2 E3 G#3 B3 E4'),
  row('open G', 'D2 G2 D3 G3 B3 D4'),
  row('open G minor', 'D2 G2 D3 G3 Bb3 D4'),
  row('open A', 'E2 A2 E3 A3 C#4 E4'),
  row('open C', 'C2 G2 C3 G3 C4 E4'),
  row('modal D', 'D2 A2 D3 G3 A3 D4'),
  row('modal C', 'C2 G2 C3 G3 C4 D4'),
  row('all fourths', 'E2 A2 D3 G3 C4 F4'),
  row('all fifths', 'C2 G2 D3 A3 E4 B4'),
  row('major thirds', 'G#2 C3 E3 G#3 C4 E4'),
  row('seven strings', 'B1 E2 A2 D3 G3 B3 E4'),
  row('seven strings, drop A', 'A1 E2 A2 D3 G3 B3 E4'),
  row('seven strings, all fourths', 'B1 E2 A2 D3 G3 C4 F4'),
  row('eight strings', 'F#1 B1 E2 A2 D3 G3 B3 E4', 686),
  row('eight strings, drop E', 'E1 B1 E2 A2 D3 G3 B3 E4', 686),
  row('baritone in B', 'B1 E2 A2 D3 F#3 B3', 686),
  row('baritone in A', 'A1 D2 G2 C3 E3 A3', 711),
  row('bass, four strings', 'E1 A1 D2 G2', 864),
  row('bass, drop D', 'D1 A1 D2 G2', 864),
  row('bass, five strings', 'B0 E1 A1 D2 G2', 864),
  row('bass, six strings', 'B0 E1 A1 D2 G2 C3', 864),
  row('four strings, re-entrant', 'G4 C4 E4 A4', 380),
];
