/** Where things lie in a drawn tab, in pixels. Pure: no drawing here. */

/** What a column of the tab shows. */
export interface TabColumn {
  /** 0 is a rest. */
  readonly string: number;
  readonly fret: number;
  /** Under the note; empty for none. */
  readonly finger: string;
  /** Frets the hand moves to get here; 0 stays. */
  readonly shift: number;
  /** What stands on the string, where it is more than the fret. */
  readonly sign?: string;
  /** A stroke that the player settled. */
  readonly stroke?: 'down' | 'up';
  readonly muted?: boolean;
  /** A bar begins here. */
  readonly bar?: boolean;
  /** The sign of its length, in the music font, and whether it is a triplet's. */
  readonly length?: string;
  readonly triplet?: boolean;
  /** The beat of the bar that it stands on. */
  readonly beat?: number;
  /** Louder than the rest. */
  readonly loud?: boolean;
  /** Played already: paler. */
  readonly past?: boolean;
}

export interface TabSystem {
  /** First column, and the one after the last. */
  readonly from: number;
  readonly to: number;
  readonly top: number;
}

export interface TabGeometry {
  readonly width: number;
  readonly height: number;
  readonly strings: number;
  /** Width of a column. */
  readonly column: number;
  readonly systems: TabSystem[];
}

export const COLUMN = 36;
const LEFT = 26;
export const LINE_GAP = 21;
/** Above the lines: pick strokes. Below: fingers, shifts. */
const ABOVE = 34;
const BELOW = 46;

export const systemHeight = (strings: number): number => ABOVE + (strings - 1) * LINE_GAP + BELOW;

/** Width of a letter in a sign of more than three, which is drawn smaller. */
const SMALL_LETTER = 7.4;

/** Width of a column in which the longest sign of the line has room. */
export const columnWidth = (columns: readonly TabColumn[]): number =>
  columns.reduce((wide, { sign }) => Math.max(wide, sign && sign.length > 3 ? SMALL_LETTER * sign.length + 8 : 0), COLUMN);

/** Breaks columns into systems that fit the width; a system holds four columns at least. */
export function tabGeometry(columns: number, strings: number, width: number, column = COLUMN): TabGeometry {
  const fit = Math.max(4, Math.floor((width - LEFT - 8) / column));
  const count = Math.max(1, Math.ceil(columns / fit));
  const systems = Array.from({ length: count }, (_, k) => ({
    from: k * fit,
    to: Math.min(columns, (k + 1) * fit),
    top: k * systemHeight(strings),
  }));
  return { width: Math.max(width, LEFT + 8 + 4 * column), height: count * systemHeight(strings), strings, column, systems };
}

export const systemOf = (g: TabGeometry, column: number): TabSystem =>
  g.systems.find((s) => column < s.to) ?? g.systems[g.systems.length - 1]!;
export const columnX = (g: TabGeometry, s: TabSystem, column: number): number => LEFT + (column - s.from + 0.5) * g.column;
export const lineY = (s: TabSystem, string: number): number => s.top + ABOVE + (string - 1) * LINE_GAP;
export const strokeY = (s: TabSystem): number => s.top + 14;
export const fingerY = (g: TabGeometry, s: TabSystem): number => lineY(s, g.strings) + 24;

/** Moves a choice of column along the line; stays inside. Null for keys that are the view's. */
export function stepColumn(g: TabGeometry, column: number, key: string): number | null {
  const last = g.systems[g.systems.length - 1]!.to - 1;
  const to = { ArrowRight: column + 1, ArrowLeft: column - 1, Home: 0, End: last }[key];
  return to === undefined ? null : Math.max(0, Math.min(last, to));
}
