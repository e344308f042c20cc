import type { DegreeName, Hand, Place, Shape } from '../../types';

/** A chord as a hand holds it. */
export interface Grip {
  /** The sounding strings, thickest first. */
  readonly places: Place[];
  /** One a place, 0 open. */
  readonly fingers: number[];
  /** The finger that lies flat over most strings, if one does. */
  barre?: { readonly finger: number; readonly fret: number; readonly strings: number[] };
  /** Strings that do not sound, thickest first. */
  readonly muted: number[];
  /** Which tone of the chord is lowest: 0 the root. */
  readonly inversion: number;
  /** Degrees of the chord that it leaves out. */
  readonly omitted: DegreeName[];
  /** Effort in mm, what a player would miss in it included: see docs/hand.md. */
  readonly costMm: number;
}

/** Which grips of a chord are looked for. */
export interface GripOptions {
  /** A shape in whose frets the grip is to lie. */
  readonly shape?: Shape;
  /** Frets that may be used, both included; an open string is the nut's fret. */
  readonly fromFret?: number;
  /** The highest fret; the last one if left out. */
  readonly toFret?: number;
  /** Strings that may sound. */
  readonly strings?: number[];
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
  /** How many, best first; all of them unless said. */
  readonly count?: number;
  /** The fret that the hand is to be near to. */
  readonly near?: number;
  /** Whether a perfect fifth (and an inner tension of a larger chord) may be left out, a tone may sound twice, another tone than the root be lowest, strings be open, strings be left out between others: all true unless said. */
  readonly omit?: boolean;
  /** Whether tones may sound twice. */
  readonly double?: boolean;
  /** Whether another tone than the bass may be lowest. */
  readonly invert?: boolean;
  /** Whether open strings may sound. */
  readonly open?: boolean;
  /** Whether strings between may be silent. */
  readonly skip?: boolean;
}
