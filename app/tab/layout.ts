/** Where things lie in a drawn tab, in pixels. Pure: no drawing here. */

/** What a column of the tab shows. */
export interface TabColumn {
  /** 0 is a rest. */
  string: number;
  fret: number;
  /** Under the note; empty for none. */
  finger: string;
  /** Frets the hand moves to get here; 0 stays. */
  shift: number;
  /** Written before the fret: h, p, a slide, or a tie's bracket. */
  join?: 'h' | 'p' | 't' | '/' | '\\' | '(';
  /** Half steps that the string is bent. */
  bend?: number;
  muted?: boolean;
  /** A bar begins here. */
  bar?: boolean;
  /** The sign of its length, in the music font, and whether it is a triplet's. */
  length?: string;
  triplet?: boolean;
  /** The beat of the bar that it stands on. */
  beat?: number;
  /** Louder than the rest. */
  loud?: boolean;
  /** Played already: paler. */
  past?: boolean;
}

export interface TabSystem {
  /** First column, and the one after the last. */
  from: number;
  to: number;
  top: number;
}

export interface TabGeometry {
  width: number;
  height: number;
  strings: number;
  systems: TabSystem[];
}

export const COLUMN = 36;
const LEFT = 26;
export const LINE_GAP = 21;
/** Above the lines: pick strokes. Below: fingers, shifts. */
const ABOVE = 34;
const BELOW = 46;

export const systemHeight = (strings: number): number => ABOVE + (strings - 1) * LINE_GAP + BELOW;

/** Breaks columns into systems that fit the width; a system holds four columns at least. */
export function tabGeometry(columns: number, strings: number, width: number): TabGeometry {
  const fit = Math.max(4, Math.floor((width - LEFT - 8) / COLUMN));
  const count = Math.max(1, Math.ceil(columns / fit));
  const systems = Array.from({ length: count }, (_, k) => ({
    from: k * fit,
    to: Math.min(columns, (k + 1) * fit),
    top: k * systemHeight(strings),
  }));
  return { width: Math.max(width, LEFT + 8 + 4 * COLUMN), height: count * systemHeight(strings), strings, systems };
}

export const systemOf = (g: TabGeometry, column: number): TabSystem =>
  g.systems.find((s) => column < s.to) ?? g.systems[g.systems.length - 1];
export const columnX = (s: TabSystem, column: number): number => LEFT + (column - s.from + 0.5) * COLUMN;
export const lineY = (s: TabSystem, string: number): number => s.top + ABOVE + (string - 1) * LINE_GAP;
export const strokeY = (s: TabSystem): number => s.top + 14;
export const fingerY = (g: TabGeometry, s: TabSystem): number => lineY(s, g.strings) + 24;

/** Moves a choice of column along the line; stays inside. Null for keys that are the view's. */
export function stepColumn(g: TabGeometry, column: number, key: string): number | null {
  const last = g.systems[g.systems.length - 1].to - 1;
  const to = { ArrowRight: column + 1, ArrowLeft: column - 1, Home: 0, End: last }[key];
  return to === undefined ? null : Math.max(0, Math.min(last, to));
}
