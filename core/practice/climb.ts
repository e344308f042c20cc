import { checkWhole } from '../errors';

/** A tempo ladder: from where to where, in which steps, and how many passes in a row carry a player up or down. Tempos are beats a minute. */
export interface Climb {
  /** Beats a minute at the foot. */
  readonly start: number;
  /** Beats a minute at the top. */
  readonly goal: number;
  /** Beats a minute from rung to rung. */
  readonly step: number;
  /** Clean passes in a row that climb one step, 1 to 10. */
  readonly clean: number;
  /** Missed passes in a row that fall one step, 1 to 10. */
  readonly misses: number;
}

/** How a pass was: clean or a miss. */
export type Rating = 'clean' | 'miss';

/** Where a player stands on a ladder: passes are counted at this tempo. */
export interface Standing {
  /** Beats a minute now. */
  readonly tempo: number;
  /** Clean passes in a row. */
  readonly clean: number;
  /** Misses in a row. */
  readonly misses: number;
}

/** What a tempo ladder may be set to: beats a minute, their step, and passes. */
export const CLIMB_RANGE = Object.freeze({ tempo: { min: 30, max: 260 }, step: { min: 1, max: 40 }, passes: { min: 1, max: 10 } });

/** Throws BAD_OPTION where a ladder is none: a tempo, a step or a count out of range, a goal below the start. */
export function checkClimb({ start, goal, step, clean, misses }: Climb): void {
  const { tempo, step: steps, passes } = CLIMB_RANGE;
  checkWhole('BAD_OPTION', 'start', start, tempo.min, tempo.max);
  checkWhole('BAD_OPTION', 'goal', goal, start, tempo.max);
  checkWhole('BAD_OPTION', 'step', step, steps.min, steps.max);
  checkWhole('BAD_OPTION', 'clean', clean, passes.min, passes.max);
  checkWhole('BAD_OPTION', 'misses', misses, passes.min, passes.max);
}

/**
 * The tempos of a ladder, lowest first; the goal is always its last rung. Example: 60 to 80 by 8 is 60, 68, 76, 80.
 * @example climbTempos({ start: 60, goal: 80, step: 10, clean: 3, misses: 2 }) // [60, 70, 80]
 */
export function climbTempos({ start, goal, step }: Climb): number[] {
  const tempos: number[] = [];
  for (let t = start; t < goal; t += step) tempos.push(t);
  return [...tempos, goal];
}

/** What a rated pass comes to: where the player stands then, one step up or down or none, and whether the goal was held. */
export interface Climbed {
  /** Where the player now stands. */
  readonly standing: Standing;
  /** Up, down or not. */
  readonly moved: -1 | 0 | 1;
  /** This pass made the count of clean passes in a row at the goal full. */
  readonly reached: boolean;
}

/**
 * One rated pass. Clean passes and misses count in a row: one kind empties the other's count. Enough clean ones climb to
 * the next tempo, enough misses fall to the one before, and both counts begin anew there; at the foot one falls no further.
 */
export function climb(c: Climb, at: Standing, rating: Rating): Climbed {
  const clean = rating === 'clean' ? at.clean + 1 : 0;
  const misses = rating === 'miss' ? at.misses + 1 : 0;
  const tempos = climbTempos(c);
  const up = tempos.find((t) => t > at.tempo);
  const down = tempos.findLast((t) => t < at.tempo);
  if (clean >= c.clean && up !== undefined) return { standing: { tempo: up, clean: 0, misses: 0 }, moved: 1, reached: false };
  if (misses >= c.misses) return { standing: { tempo: down ?? at.tempo, clean: 0, misses: 0 }, moved: down === undefined ? 0 : -1, reached: false }; // prettier-ignore
  return { standing: { tempo: at.tempo, clean, misses }, moved: 0, reached: clean === c.clean };
}

/**
 * Where rated passes leave a player, oldest first, each with the tempo it was played at; at the start where there are none.
 * @example standingAfter({ start: 60, goal: 120, step: 5, clean: 1, misses: 2 }, [{ tempo: 60, rating: 'clean' }]).tempo // 65
 */
export function standingAfter(c: Climb, passes: readonly { readonly tempo: number; readonly rating: Rating }[]): Standing {
  const begin: Standing = { tempo: c.start, clean: 0, misses: 0 };
  const at = passes.reduce<Standing>(
    (s, { tempo, rating }) => climb(c, s.tempo === tempo ? s : { tempo, clean: 0, misses: 0 }, rating).standing,
    begin,
  );
  return at.tempo > c.goal ? { tempo: c.goal, clean: 0, misses: 0 } : at.tempo < c.start ? begin : at;
}
