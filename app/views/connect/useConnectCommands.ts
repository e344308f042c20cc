import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import type { KeyCommand } from '../../shell/keys';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { redone, undone } from '../../store/editor';
import { ask, endsNow, tell, turned, type Ends } from '../../store/connection';
import { rungOf } from '../../store/study';
import type { Shape } from '../../../core';

interface On {
  hear: () => void;
  keep: () => void;
  showKeys: () => void;
  toggleTheme: () => void;
  ways: number;
  /** Walks along the line. */
  step: (by: 1 | -1) => void;
  /** The chosen note on the next of its places. */
  replace: (by: 1 | -1) => void;
}

const openPart = (name: string): void => document.querySelector<HTMLElement>(`[data-part="${name}"]`)?.click();

/** The goal one rung up or down; the start stays. */
const stepGoal = (ends: Ends, shapes: Shape[], by: 1 | -1): Partial<StudyBody> | null => {
  const shape = shapes[ends.to + by];
  return shape ? ask(ends, { to: rungOf(shape), goal: null }) : null;
};
const stepStart = (ends: Ends, shapes: Shape[], by: 1 | -1): Partial<StudyBody> | null => {
  const shape = shapes[ends.from + by];
  return shape ? ask(ends, { from: rungOf(shape), start: null }) : null;
};

const DIGITS = ['1', '2', '3', '4'];

/** Everything Connect does from the keyboard, in the order the list of keys shows it. */
export function useConnectCommands({ hear, keep, showKeys, toggleTheme, ways, step, replace }: On): KeyCommand[] {
  const dispatch = useAppDispatch();
  return useMemo(() => {
    const on = (make: (ends: Ends, shapes: Shape[]) => Partial<StudyBody> | null) => () =>
      void dispatch(
        change((now) => {
          const ends = endsNow(now);
          return ends && make(ends, now.shapes);
        }),
      );
    const choose = DIGITS.map((digit, k) => ({
      keys: [digit],
      shown: digit,
      does: `way ${digit} of those offered`,
      run: on((ends) => (k < ways ? tell(ends, { choice: k }) : null)),
    }));
    return [
      ...choose,
      { keys: ['ArrowRight'], shown: '→', does: 'next note of the line', run: () => step(1) },
      { keys: ['ArrowLeft'], shown: '←', does: 'note before', run: () => step(-1) },
      { keys: ['ArrowUp'], shown: '↑', does: 'this note on its next place up the neck', run: () => replace(1) },
      { keys: ['ArrowDown'], shown: '↓', does: 'this note on its next place down the neck', run: () => replace(-1) },
      { keys: [']'], shown: ']', does: 'goal one rung up', run: on((ends, shapes) => stepGoal(ends, shapes, 1)) },
      { keys: ['['], shown: '[', does: 'goal one rung down', run: on((ends, shapes) => stepGoal(ends, shapes, -1)) },
      { keys: ['}'], shown: '}', does: 'start one rung up', run: on((ends, shapes) => stepStart(ends, shapes, 1)) },
      { keys: ['{'], shown: '{', does: 'start one rung down', run: on((ends, shapes) => stepStart(ends, shapes, -1)) },
      { keys: ['v'], shown: 'V', does: 'turn round: back the way it came', run: on((ends) => turned(ends)) },
      { keys: [' '], shown: 'Space', does: 'hear it, or stop', run: hear },
      { keys: ['k'], shown: 'K', does: 'keep this route with the study', run: keep },
      { keys: ['f'], shown: 'F', does: 'choose where it begins', run: () => openPart('from') },
      { keys: ['t'], shown: 'T', does: 'choose where it goes', run: () => openPart('to') },
      { keys: ['w'], shown: 'W', does: 'choose the way', run: () => openPart('way') },
      { keys: ['c'], shown: 'C', does: 'what counts', run: () => openPart('what counts') },
      { keys: ['mod+z'], shown: 'Ctrl Z', does: 'undo', run: () => dispatch(undone()) },
      { keys: ['mod+shift+z', 'mod+y'], shown: 'Ctrl Shift Z', does: 'redo', run: () => dispatch(redone()) },
      { keys: ['d'], shown: 'D', does: 'light or dark', run: toggleTheme },
      { keys: ['?'], shown: '?', does: 'all keys', run: showKeys },
    ];
  }, [dispatch, hear, keep, showKeys, toggleTheme, ways, step, replace]);
}
