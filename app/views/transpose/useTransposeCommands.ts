import { useMemo } from 'react';
import type { KeyCommand } from '../../shell/keys';
import { useAppDispatch } from '../../store';
import { redone, undone } from '../../store/editor';
import type { StudyMove } from '../../store/transpose';

interface On {
  setMove: (make: (move: StudyMove) => StudyMove) => void;
  toggleTheme: () => void;
  showKeys: () => void;
}

const focusCard = (name: string): void => document.querySelector<HTMLElement>(`section[aria-label="${name}"] :is(select, button)`)?.focus();

/** Everything Transpose does from the keyboard, in the order the list of keys shows it. */
export function useTransposeCommands({ setMove, toggleTheme, showKeys }: On): KeyCommand[] {
  const dispatch = useAppDispatch();
  return useMemo(
    () => [
      { keys: ['1'], shown: '1', does: 'another key', run: () => focusCard('Another key') },
      { keys: ['2'], shown: '2', does: 'another root string', run: () => focusCard('Another root string') },
      { keys: ['3'], shown: '3', does: 'another mode', run: () => focusCard('Another mode') },
      { keys: ['4'], shown: '4', does: 'another tuning', run: () => focusCard('Another tuning') },
      {
        keys: [']'],
        shown: ']',
        does: 'a half step up',
        run: () => setMove((m) => ({ kind: 'key', by: (m.kind === 'key' ? m.by : 0) + 1 })),
      },
      {
        keys: ['['],
        shown: '[',
        does: 'a half step down',
        run: () => setMove((m) => ({ kind: 'key', by: (m.kind === 'key' ? m.by : 0) - 1 })),
      },
      { keys: ['mod+z'], shown: 'Ctrl Z', does: 'undo', run: () => dispatch(undone()) },
      { keys: ['mod+shift+z', 'mod+y'], shown: 'Ctrl Shift Z', does: 'redo', run: () => dispatch(redone()) },
      { keys: ['d'], shown: 'D', does: 'light or dark', run: toggleTheme },
      { keys: ['?'], shown: '?', does: 'all keys', run: showKeys },
    ],
    [dispatch, setMove, toggleTheme, showKeys],
  );
}
