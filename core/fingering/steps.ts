import { TICKS } from '../lick/rhythm';
import type { FingeredStep, LineTiming, Move, Place } from '../types';
import type { Line } from './lattice';
import { FREE, type HandModel } from './model';
import type { State } from './states';
import { bestPath, type Path, type Task } from './search';

/** The task of fingering settled places. */
export const settled = (hand: HandModel, places: readonly Place[], pins?: Line['pins']): Task => ({
  hand,
  options: places.map((p) => [p]),
  ...(pins ? { pins } : {}),
});

/** A shift with so many seconds to it costs what the table says; with more it costs less, with less more. */
const USUAL_SECONDS = 0.25;
const [LEAST_PACE, MOST_PACE] = [0.3, 2.5];
/** After a rest of a beat the hand is free to go anywhere. */
const RESTED_PACE = 0.1;
const USUAL_TEMPO = 120;

/** How dear a move of the hand is before each note, from lengths, rests and tempo (judgement, no published source); undefined where no lengths are given. */
export function paceOf({ ticks, rests, tempo = USUAL_TEMPO }: LineTiming): number[] | undefined {
  if (!ticks) return undefined;
  return ticks.map((_, k) => {
    if (k === 0) return 1;
    if ((rests?.[k] ?? 0) >= TICKS) return RESTED_PACE;
    const seconds = (ticks[k - 1]! / TICKS) * (60 / tempo);
    return Math.min(MOST_PACE, Math.max(LEAST_PACE, USUAL_SECONDS / Math.max(seconds, 1e-3)));
  });
}

/** The same task in time: joined, bent, with room to move or without. */
export function timed(task: Task, o: LineTiming): Task {
  const pace = paceOf(o);
  return { ...task, ...(o.joins ? { joins: o.joins } : {}), ...(o.bends ? { bends: o.bends } : {}), ...(pace ? { pace } : {}) };
}

/** The cheapest way to finger settled places. No checks: for the core's own loops. */
export const fingerPath = (m: HandModel, places: readonly Place[], pins?: Line['pins']): FingeredStep[] =>
  stepsOf(m, bestPath(settled(m, places, pins))!);

/** A path as a player reads it: finger, hand fret, and how the hand got there. */
export function stepsOf(m: HandModel, path: Path): FingeredStep[] {
  const hands = settledHands(m, path.states);
  return path.states.map((s, k) => ({
    string: s.string,
    fret: s.fret,
    finger: s.finger as FingeredStep['finger'],
    handFret: hands[k]!,
    move: k === 0 ? 'start' : moveOf(s, hands[k]!, path.states[k - 1]!, hands[k - 1]!),
    costMm: path.added[k]!,
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
