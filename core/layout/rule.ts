import type { FingeringSchool, Instrument, Layout, LayoutKind, LayoutOf, Place, ScaleRef, Shape } from '../types';
import type { LayoutTask, Draft } from './shape';

/**
 * One thing that a layout lets a player set. Its range is checked by the layout itself, by the schema of the record and by
 * the control on the screen, all read off this.
 */
export type Field = (
  | { readonly is: 'whole'; readonly label: string; readonly from: number; readonly to: number; readonly usual?: number }
  | { readonly is: 'string'; readonly label: string }
  | { readonly is: 'fret'; readonly label: string; readonly notBelow?: string; readonly notAbove?: string; readonly blank?: string }
  | { readonly is: 'root'; readonly label: string }
  | {
      readonly is: 'choice';
      readonly label: string;
      readonly usual: string;
      readonly of: readonly { readonly value: string; readonly label: string }[];
    }
  /** Two counts in turn, or as the scale divides. */
  | {
      readonly is: 'pair';
      readonly label: string;
      readonly from: number;
      readonly to: number;
      readonly offered: readonly (readonly [number, number])[];
    }
  /** Chosen strings; their counts and the start on the lowest of them hang together, so one control sets all three. */
  | { readonly is: 'strings'; readonly label: string }
  | { readonly is: 'counts'; readonly label: string; readonly from: number; readonly to: number }
  | { readonly is: 'start'; readonly label: string }
  | { readonly is: 'places'; readonly most: number }
) & {
  /** Every value is offered by name, so the option needs no control. */
  readonly byName?: true;
  /** The option counts only where another has this value. */
  readonly onlyIf?: readonly [option: string, value: string];
};

/** Where a layout is asked for: on what neck, in what scale, from which root. */
export interface Start {
  /** The neck. */
  readonly instrument: Instrument;
  /** The scale. */
  readonly scale: ScaleRef;
  /** The root it is to begin at. */
  readonly root: Place;
}

/** A layout as it would begin at a start; `title` where it is offered under another name than it is then called. */
export interface Offer<L extends Layout = Layout> {
  /** What is offered. */
  readonly layout: L;
  /** What tells it from the others, in words. */
  readonly detail: string;
  /** What it is called. */
  readonly title?: string;
}

/** A shape among the others of its layout, to be explained. */
export interface Shown {
  /** The neck. */
  readonly instrument: Instrument;
  /** The scale. */
  readonly scale: ScaleRef;
  /** All shapes of the layout. */
  readonly shapes: readonly Shape[];
  /** The one in question. */
  readonly shape: Shape;
}

/** Everything there is to know about one way of cutting the neck. */
export interface LayoutRule<K extends LayoutKind> {
  /** By option: every one that the layout has. */
  readonly fields: { readonly [F in Exclude<keyof LayoutOf<K>, 'kind'>]-?: Field };
  /** Throws BAD_LAYOUT, BAD_PLACE, NOT_IN_SCALE for options out of range. */
  readonly lay: (task: LayoutTask, layout: LayoutOf<K>) => Draft[];
  /** The hand it is meant for where the player names none (docs/decisions.md). */
  readonly school: (layout: LayoutOf<K>) => FingeringSchool;
  /** As it can stand on this neck in this scale, the same object where it can; left out where it stands anywhere. */
  readonly reanchor?: (i: Instrument, scale: ScaleRef, layout: LayoutOf<K>) => Layout;
  /** How the sentence says it. */
  readonly says: (layout: LayoutOf<K>) => string;
  /** Why a shape looks as it does, in a line. */
  readonly why: (layout: LayoutOf<K>, shown: Shown) => string;
  /** What is offered to a player who looks for a layout; the first is the usual one. */
  readonly offers: (start: Start) => Offer<LayoutOf<K>>[];
  /** Variants that a set of places is recognised as, the commonest first. */
  readonly known?: readonly LayoutOf<K>[];
  /** How many places each of its shapes has on so many strings, where that is known before they are laid out. */
  readonly size?: (layout: LayoutOf<K>, strings: number) => number;
  /** A shape is opened by a root that it starts on, or (windows) that lies under its index; else by any that it holds. */
  readonly opensBy?: 'start' | 'index';
  /** The layout fixes the hand and numbers its shapes by the hand's fret. */
  readonly still?: true;
  /** Its shapes stand up string by string from their root. */
  readonly grows?: true;
  /** The hand moves along a string: its groups are drawn, with what lies between them. */
  readonly along?: true;
  /** Shapes carry the relative root as well. */
  readonly twins?: true;
  /** Its shapes take the name of the known shape that they turn out to be. */
  readonly renamed?: true;
}
