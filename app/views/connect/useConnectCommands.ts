import type { StudyBody } from '../../../contract';
import type { Shape } from '../../../core';
import { useCommands } from '../../shell/keys';
import { openPart } from '../../shell/open-part';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { askAfresh, endsNow, changeAsked, turned, type RouteEnds } from '../../store/connection';
import { rungOf } from '../../store/study';
import { CONNECT_COMMANDS } from './connect-commands';

interface On {
  readonly hear: () => void;
  readonly keep: () => void;
  readonly stand: () => void;
  readonly ways: number;
  /** Walks along the line. */
  readonly step: (by: 1 | -1) => void;
  /** The chosen note on the next of its places. */
  readonly replace: (by: 1 | -1) => void;
}

/** The goal one rung up or down; the start stays. */
const stepGoal = (ends: RouteEnds, shapes: Shape[], by: 1 | -1): Partial<StudyBody> | null => {
  const shape = shapes[ends.to + by];
  return shape ? askAfresh(ends, { to: rungOf(shape), goal: null }) : null;
};
const stepStart = (ends: RouteEnds, shapes: Shape[], by: 1 | -1): Partial<StudyBody> | null => {
  const shape = shapes[ends.from + by];
  return shape ? askAfresh(ends, { from: rungOf(shape), start: null }) : null;
};

/** Runs Connect's commands. */
export function useConnectCommands({ hear, keep, stand, ways, step, replace }: On): void {
  const dispatch = useAppDispatch();
  const on = (make: (ends: RouteEnds, shapes: Shape[]) => Partial<StudyBody> | null) => () =>
    void dispatch(
      change((now) => {
        const ends = endsNow(now);
        return ends && make(ends, now.shapes);
      }),
    );
  const choose = (k: number) => on((ends) => (k < ways ? changeAsked(ends, { choice: k }) : null));
  const part = (name: string) => () => void openPart(name);
  useCommands('connect', CONNECT_COMMANDS, {
    'way-1': choose(0),
    'way-2': choose(1),
    'way-3': choose(2),
    'way-4': choose(3),
    next: () => step(1),
    before: () => step(-1),
    'place-up': () => replace(1),
    'place-down': () => replace(-1),
    'goal-up': on((ends, shapes) => stepGoal(ends, shapes, 1)),
    'goal-down': on((ends, shapes) => stepGoal(ends, shapes, -1)),
    'start-up': on((ends, shapes) => stepStart(ends, shapes, 1)),
    'start-down': on((ends, shapes) => stepStart(ends, shapes, -1)),
    turn: on((ends) => turned(ends)),
    hear,
    stand,
    keep,
    from: part('from'),
    to: part('to'),
    way: part('way'),
    counts: part('what counts'),
  });
}
