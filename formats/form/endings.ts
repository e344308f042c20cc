/** Files of chords, each with the ends of its names; the first is what it is saved under. Known without what reads and writes them, which comes when it is asked for. */
export const FORM_ENDINGS = {
  midi: ['.mid', '.midi'],
  musicxml: ['.musicxml', '.xml', '.mxl'],
  chordpro: ['.cho', '.chordpro', '.chopro', '.pro', '.crd'],
  text: ['.txt'],
} as const satisfies Record<string, readonly string[]>;

/** A kind of file of chords. */
export type FormKind = keyof typeof FORM_ENDINGS;
