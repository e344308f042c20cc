import { LABELS, type StudyBody } from '../../../contract';
import type { Shape } from '../../../core';
import type { KeyCommand } from '../../shell/keys';
import { useAppDispatch } from '../../store';
import { edited, redone, undone } from '../../store/editor';
import { changeKey, leadRoot, stepRung, toRoot } from '../../store/moves';

interface On {
  body: StudyBody;
  shapes: Shape[];
  current: number;
  hear: () => void;
  showKeys: () => void;
  toggleTheme: () => void;
}

const openPart = (name: string): void => document.querySelector<HTMLElement>(`[data-part="${name}"]`)?.click();

/** Everything the Map does from the keyboard, in the order the list of keys shows it. */
export function useMapCommands({ body, shapes, current, hear, showKeys, toggleTheme }: On): KeyCommand[] {
  const dispatch = useAppDispatch();
  const edit = (fields: Partial<StudyBody> | null): void => void (fields && dispatch(edited(fields)));
  const rootStep = (by: 1 | -1): void => {
    const root = leadRoot(shapes[current] ?? null);
    for (let s = (root?.string ?? 0) + by; s >= 1 && s <= body.instrument.strings.length; s += by) {
      const found = toRoot(shapes, current, { string: s });
      if (found) return edit(found);
    }
  };
  const labels = (): void => edit({ labels: LABELS[(LABELS.indexOf(body.labels) + 1) % LABELS.length] });
  return [
    { keys: ['ArrowRight'], shown: '→', does: 'next rung up the neck', run: () => edit(stepRung(shapes, current, 1)) },
    { keys: ['ArrowLeft'], shown: '←', does: 'next rung down the neck', run: () => edit(stepRung(shapes, current, -1)) },
    { keys: ['ArrowUp'], shown: '↑', does: 'root on the next thinner string', run: () => rootStep(-1) },
    { keys: ['ArrowDown'], shown: '↓', does: 'root on the next thicker string', run: () => rootStep(1) },
    { keys: [']'], shown: ']', does: 'key up a half step, the shape goes with it', run: () => edit(changeKey(body, 1)) },
    { keys: ['['], shown: '[', does: 'key down a half step', run: () => edit(changeKey(body, -1)) },
    { keys: ['l'], shown: 'L', does: 'labels: degrees, notes, fingers, frets, blank', run: labels },
    { keys: [' '], shown: 'Space', does: 'hear it up and down, or stop', run: hear },
    { keys: ['s'], shown: 'S', does: 'choose tonic and scale', run: () => openPart('tonic and scale') },
    { keys: ['t'], shown: 'T', does: 'choose strings and tuning', run: () => openPart('strings and tuning') },
    { keys: ['y'], shown: 'Y', does: 'choose the layout', run: () => openPart('layout') },
    { keys: ['r'], shown: 'R', does: 'choose the root place', run: () => openPart('root') },
    { keys: ['mod+z'], shown: 'Ctrl Z', does: 'undo', run: () => dispatch(undone()) },
    { keys: ['mod+shift+z', 'mod+y'], shown: 'Ctrl Shift Z', does: 'redo', run: () => dispatch(redone()) },
    { keys: ['d'], shown: 'D', does: 'light or dark', run: toggleTheme },
    { keys: ['?'], shown: '?', does: 'all keys', run: showKeys },
  ];
}
