import type { DegreeName, Hand, Place, Shape } from '../../types';

/** A chord as a hand holds it. */
export interface Grip {
  /** The sounding strings, thickest first. */
  places: Place[];
  /** One a place, 0 open. */
  fingers: number[];
  /** The finger that lies flat over most strings, if one does. */
  barre?: { finger: number; fret: number; strings: number[] };
  /** Strings that do not sound, thickest first. */
  muted: number[];
  /** Which tone of the chord is lowest: 0 the root. */
  inversion: number;
  /** Degrees of the chord that it leaves out. */
  omitted: DegreeName[];
  /** Effort in mm, what a player would miss in it included: see docs/hand.md. */
  costMm: number;
}

/** Which grips of a chord are looked for. */
export interface GripOptions {
  /** A shape in whose frets the grip is to lie. */
  shape?: Shape;
  /** Frets that may be used, both included; an open string is the nut's fret. */
  fromFret?: number;
  /** The highest fret; the last one if left out. */
  toFret?: number;
  /** Strings that may sound. */
  strings?: number[];
  /** The player's hand; a medium one if left out. */
  hand?: Hand;
  /** How many, best first; all of them unless said. */
  count?: number;
  /** The fret that the hand is to be near to. */
  near?: number;
  /** Whether a perfect fifth (and an inner tension of a larger chord) may be left out, a tone may sound twice, another tone than the root be lowest, strings be open, strings be left out between others: all true unless said. */
  omit?: boolean;
  /** Whether tones may sound twice. */
  double?: boolean;
  /** Whether another tone than the bass may be lowest. */
  invert?: boolean;
  /** Whether open strings may sound. */
  open?: boolean;
  /** Whether strings between may be silent. */
  skip?: boolean;
}
