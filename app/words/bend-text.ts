import {
  alterDegree,
  CoreError,
  compareScales,
  containing,
  DEGREE_SEMITONES,
  degreesOf,
  isScale,
  nearestScale,
  parentOf,
  scaleTitle,
  nameScale,
  type DegreeName,
  type ScaleRef,
} from '../../core';
import { listWords, scaleName } from './scale-text';

export interface BendHint {
  readonly degree: DegreeName;
  readonly by: -1 | 1;
  /** The scale it makes, which has a name. */
  readonly ref: ScaleRef;
  readonly name: string;
}

/** Moves of one degree by a half step that lead to a scale with a name. */
export function bendHints(ref: ScaleRef): BendHint[] {
  const moves = degreesOf(ref.scale).flatMap((degree) => [-1 as const, 1 as const].map((by) => ({ degree, by })));
  return moves.flatMap((move) => {
    const made = tryAlter(ref, move.degree, move.by);
    return made?.named ? [{ ...move, ref: { tonic: made.tonic, scale: made.scale }, name: made.named }] : [];
  });
}

function tryAlter(ref: ScaleRef, degree: DegreeName, by: -1 | 1): ReturnType<typeof alterDegree> | null {
  try {
    return alterDegree(ref, degree, by);
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** "♭3 → 3, adds 2, leaves out b6"; "nothing" where they are the same. */
export function changeWords(from: ScaleRef, to: ScaleRef): string {
  const { changed, added, dropped } = compareScales(from, to);
  const parts = [
    ...changed.map((c) => `${c.from} → ${c.to}`),
    ...(added.length ? [`adds ${listWords(added)}`] : []),
    ...(dropped.length ? [`leaves out ${listWords(dropped)}`] : []),
  ];
  return parts.join(', ') || 'nothing changes';
}

/** What the scale under bending is: its name and family, or what it alters of the nearest one. */
export function bentWords(scale: ScaleRef['scale']): string {
  if (!isScale(scale)) return '';
  const ref = { tonic: 'C', scale };
  const named = nameScale(degreesOf(scale));
  if (named) {
    const parent = parentOf(ref);
    return parent && parent.mode > 1 ? `${named.name}, mode ${parent.mode} of ${scaleTitle(parent.ref.scale)}` : named.name;
  }
  const degrees = degreesOf(scale);
  const modes = degrees.length < 7 ? containing(degrees.map((d) => DEGREE_SEMITONES[d]!)).slice(0, 3) : [];
  if (modes.length) return `no name of its own: ${degrees.length} notes of ${modes.map((id) => scaleTitle(id)).join(', ')}`;
  const near = nearestScale(scale);
  return `no name of its own: ${near.name}, ${changeWords({ tonic: 'C', scale: near.id }, ref)}`;
}

/** "keeps F# A B C# E; ♭3 → 3". */
export function overWords(base: ScaleRef, over: ScaleRef): string {
  const { kept } = compareScales(base, over);
  return `${scaleName(over)} over it keeps ${kept.join(' ') || 'nothing'}; ${changeWords(base, over)}`;
}
