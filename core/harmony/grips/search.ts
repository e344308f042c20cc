import type { DegreeName, Place } from '../../types';
import type { Grasp } from './hold';
import type { Grip, GripOptions } from './types';
import type { Wanted } from './wanted';

/** A neck on which a chord is looked for. */
export interface Search {
  /** The hand on the instrument. */
  readonly grasp: Grasp;
  /** What is to sound. */
  readonly wanted: Wanted;
  /** What was asked for. */
  readonly o: GripOptions;
  /** MIDI numbers of the open strings, by string. */
  readonly open: number[];
  /** The fret where strings are open. */
  readonly nut: number;
  /** The last fret. */
  readonly last: number;
  /** The lowest fret that may be pressed. */
  readonly from: number;
  /** The highest. */
  readonly to: number;
  /** By string: tone at each fret that may be used, -1 elsewhere. */
  readonly tones: number[][];
  /** By string: tones that it or a thinner one may still sound, as bits. */
  rest: number[];
  /** The fret that grips are to lie near, if any. */
  readonly near: number | null;
  /** What was found. */
  readonly found: FoundGrips;
  /** What many grips have alike, made once; frozen, as it is handed out many times. */
  readonly shared: {
    readonly places: Place[][];
    readonly muted: Map<number, number[]>;
    readonly omitted: Map<number, DegreeName[]>;
    readonly barres: Map<number, NonNullable<Grip['barre']>>;
  };
}

/** Grips found so far, packed: their costs, and a row of frets and fingers each. */
export interface FoundGrips {
  /** How many grips. */
  count: number;
  /** Cost in hundredths of a millimetre, then the number of the grip: see MOST. */
  keys: Float64Array;
  /** Their frets, a row each; -1 where a string is silent. */
  rows: Int8Array;
}

/** What one lowest stopped fret is looked through with. */
export interface Pass {
  /** The lowest fret pressed so far. */
  readonly low: number;
  /** Frets by string; -1 where it is silent. */
  readonly frets: number[];
  /** By string: frets that it may sound. */
  readonly options: number[][];
  /** How many strings are stopped at the lowest fret so far. */
  lows: number;
  /** Holds by the pattern of stopped strings: their cost, and their fingers by string. */
  readonly holds: Map<number, { readonly cost: number; readonly fingers: number[] }>;
}
