import type { FingeredStep, Move, Place } from '../types';
import type { Line, State } from './lattice';
import { FREE, type HandModel } from './model';
import { bestPath, type Path, type Task } from './search';

/** The task of fingering settled places. */
export const settled = (hand: HandModel, places: readonly Place[], pins?: Line['pins']): Task => ({
  hand,
  options: places.map((p) => [p]),
  ...(pins ? { pins } : {}),
});

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

/** The first that applies of start, slide, shift, stretch, roll, stay (rulings, 16). */
function moveOf(s: State, hand: number, last: State, lastHand: number): Move {
  if (hand !== lastHand) return s.finger === last.finger && s.string === last.string && s.fret !== last.fret ? 'slide' : 'shift';
  if (s.reachMm > 0) return 'stretch';
  return s.finger !== 0 && s.finger === last.finger && s.string !== last.string && s.fret === last.fret ? 'roll' : 'stay';
}
