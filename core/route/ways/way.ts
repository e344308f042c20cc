import { placeIndex } from '../../place';
import { fail } from '../../errors';
import type { Option, State } from '../../fingering';
import type { ScaledNeck } from '../../neck';
import type { ConnectRequest, Instrument, Place, ScaleRef, Shape } from '../../types';
import { midiAt } from '../line';
import type { Line } from '../route';

/** What every way is given: the rungs from start to goal in the order of travel, and whether the line goes up. */
export interface Crossing {
  /** The instrument. */
  readonly instrument: Instrument;
  /** The scale on its tonic. */
  readonly ref: ScaleRef;
  /** The neck with its scale. */
  readonly neck: ScaledNeck;
  /** The shapes that are crossed. */
  readonly rungs: Shape[];
  /** Indices of the rungs in the ladder. */
  readonly numbers: number[];
  /** Up the neck, or down. */
  readonly up: boolean;
  /** What was asked for. */
  readonly request: ConnectRequest;
}

/** The lines that a way allows. */
export interface Ways {
  /** The best of these comes before the others, whatever it costs. */
  readonly preferred?: Line[];
  /** Lines that may be played. */
  readonly lines: Line[];
  /** Used where no hand can play any of the others. */
  readonly otherwise?: Line[];
}

/** Which places a shape has. */
export const placeSet = (places: readonly Place[]): Set<number> => new Set(places.map(placeIndex));

/** A part of a line: the places it may use, and the rung it follows (-1 between rungs). */
export interface Part {
  /** Places in playing order. */
  readonly places: readonly Place[];
  /** The rung they are of. */
  readonly rung: number;
  /** Fewest notes played in it. */
  readonly least: number;
}

/** Whether one state may follow another across a change of parts; `to` counts the parts. */
export type MayCross = (a: State, b: State, to: number) => boolean;

/** Notes played in a rung at least, so that the hand has been there. */
export const ARRIVED = 3;

/**
 * A line that rises (or falls) through one part after the other, a note a pitch: it begins with the outermost pitch of
 * the first part, ends with that of the last, and changes parts where `mayCross` allows, each part used in its turn.
 * A part of at least n notes is n stages of one tag each; only the last of them may be dwelt on.
 */
export function lineThrough({ neck, up }: Crossing, parts: Part[], mayCross: MayCross): Line {
  const stages = parts.flatMap((part, index) =>
    Array.from({ length: part.least }, (_, k) => ({ part, index, dwell: k === part.least - 1 })),
  );
  const byPitch = new Map<number, Option[]>();
  stages.forEach(({ part }, tag) => {
    for (const key of placeSet(part.places)) {
      const p = { string: Math.floor(key / 64), fret: key % 64, tag };
      const midi = midiAt(neck, p);
      byPitch.set(midi, [...(byPitch.get(midi) ?? []), p]);
    }
  });
  const pitches = (part: Part): number[] => part.places.map((p) => midiAt(neck, p));
  const first = (up ? Math.min : Math.max)(...pitches(parts[0]!));
  const last = (up ? Math.max : Math.min)(...pitches(parts[parts.length - 1]!));
  const [low, high] = up ? [first, last] : [last, first];
  const line = [...byPitch.keys()].filter((m) => m >= low && m <= high).sort((a, b) => (up ? a - b : b - a));
  const end = stages.length - 1;
  return {
    options: line.map((m) => byPitch.get(m) ?? []),
    rungOf: stages.map((s) => s.part.rung),
    startsAt: (s) => s.tag === 0,
    endsAt: (s, k) => k === line.length - 1 && s.tag === end,
    follows: (a, b) => {
      if (a.tag === b.tag) return stages[a.tag]!.dwell;
      if (b.tag !== a.tag + 1) return false;
      return stages[a.tag]!.index === stages[b.tag]!.index || mayCross(a, b, stages[b.tag]!.index);
    },
  };
}

/** A line whose places are settled. */
export const settledLine = (places: readonly (Place & { readonly rung: number })[], numbers: number[]): Line => ({
  options: places.map(({ string, fret, rung }) => [{ string, fret, tag: rung }]),
  rungOf: numbers,
});

/** The cells of a rung as places, lowest string first. */
export const cellsIn = (s: Shape): Place[][] => s.cells.map((c) => c.frets.map((fret) => ({ string: c.string, fret })));

/** The strings asked for, or throws where they are not as many as the way needs, or not on the instrument. */
export function checkStrings(
  { instrument, request }: Crossing,
  field: string,
  counts: { readonly min: number; readonly max: number },
): number[] | null {
  const { strings } = request;
  if (!strings?.length) return null;
  const most = instrument.strings.length;
  if (strings.length < counts.min || strings.length > counts.max || new Set(strings).size !== strings.length)
    fail(
      'BAD_OPTION',
      field,
      `${field}: this way takes ${counts.min === counts.max ? counts.min : `${counts.min} to ${counts.max}`} different strings.`,
    );
  if (strings.some((s) => !Number.isInteger(s) || s < 1 || s > most))
    fail('BAD_OPTION', field, `${field}: strings are numbered 1 to ${most}.`);
  return strings;
}
