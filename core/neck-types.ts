/** The words shared by everything. Plain JSON-able data only. */

/** Letter and ASCII accidentals: `F#`, `Bb`, `Cbb`. */
export type NoteName = string;
/** Note name with scientific octave: `F#2`. C4 is MIDI 60. */
export type PitchName = string;
/** A degree against the major scale of the same tonic: `1`, `b3`, `#4`, `bb7`. */
export type DegreeName = string;
/** String 1 is the thinnest side; fret 0 is the open string, fret numbers stay absolute under a capo. */
export type Place = { readonly string: number; readonly fret: number };

/** One string of an instrument. */
export interface InstrumentString {
  /** What it sounds when open. */
  readonly open: PitchName;
  /** Outer diameter in millimetres. */
  readonly gaugeMm?: number;
  /** Whether it is wound. */
  readonly wound?: boolean;
  /** Speaking length in millimetres where it differs from the instrument's (fanned frets). */
  scaleLengthMm?: number;
}

/** A fretted instrument: strings from the thinnest (1) up, frets, capo and size. */
export interface Instrument {
  /** What its player calls it. */
  readonly name: string;
  /** `strings[0]` is string 1. */
  readonly strings: InstrumentString[];
  /** 5 to 36. */
  readonly frets: number;
  /** 200 to 1200. */
  readonly scaleLengthMm: number;
  /** Fret of the capo; frets below it do not exist. */
  readonly capo?: number;
  /** For display only. */
  readonly handedness?: 'right' | 'left';
  /** For display only: where the numbers on neck and tab are counted from, the nut unless given. */
  readonly countFrom?: 'nut' | 'capo';
}

/** A scale on a tonic. */
export interface ScaleRef {
  /** The note it is on. */
  readonly tonic: NoteName;
  /** A scale id or name such as `dorian`, or its degrees. */
  readonly scale: string | DegreeName[];
}

/** A scale of the catalogue. */
export interface ScaleInfo {
  /** Its id. */
  readonly id: string;
  /** Its usual name. */
  readonly name: string;
  /** Other names that can be typed. */
  readonly aliases: string[];
  /** Against the major scale. */
  readonly degrees: DegreeName[];
  /** `H` is one fret, `W` two, `WH` three; they always sum to twelve frets. */
  readonly steps: string[];
  /** The family it stands in. */
  readonly family: string;
  /** Id of the scale this one is a mode of, itself included. */
  readonly parent?: string;
  /** 1 is the parent itself. */
  readonly mode?: number;
}

/** A note of a scale. */
export interface ScaleNote {
  /** Spelled for its letter. */
  readonly name: NoteName;
  /** Against the major scale. */
  readonly degree: DegreeName;
  /** Above the tonic, 0 to 11. */
  readonly semitones: number;
}

/** In order of precedence. */
export type Role = 'root' | 'chord' | 'passing' | 'scale' | 'outside';

/** A note of a scale at a place of the neck. */
export interface NeckNote extends Place {
  /** MIDI number. */
  readonly midi: number;
  /** Spelled in the scale. */
  readonly name: NoteName;
  /** Its degree. */
  readonly degree: DegreeName;
  /** What it is in the scale. */
  readonly role: Role;
  /** True where a pentatonic skeleton underlies the scale and this note is not of it. */
  readonly added: boolean;
}

/** A note of a shape, with the finger that plays it. */
export interface ShapeNote extends NeckNote {
  /** 0 is an open string, 1 index to 4 little finger. */
  finger?: number;
}

/** What one string carries in a shape. */
export interface Cell {
  /** The string, 1 the thinnest. */
  readonly string: number;
  /** Frets on it, from low to high. */
  readonly frets: number[];
  /** Steps between them, `W` and `H`. */
  steps: string[];
  /** Fingers for them. */
  readonly fingers: number[];
}

/** Where two neighbouring strings are not a fourth apart, and what that does to the shape. */
export interface Jog {
  /** String number of the lower-sounding string. */
  readonly below: number;
  /** String number of the higher-sounding string. */
  readonly above: number;
  /** By how much. */
  readonly semitones: number;
  /** How many frets higher everything on the far side sits: 5 minus the semitones. */
  readonly frets: number;
}

/** A note outside the hand's natural spread, and how far beyond it in millimetres. */
export interface Stretch extends Place {
  /** The finger that stretches. */
  readonly finger: number;
  /** How far, in mm. */
  readonly mm: number;
}

/** A shape of a scale on the neck. */
export interface Shape {
  /** Its id in this layout. */
  readonly id: string;
  /** Its number in this layout. */
  readonly number: number;
  /** What players call it. */
  readonly label: string;
  /** Ascending as played. A split keeps the order of its run. */
  readonly notes: ShapeNote[];
  /** Lowest-sounding string first. */
  readonly cells: Cell[];
  /** The lowest fret. */
  readonly lowFret: number;
  /** The highest fret. */
  readonly highFret: number;
  /** Between the lowest and the highest fretted note, on the longest string. */
  readonly widthMm: number;
  /** Where the roots are. */
  readonly roots: Place[];
  /** Where it jogs between strings. */
  readonly jogs: Jog[];
  /** Where the hand stretches. */
  readonly stretches: Stretch[];
  /** Fret under the first finger at rest, as the fingering holds it most of the time. */
  readonly handFret: number;
  /** Where the hand stands, in playing order: the fret under its index at rest, and how many notes it plays from there. */
  readonly hands: { readonly fret: number; notes: number }[];
  /** True where the label is that of a known shape which this one turned out to be. */
  readonly known?: true;
  /** Notes of the whole shape that lie beyond the nut or the last fret; left out where it is whole. */
  readonly missing?: number;
}

/** Which finger reaches for a scale note beyond the window: the index, the little one, or the nearer. */
export type Reach = 'index' | 'little' | 'nearer';
/** Whether boxes are counted from the minor or the major root. */
export type Numbering = 'minor-root' | 'major-root';

/** How shapes are laid out on the neck: the kind and its options. */
export type Layout =
  | { readonly kind: 'window'; readonly stretch?: Reach }
  | { readonly kind: 'box'; readonly numbering?: Numbering }
  | { readonly kind: 'per-string'; readonly notes: number }
  | {
      readonly kind: 'one-string';
      readonly string: number;
      readonly range?: 'all' | 'octave' | 'frets';
      readonly from?: number;
      readonly to?: number;
    }
  | { readonly kind: 'string-set'; readonly strings: number[]; readonly counts: number[]; readonly start: Place }
  | { readonly kind: 'diagonal'; readonly counts?: [number, number]; readonly root: Place }
  | { readonly kind: 'split'; readonly notes?: number }
  | { readonly kind: 'region'; readonly fromFret: number; readonly toFret: number }
  | { readonly kind: 'anchor'; readonly root: Place; readonly notes: number }
  | { readonly kind: 'octaves'; readonly root: Place }
  /** Places as they stand: a shape kept through a change of tuning. */
  | { readonly kind: 'places'; readonly places: Place[] };

/** A kind of layout, by name. */
export type LayoutKind = Layout['kind'];
/** The options of one kind of layout. */
export type LayoutOf<K extends LayoutKind> = Extract<Layout, { readonly kind: K }>;
