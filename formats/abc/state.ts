import type { LeftKind } from '../left';
import type { Extra, Local, Marks, Measure } from '../score/line';
import type { Bars } from '../score/order';
import type { KeyField } from './key';

/** A voice of a tune, in measures as the barlines have it. */
export interface AbcVoice {
  name: string;
  readonly measures: Measure[];
  readonly bars: Bars[];
  readonly extras: Extra[];
}

/** What music of a voice goes on from one line to the next. */
export interface Music {
  /** Pitches that are tied on, MIDI numbers; null: none. */
  tied: readonly number[] | null;
  /** Slurs that are open. */
  slurs: number;
  /** A slur comes to the next note. */
  slurred: boolean;
  /** How much longer or shorter the next notes are, and how many. */
  tuplet: { readonly factor: number; left: number } | null;
  /** A broken rhythm that waits for its second note: its factor, 0 for none. */
  broken: number;
  /** Accidentals of this bar by letter. */
  accidentals: Map<string, number>;
  /** Decorations for the next note. */
  marks: string[];
}

/** What a voice has come to. */
export interface VoiceState extends AbcVoice {
  key: KeyField;
  /** Unit of length in quarters; null: by the meter. */
  readonly unit: number | null;
  readonly meter: [number, number];
  readonly tempo: number | null;
  /** Words of the score that are cut off: a tuplet, a tie or a slur that goes on. */
  readonly music: Music;
  /** The measure that is being filled, and how far, in quarters. */
  open: Measure;
  at: number;
  /** What the next barline knows of this measure. */
  forward: boolean;
  ending: ReadonlySet<number> | null;
}

/** What the tune says for every voice that has not said it itself. */
export interface Head {
  key: KeyField;
  unit: number | null;
  meter: [number, number];
  tempo: number | null;
}

/** A barline with its dots, and the numbers of an ending that begins behind it. */
export interface BarSign {
  readonly sign: string;
  readonly ending: ReadonlySet<number> | null;
}

const PARTS: LeftKind = { one: 'order of parts (P:)', many: 'orders of parts (P:)', why: 'parts are taken as they stand' };
const OVERLAY: LeftKind = { one: 'voice laid over a bar (&)', many: 'voices laid over a bar (&)', why: 'a lick is one line' };
export const LEFT = { PARTS, OVERLAY };

/** The unit where none is given: a sixteenth in meters below three quarters of a whole note, else an eighth (ABC 2.1, section 3.1.7). */
export const unitOf = ({ unit, meter }: Pick<Head, 'unit' | 'meter'>): number => unit ?? (meter[0] / meter[1] < 0.75 ? 0.25 : 0.5);

/** A note put where the voice is. Field by field: spreading records makes each note a slow one, and there may be thousands. */
export function put(
  v: VoiceState,
  marks: Marks,
  { length, midi, tieStop, slurred }: Pick<Local, 'length' | 'midi' | 'tieStop' | 'slurred'>,
): void {
  const { place, join, bend, release, muted, finger, signs, stroke } = marks;
  v.open.notes.push({
    place,
    join,
    bend,
    release,
    muted,
    finger,
    signs,
    stroke,
    length,
    midi,
    tieStop,
    slurred,
    at: v.at,
    bar: v.measures.length,
    staff: 1,
    voice: '1',
  });
  v.at += length;
}

/** The notes that begin where the last one does, the last first; looked for from the end, so that a bar of thousands costs no more than a short one. */
export function struckLast({ notes }: Measure): Local[] {
  const last = notes.at(-1);
  let from = notes.length;
  while (last && from > 0 && notes[from - 1]!.at === last.at) from--;
  return notes.slice(from).reverse();
}
