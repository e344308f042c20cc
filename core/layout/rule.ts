import type { FingeringSchool, Instrument, Layout, LayoutKind, LayoutOf, Place, ScaleRef, Shape } from '../types';
import type { Bench, Draft } from './shape';

/**
 * One thing that a layout lets a player set. Its range is checked by the layout itself, by the schema of the record and by
 * the control on the screen, all read off this.
 */
export type Field = (
  | { is: 'whole'; label: string; from: number; to: number; usual?: number }
  | { is: 'string'; label: string }
  | { is: 'fret'; label: string; notBelow?: string; notAbove?: string; blank?: string }
  | { is: 'root'; label: string }
  | { is: 'choice'; label: string; usual: string; of: readonly { value: string; label: string }[] }
  /** Two counts in turn, or as the scale divides. */
  | { is: 'pair'; label: string; from: number; to: number; offered: readonly (readonly [number, number])[] }
  /** Chosen strings; their counts and the start on the lowest of them hang together, so one control sets all three. */
  | { is: 'strings'; label: string }
  | { is: 'counts'; label: string; from: number; to: number }
  | { is: 'start'; label: string }
  | { is: 'places'; most: number }
) & {
  /** Every value is offered by name, so the option needs no control. */
  byName?: true;
  /** The option counts only where another has this value. */
  onlyIf?: readonly [option: string, value: string];
};

/** Where a layout is asked for: on what neck, in what scale, from which root. */
export interface Start {
  /** The neck. */
  instrument: Instrument;
  /** The scale. */
  scale: ScaleRef;
  /** The root it is to begin at. */
  root: Place;
}

/** A layout as it would begin at a start; `title` where it is offered under another name than it is then called. */
export interface Offer<L extends Layout = Layout> {
  /** What is offered. */
  layout: L;
  /** What tells it from the others, in words. */
  detail: string;
  /** What it is called. */
  title?: string;
}

/** A shape among the others of its layout, to be explained. */
export interface Shown {
  /** The neck. */
  instrument: Instrument;
  /** The scale. */
  scale: ScaleRef;
  /** All shapes of the layout. */
  shapes: readonly Shape[];
  /** The one in question. */
  shape: Shape;
}

/** Everything there is to know about one way of cutting the neck. */
export interface LayoutRule<K extends LayoutKind> {
  /** By option: every one that the layout has. */
  fields: { readonly [F in Exclude<keyof LayoutOf<K>, 'kind'>]-?: Field };
  /** Throws BAD_LAYOUT, BAD_PLACE, NOT_IN_SCALE for options out of range. */
  lay: (bench: Bench, layout: LayoutOf<K>) => Draft[];
  /** The hand it is meant for where the player names none (docs/decisions.md). */
  school: (layout: LayoutOf<K>) => FingeringSchool;
  /** As it can stand on this neck in this scale, the same object where it can; left out where it stands anywhere. */
  reanchor?: (i: Instrument, scale: ScaleRef, layout: LayoutOf<K>) => Layout;
  /** How the sentence says it. */
  says: (layout: LayoutOf<K>) => string;
  /** Why a shape looks as it does, in a line. */
  why: (layout: LayoutOf<K>, shown: Shown) => string;
  /** What is offered to a player who looks for a layout; the first is the usual one. */
  offers: (start: Start) => Offer<LayoutOf<K>>[];
  /** Variants that a set of places is recognised as, the commonest first. */
  known?: readonly LayoutOf<K>[];
  /** A shape is opened by a root that it starts on, or (windows) that lies under its index; else by any that it holds. */
  opensBy?: 'start' | 'index';
  /** The layout fixes the hand and numbers its shapes by the hand's fret. */
  still?: true;
  /** Its shapes stand up string by string from their root. */
  grows?: true;
  /** The hand moves along a string: its groups are drawn, with what lies between them. */
  along?: true;
  /** Shapes carry the relative root as well. */
  twins?: true;
  /** Its shapes take the name of the known shape that they turn out to be. */
  renamed?: true;
}
