import { alphabetOf, type Alphabet } from './letters';

/** A page as a list of marks, in points (1/72 inch), y downwards. Writers turn it into SVG or PDF; nothing here draws. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly items: Item[];
}

export type Item =
  | {
      readonly kind: 'line';
      readonly x1: number;
      readonly y1: number;
      readonly x2: number;
      readonly y2: number;
      readonly width: number;
      readonly colour: string;
    }
  | {
      readonly kind: 'shape';
      readonly x: number;
      readonly y: number;
      readonly path: string;
      readonly fill: string | null;
      readonly stroke: string | null;
      readonly width: number;
      readonly dashed?: boolean;
    }
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly size: number;
      readonly text: string;
      readonly bold: boolean;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly colour: string;
    };

/** How wide a text is, in points. */
export type Measure = (text: string, size: number, bold: boolean) => number;

export type Paper = 'a4' | 'letter';
export type Turn = 'portrait' | 'landscape';

/** ISO 216 A4 is 210 by 297 mm; US Letter 8.5 by 11 inches. In points. */
const SIZES: Record<Paper, [number, number]> = { a4: [(210 / 25.4) * 72, (297 / 25.4) * 72], letter: [612, 792] };

export function pageSize(paper: Paper, turn: Turn): { readonly width: number; readonly height: number } {
  const [short, long] = SIZES[paper];
  return turn === 'portrait' ? { width: short, height: long } : { width: long, height: short };
}

/** Accidentals, and the signs of lengths. */
const SIGN = /([♭♯♮\u{1D100}-\u{1D1FF}]+)/u;
export interface Run {
  readonly text: string;
  /** True for accidentals, which come from the music font. */
  readonly sign: boolean;
}

/** Text cut where the font changes. */
export const runsOf = (text: string): Run[] =>
  text
    .split(SIGN)
    .map((part, k) => ({ text: part, sign: k % 2 === 1 }))
    .filter((r) => r.text !== '');

/** Plain text cut where its alphabet changes; what no font has stays with the Latin. */
export function alphabetRuns(text: string): { readonly text: string; readonly alphabet: Alphabet }[] {
  const runs: { text: string; readonly alphabet: Alphabet }[] = [];
  for (const letter of text) {
    const alphabet = alphabetOf(letter) ?? 'latin';
    const last = runs.at(-1);
    if (last?.alphabet === alphabet) last.text += letter;
    else runs.push({ text: letter, alphabet });
  }
  return runs;
}

/** The music font draws accidentals small and low: set larger and raised, in ems of the text. Flats sit lower than sharps. */
export const SIGN_SCALE = 1.15;
export const signRise = (text: string): number => (text.startsWith('♭') || text.startsWith('𝄫') ? 0.08 : 0.18);

export const rectPath = (w: number, h: number, r: number): string =>
  `M${-w / 2 + r} ${-h / 2}H${w / 2 - r}Q${w / 2} ${-h / 2} ${w / 2} ${-h / 2 + r}V${h / 2 - r}Q${w / 2} ${h / 2} ${w / 2 - r} ${h / 2}H${-w / 2 + r}Q${-w / 2} ${h / 2} ${-w / 2} ${h / 2 - r}V${-h / 2 + r}Q${-w / 2} ${-h / 2} ${-w / 2 + r} ${-h / 2}Z`;

/** A plate with a beak towards the nut: at the left, or for a left-handed player at the right. */
export function beakPath(w: number, h: number, left = false): string {
  const by = left ? -1 : 1;
  return `M${(-by * w) / 2} 0L${by * (-w / 2 + h * 0.38)} ${-h / 2}H${(by * w) / 2}V${h / 2}H${by * (-w / 2 + h * 0.38)}Z`;
}
