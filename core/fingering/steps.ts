import type { FingeredStep, Join, Move, Place } from '../types';
import type { Line, State } from './lattice';
import { FREE, type HandModel } from './model';
import { bestPath, type Path, type Task } from './search';

/** The task of fingering settled places. */
export const settled = (hand: HandModel, places: readonly Place[], pins?: Line['pins']): Task => ({
  hand,
  options: places.map((p) => [p]),
  ...(pins ? { pins } : {}),
});

/**
 * What a join costs that no hand can make, one finger hammered onto itself or two that slide as one (common practice, no
 * published source): more than any way round it, and finite, so that fingers settled by the player are obeyed.
 */
const NO_HAND_CAN = 10_000;
/** How a note is joined to the one before, as the tag of its place. */
const TAGS: Partial<Record<Join, number>> = { hammer: 1, pull: 1, slide: 2 };

/** The same task where some notes are joined: two stopped notes of a hammer-on or pull-off take two fingers, of a slide one. */
export function slurred(task: Task, joins: readonly (Join | null | undefined)[] = []): Task {
  const tags = task.options.map((_, k) => TAGS[joins[k] ?? 'tie'] ?? 0);
  if (!tags.some(Boolean)) return task;
  const options = task.options.map((o, k) => (tags[k] ? o.map((p) => ({ ...p, tag: tags[k] })) : o));
  const wrong = (a: State, b: State): boolean => a.finger > 0 && b.finger > 0 && (a.finger === b.finger) === (b.tag === TAGS.hammer);
  return { ...task, options, extra: (a, b) => (b.tag && wrong(a, b) ? NO_HAND_CAN : 0) };
}

/** The cheapest way to finger settled places. No checks: for the core's own loops. */
export const fingerPath = (m: HandModel, places: readonly Place[], pins?: Line['pins']): FingeredStep[] =>
  stepsOf(m, bestPath(settled(m, places, pins)) as Path);

/** A path as a player reads it: finger, hand fret, and how the hand got there. */
export function stepsOf(m: HandModel, path: Path): FingeredStep[] {
  const hands = settledHands(m, path.states);
  return path.states.map((s, k) => ({
    string: s.string,
    fret: s.fret,
    finger: s.finger as FingeredStep['finger'],
    handFret: hands[k],
    move: k === 0 ? 'start' : moveOf(s, hands[k], path.states[k - 1], hands[k - 1]),
    costMm: path.added[k],
  }));
}

/** A hand still free on leading open strings waits where it will first come down. */
function settledHands(m: HandModel, states: State[]): number[] {
  const first = states.find((s) => s.hand !== FREE)?.hand ?? m.nut + 1;
  return states.map((s) => (s.hand === FREE ? first : s.hand));
}

/** The first that applies of start, slide, shift, stretch, roll, stay (docs/decisions.md). */
function moveOf(s: State, hand: number, last: State, lastHand: number): Move {
  if (hand !== lastHand) return s.finger === last.finger && s.string === last.string && s.fret !== last.fret ? 'slide' : 'shift';
  if (s.reachMm > 0) return 'stretch';
  return s.finger !== 0 && s.finger === last.finger && s.string !== last.string && s.fret === last.fret ? 'roll' : 'stay';
}
