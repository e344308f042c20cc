import type { Place, Layout, LayoutKind } from './neck-types';

/** A school of fingering, by name. */
export type FingeringSchool = 'finger-per-fret' | 'first-and-third' | 'stretch' | 'no-little-finger';
/** The player's hand. */
export interface Hand {
  /** How big it is. */
  readonly size: 'small' | 'medium' | 'large';
  /** The hand as it was measured, in place of its size: at one to six frets, ascending. */
  readonly reaches?: HandReach[];
}

/** How many frets lie between index and little finger on the thickest string, the index at `fret` (1 to 24): 1 to 9, parts of frets too. */
export interface HandReach {
  /** At which fret it was measured. */
  readonly fret: number;
  /** Frets that it spans with ease. */
  readonly comfortable: number;
  /** Frets that it spans at most. */
  readonly most: number;
}

/** What an effort is made of. `string` is a change of string, `against` one against the pitch's direction. */
export type CostWord =
  | 'finger'
  | 'reach'
  | 'pair'
  | 'shift'
  | 'travel'
  | 'landing'
  | 'slide'
  | 'roll'
  | 'hop'
  | 'change'
  | 'bend'
  | 'string'
  | 'against'
  | 'thick'
  | 'open'
  | 'tone'
  | 'region';

/** A shape by its layout, its number in the school and its lowest fret: tells it, and its copies at ±12, from the others. */
export interface ShapeRef {
  /** The layout. */
  readonly kind: LayoutKind;
  /** Its number there. */
  readonly number: number;
  /** The lowest fret. */
  readonly lowFret: number;
}
/** A finger that the player has settled for a place: in one shape and its copies at ±12, or, without one, in every shape. */
export type PlacePin = Place & { readonly finger: number; readonly shape?: ShapeRef | null };

/** What the hand does to come to a note. */
export type Move = 'start' | 'stay' | 'stretch' | 'shift' | 'slide' | 'roll';
/** A note of a line with its finger and the place of the hand. */
export interface FingeredStep extends Place {
  /** 0 (open) to 4. */
  readonly finger: 0 | 1 | 2 | 3 | 4;
  /** Fret under the index finger. */
  readonly handFret: number;
  /** What the hand does to come here. */
  readonly move: Move;
  /** What the note costs, in mm of travel. */
  readonly costMm: number;
}

/** Where two neighbouring shapes meet. */
export interface Seam {
  /** Places of both shapes, with both fingers. */
  readonly shared: { readonly place: Place; readonly fingerBelow: number; readonly fingerAbove: number }[];
  /** From the hand fret of the lower rung to that of the upper. */
  readonly shiftFrets: number;
  /** How far the hand shifts, in mm. */
  readonly shiftMm: number;
}

/** What the player minds more or less along the neck, as factors: 1 is usual, 0 not at all. `tone`: -1 warm to 1 bright. */
export interface RouteWeights {
  /** Millimetres that the hand moves. */
  readonly travel: number;
  /** How often it moves. */
  readonly shifts: number;
  /** Reaching out of the hand's rest. */
  readonly stretch: number;
  /** For each change of string. */
  readonly stringChanges: number;
  /** For each open string; below 0 they are sought. */
  readonly openStrings: number;
  /** Which tone is wished: 1 bright, -1 warm, 0 no wish. */
  readonly tone: number;
  /** Crossing from one region of the neck to the other. */
  readonly region: number;
}

/** Places that a route may use, or goes to. */
export type RouteGoal = Place | { readonly fret: number } | { readonly pitch: number };
/** How a route goes through the scale: step by step or in thirds. */
export type RouteMotion = 'run' | 'thirds';

/** How routes are judged, and how many are given. */
export interface RouteOptions {
  /** By which school it is fingered. */
  readonly school: FingeringSchool;
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
  /** What counts how much. */
  readonly weights?: Partial<RouteWeights>;
  /** How many distinct routes at most, 1 to 50. */
  readonly count?: number;
  /** Notes settled on one of their places, by index in the line. */
  readonly held?: readonly (Place & { readonly index: number })[];
  /** Fingers settled, by index in the line. */
  readonly pins?: readonly { readonly index: number; readonly finger: number }[];
}

/** What a route is to play: pitches, or from a place to a goal. */
export type RouteRequest = (
  | { readonly pitches: number[] }
  | { readonly from: Place | { readonly pitch: number }; readonly to: RouteGoal; readonly motion: RouteMotion }
) &
  RouteOptions & {
    /** Frets that may be used, both included. */
    readonly within?: { readonly fromFret: number; readonly toFret: number };
    /** Strings that may be used. */
    readonly strings?: number[];
  };

/** A way to play a line along the neck. */
export interface Route {
  /** Each note with its finger. */
  readonly steps: FingeredStep[];
  /** Effort in mm. */
  readonly cost: number;
  /** Times the hand moves, slides included, and how far in all. */
  readonly shifts: number;
  /** How far the hand travels, in mm. */
  readonly travelMm: number;
  /** Widest from lowest to highest fret in one place of the hand. */
  readonly widestMm: number;
  /** How often the string changes. */
  readonly stringChanges: number;
  /** Where the route follows rungs of a ladder: the rung of each step, or -1 between rungs. */
  readonly rungs?: number[];
}

/** Most notes of one line. */
export const MOST_NOTES = 20_000;

/** Ways to connect two shapes, as they are offered. */
export const CONNECT_WAYS = Object.freeze(['seam', 'one-string', 'string-pair', 'diagonal', 'split', 'region', 'merge-skip'] as const);
/** A way to connect two shapes, by name. */
export type ConnectWay = (typeof CONNECT_WAYS)[number];

/** Which shapes are connected, and how. */
export interface ConnectRequest extends RouteOptions {
  /** The way there. */
  readonly way: ConnectWay;
  /** The layout of the shapes. */
  readonly layout: Layout;
  /** Indices into the ladder's rungs; from a higher to a lower one the line descends. */
  readonly fromRung: number;
  /** The shape it leads to, from 0. */
  readonly toRung: number;
  /** Places that the line begins and ends with, where it is not to be the outermost notes of the rungs. */
  readonly start?: Place;
  /** The place it leads to. */
  readonly goal?: Place;
  /** Strings that the way is to use: the string, the pair, the strings skipped to, or those of the seams. */
  readonly strings?: number[];
}

/** How the picking hand sounds a note. */
export type Stroke = 'down' | 'up' | 'hammer' | 'pull' | 'slide';
/** How a line is picked. */
export type Picking = 'alternate' | 'economy' | 'hammered';

/** How a note of a lick follows the one before: tied to it, sounded by the fretting hand, or tapped by the other. */
export type Join = 'tie' | 'hammer' | 'pull' | 'slide' | 'tap';

/** How a line is played, one entry a note: all of it may be left out. */
export interface LineTiming {
  /** How each note is joined to the one before it. */
  readonly joins?: readonly (Join | null | undefined)[];
  /** Half steps that each note is bent up. */
  readonly bends?: readonly (number | null | undefined)[];
  /** Length from each note to the next, 480 ticks a quarter; and how much of it is silence before the note itself. */
  readonly ticks?: readonly number[];
  /** Silence before each note, in ticks. */
  readonly rests?: readonly number[];
  /** Quarters a minute. */
  readonly tempo?: number;
}
