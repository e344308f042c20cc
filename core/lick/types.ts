import type { FingeredStep, Join, Place } from '../types';

/** A note or rest of a lick, in playing order. A lick is one line: one note at a time. */
export interface LickNote {
  /** null is a rest. */
  readonly place: Place | null;
  /** Length in parts of a quarter note, `TICKS` to the quarter. */
  readonly ticks: number;
  /** How it is joined to the note before it. */
  join?: Join;
  /** Half steps that the string is bent up, to the target pitch: 1 to 5. */
  bend?: number;
  /** The bend is let down again to the fret before the note ends. */
  release?: boolean;
  /** The pick's stroke, where the player settled it. */
  stroke?: 'down' | 'up';
  /** Palm muted. */
  readonly muted?: boolean;
  /** A finger settled by the player. */
  finger?: number;
}

/** One playable copy of a line on the neck. */
export interface LickCopy {
  /** Octaves above (or below) the pitches asked for. */
  readonly octave: number;
  /** Each note with its finger. */
  readonly steps: FingeredStep[];
  /** Effort in mm. */
  readonly cost: number;
  /** How often the hand shifts. */
  readonly shifts: number;
  /** How far it travels, in mm. */
  readonly travelMm: number;
  /** Lowest and highest fret of the whole copy, and the mm between them on its longest string. */
  readonly lowFret: number;
  /** The highest fret. */
  readonly highFret: number;
  /** How wide it lies on the neck, in mm. */
  readonly widthMm: number;
  /** Strings used, thinnest first. */
  readonly strings: number[];
  /** Mean tone index of its notes: 0 warm to 1 bright. */
  readonly tone: number;
  /** Against the border fret (7 unless given). */
  readonly region: 'below' | 'above' | 'across';
  /** Indices of notes whose pitch has no other place on this neck. */
  readonly single: number[];
}

/** A note as a file tells of it: its pitch, and its place where the file has one. A rest has neither. */
export interface PitchedNote extends Omit<LickNote, 'place'> {
  /** MIDI number; null for a rest. */
  readonly midi: number | null;
  /** Where it is to be played, if that is known. */
  readonly place?: Place;
}
