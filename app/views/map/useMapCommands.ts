import { useMemo } from 'react';
import { LABELS, type StudyBody } from '../../../contract';
import type { KeyCommand } from '../../shell/keys';
import { useAppDispatch } from '../../store';
import { change, type Now } from '../../store/change';
import { redone, undone } from '../../store/editor';
import { buildNext, changeKey, leadRoot, stepRung, toRoot } from '../../store/moves';

interface On {
  hear: () => void;
  showKeys: () => void;
  toggleTheme: () => void;
}

const openPart = (name: string): void => document.querySelector<HTMLElement>(`[data-part="${name}"]`)?.click();

/** The root on the next string that a rung has one on, thinner (-1) or thicker (1). */
function rootStep({ body, shapes, current, shape }: Now, by: 1 | -1): Partial<StudyBody> | null {
  const root = leadRoot(shape);
  for (let string = (root?.string ?? 0) + by; string >= 1 && string <= body.instrument.strings.length; string += by) {
    const found = toRoot(body.layout, shapes, current, { string });
    if (found) return found;
  }
  return null;
}

/** Which way up the ladder lies to the right: a left-handed neck is drawn from the right. */
const rightward = ({ body }: Now): 1 | -1 => (body.instrument.handedness === 'left' ? -1 : 1);

const nextLabels = ({ body }: Now): Partial<StudyBody> => ({ labels: LABELS[(LABELS.indexOf(body.labels) + 1) % LABELS.length] });

/** Everything the Map does from the keyboard, in the order the list of keys shows it. */
export function useMapCommands({ hear, showKeys, toggleTheme }: On): KeyCommand[] {
  const dispatch = useAppDispatch();
  return useMemo(() => {
    const on = (make: Parameters<typeof change>[0]) => () => void dispatch(change(make));
    return [
      { keys: ['ArrowRight'], shown: '→', does: 'the rung to the right', run: on((n) => stepRung(n.shapes, n.current, rightward(n))) },
      {
        keys: ['ArrowLeft'],
        shown: '←',
        does: 'the rung to the left',
        run: on((n) => stepRung(n.shapes, n.current, rightward(n) === 1 ? -1 : 1)),
      },
      { keys: ['ArrowUp'], shown: '↑', does: 'root on the next thinner string', run: on((n) => rootStep(n, -1)) },
      { keys: ['ArrowDown'], shown: '↓', does: 'root on the next thicker string', run: on((n) => rootStep(n, 1)) },
      { keys: [']'], shown: ']', does: 'key up a half step, the shape goes with it', run: on((n) => changeKey(n.body, 1)) },
      { keys: ['['], shown: '[', does: 'key down a half step', run: on((n) => changeKey(n.body, -1)) },
      { keys: ['l'], shown: 'L', does: 'labels: degrees, notes, fingers, frets, blank', run: on(nextLabels) },
      { keys: [' '], shown: 'Space', does: 'hear it up and down, or stop', run: hear },
      { keys: ['b'], shown: 'B', does: 'grown layout: build it up, one string more', run: on((n) => buildNext(n.body)) },
      { keys: ['s'], shown: 'S', does: 'choose tonic and scale', run: () => openPart('tonic and scale') },
      { keys: ['t'], shown: 'T', does: 'choose strings and tuning', run: () => openPart('strings and tuning') },
      { keys: ['y'], shown: 'Y', does: 'choose the layout', run: () => openPart('layout') },
      { keys: ['r'], shown: 'R', does: 'choose the root place', run: () => openPart('root') },
      { keys: ['o'], shown: 'O', does: 'lay a second scale over it', run: () => openPart('scale laid over') },
      { keys: ['c'], shown: 'C', does: 'mark the tones of a chord', run: () => openPart('chord') },
      { keys: ['g'], shown: 'G', does: 'which shape lies under a grip', run: () => openPart('grip') },
      { keys: ['f'], shown: 'F', does: 'roots or chosen degrees only', run: () => openPart('notes that stand out') },
      { keys: ['p'], shown: 'P', does: 'print or export', run: () => openPart('print or export') },
      { keys: ['mod+z'], shown: 'Ctrl Z', does: 'undo', run: () => dispatch(undone()) },
      { keys: ['mod+shift+z', 'mod+y'], shown: 'Ctrl Shift Z', does: 'redo', run: () => dispatch(redone()) },
      { keys: ['d'], shown: 'D', does: 'light or dark', run: toggleTheme },
      { keys: ['?'], shown: '?', does: 'all keys', run: showKeys },
    ];
  }, [dispatch, hear, showKeys, toggleTheme]);
}
