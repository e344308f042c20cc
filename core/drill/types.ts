import type { DegreeName, Join, NoteName, Place, Shape, Stroke, FingeredStep } from '../types';

/** In which order the notes of a shape are played, by name. */
export type DrillOrder =
  'up' | 'down' | 'up-down' | 'down-up' | 'from-root' | 'root-between' | 'octaves' | 'groups' | 'intervals' | 'chord-tones' | 'random';

/** In which order the notes of a shape are played. */
export interface DrillOptions {
  /** The order of the notes. */
  order: DrillOrder;
  /** The top or bottom note where the line turns; once unless said. */
  turn?: 'once' | 'twice';
  /** The scale's own root, or that of its relative major or minor. */
  root?: 'own' | 'relative';
  /** Which place of the shape is home; the lowest root unless said. */
  start?: Place;
  /** From the root: once from each root of the shape, the lowest first. */
  everyRoot?: boolean;
  /** Notes in a group, 3 to 6; 4 unless said. */
  group?: 3 | 4 | 5 | 6;
  /** 3 is thirds, 8 octaves, counted in notes of the scale; thirds unless said. */
  interval?: 3 | 4 | 5 | 6 | 7 | 8;
  /** Notes of a chord, 3 or 4; 3 unless said. */
  size?: 3 | 4;
  /** Intervals and chord tones: down again the way they went up. */
  back?: boolean;
  /** Chord tones: the scale up and down first. */
  scaleFirst?: boolean;
  /** Another scale in the same place for the way down. */
  down?: Shape;
  /** Only these strings. */
  strings?: number[];
  /** Jumping about: the same seed, the same notes. */
  seed?: number;
  /** Jumping about: how many notes, 1 to 10,000; twice those of the shape unless said. */
  count?: number;
  /** Jumping about: degrees that come more often. */
  lean?: DegreeName[];
  /** Goes on along the scale to the nearest root; the last of a counted number of notes is one. */
  endOnRoot?: boolean;
}

/** A note of a drill, in playing order. */
export type DrillNote = Place & { midi: number; name: NoteName; degree: DegreeName };

/** Note values of a drill, by name. */
export type DrillRhythm = 'quarters' | 'eighths' | 'triplets' | 'sixteenths' | 'swing';
/** Where the loud notes are: on the beat, on every third or fourth note, between the beats, nowhere. */
export type DrillAccent = 'beat' | 'thirds' | 'fourths' | 'off-beat' | 'none';
/** `slides`: the third note of a group on a string is slid into. */
export type DrillArticulation = 'alternate' | 'economy' | 'hammered' | 'slides';

/** A drill as it is played. Every list has one entry a note. */
export interface DrillLine {
  /** Each note with its finger. */
  steps: FingeredStep[];
  /** Length of each, 480 ticks a quarter; the last holds to the end of its beat. */
  ticks: number[];
  /** How each note is joined to the one before it. */
  joins: (Join | null)[];
  /** The stroke of each note. */
  strokes: Stroke[];
  /** Whether each note is accented. */
  loud: boolean[];
  /** Length of one pass, in whole beats. */
  beats: number;
}
