import type { DegreeName, Join, NoteName, Place, Shape, Stroke, FingeredStep } from '../types';

/** The orders of a drill, as they are offered. */
export const DRILL_ORDERS = Object.freeze(['up-down', 'down-up', 'up', 'down', 'from-root', 'root-between', 'octaves', 'groups', 'intervals', 'chord-tones', 'random'] as const); // prettier-ignore
/** In which order the notes of a shape are played, by name. */
export type DrillOrder = (typeof DRILL_ORDERS)[number];

/** In which order the notes of a shape are played. */
export interface DrillOptions {
  /** The order of the notes. */
  readonly order: DrillOrder;
  /** The top or bottom note where the line turns; once unless said. */
  readonly turn?: 'once' | 'twice';
  /** The scale's own root, or that of its relative major or minor. */
  readonly root?: 'own' | 'relative';
  /** Which place of the shape is home; the lowest root unless said. */
  readonly start?: Place;
  /** From the root: once from each root of the shape, the lowest first. */
  readonly everyRoot?: boolean;
  /** Notes in a group, 3 to 6; 4 unless said. */
  readonly group?: 3 | 4 | 5 | 6;
  /** 3 is thirds, 8 octaves, counted in notes of the scale; thirds unless said. */
  readonly interval?: 3 | 4 | 5 | 6 | 7 | 8;
  /** Notes of a chord, 3 or 4; 3 unless said. */
  readonly size?: 3 | 4;
  /** Intervals and chord tones: down again the way they went up. */
  readonly back?: boolean;
  /** Chord tones: the scale up and down first. */
  readonly scaleFirst?: boolean;
  /** Another scale in the same place for the way down. */
  readonly down?: Shape;
  /** Only these strings. */
  readonly strings?: number[];
  /** Jumping about: the same seed, the same notes. */
  readonly seed?: number;
  /** Jumping about: how many notes, 1 to 10,000; twice those of the shape unless said. */
  readonly count?: number;
  /** Jumping about: degrees that come more often. */
  readonly lean?: DegreeName[];
  /** Goes on along the scale to the nearest root; the last of a counted number of notes is one. */
  readonly endOnRoot?: boolean;
}

/** A note of a drill, in playing order. */
export type DrillNote = Place & { readonly midi: number; readonly name: NoteName; readonly degree: DegreeName };

/** Note values of a drill, by name. */
export type DrillRhythm = 'quarters' | 'eighths' | 'triplets' | 'sixteenths' | 'swing';
/** Where the loud notes are: on the beat, on every third or fourth note, between the beats, nowhere. */
export type DrillAccent = 'beat' | 'thirds' | 'fourths' | 'off-beat' | 'none';
/** `slides`: the third note of a group on a string is slid into. */
export type DrillArticulation = 'alternate' | 'economy' | 'hammered' | 'slides';

/** A drill as it is played. Every list has one entry a note. */
export interface DrillLine {
  /** Each note with its finger. */
  readonly steps: FingeredStep[];
  /** Length of each, 480 ticks a quarter; the last holds to the end of its beat. */
  readonly ticks: number[];
  /** How each note is joined to the one before it. */
  readonly joins: (Join | null)[];
  /** The stroke of each note. */
  readonly strokes: Stroke[];
  /** Whether each note is accented. */
  readonly loud: boolean[];
  /** Length of one pass, in whole beats. */
  readonly beats: number;
}
