import { useMemo } from 'react';
import type { KeyCommand } from '../../shell/keys';
import { useAppDispatch } from '../../store';
import { redone, undone } from '../../store/editor';
import type { LickEdit } from './useLickEdit';

interface On {
  edit: LickEdit;
  count: number;
  hear: () => void;
  showKeys: () => void;
  toggleTheme: () => void;
}

const DIGITS = Array.from({ length: 10 }, (_, k) => String(k));

/** Everything that a lick does from the keyboard, in the order the list of keys shows it. */
export function useLickCommands({ edit, count, hear, showKeys, toggleTheme }: On): KeyCommand[] {
  const dispatch = useAppDispatch();
  return useMemo(
    () => [
      { keys: ['ArrowRight'], shown: '→', does: 'next note', run: () => edit.setCaret(Math.min(count - 1, edit.caret + 1)) },
      { keys: ['ArrowLeft'], shown: '←', does: 'note before', run: () => edit.setCaret(Math.max(-1, edit.caret - 1)) },
      {
        keys: ['shift+ArrowRight'],
        shown: 'Shift →',
        does: 'choose the next note too: lengths go to all that are chosen',
        run: () => edit.extend(1),
      },
      { keys: ['shift+ArrowLeft'], shown: 'Shift ←', does: 'choose the note before too', run: () => edit.extend(-1) },
      { keys: DIGITS, shown: '0 to 24', does: 'fret of this note, one digit or two', run: (key: string) => edit.digit(Number(key)) },
      { keys: ['ArrowUp'], shown: '↑', does: 'same pitch on the next thinner string', run: () => edit.string(-1) },
      { keys: ['ArrowDown'], shown: '↓', does: 'same pitch on the next thicker string', run: () => edit.string(1) },
      { keys: [']'], shown: ']', does: 'a fret up', run: () => edit.fret(1) },
      { keys: ['['], shown: '[', does: 'a fret down', run: () => edit.fret(-1) },
      { keys: ['+', '='], shown: '+', does: 'longer', run: () => edit.longer(1) },
      { keys: ['-'], shown: '−', does: 'shorter', run: () => edit.longer(-1) },
      { keys: ['.'], shown: '.', does: 'dotted, or not', run: edit.dot },
      { keys: ['/'], shown: '/', does: 'triplet, or not', run: edit.triplet },
      { keys: ['r'], shown: 'R', does: 'rest', run: edit.rest },
      { keys: ['h'], shown: 'H', does: 'hammer-on', run: () => edit.join('hammer') },
      { keys: ['p'], shown: 'P', does: 'pull-off', run: () => edit.join('pull') },
      { keys: ['s'], shown: 'S', does: 'slide', run: () => edit.join('slide') },
      { keys: ['x'], shown: 'X', does: 'tap with the other hand', run: () => edit.join('tap') },
      { keys: ['t'], shown: 'T', does: 'tie', run: () => edit.join('tie') },
      { keys: ['b'], shown: 'B', does: 'bend: a half step more', run: edit.bend },
      { keys: ['m'], shown: 'M', does: 'palm muted, or not', run: edit.mute },
      { keys: ['Backspace', 'Delete'], shown: 'Delete', does: 'remove the note', run: edit.remove },
      { keys: [' '], shown: 'Space', does: 'hear it, or stop', run: hear },
      { keys: ['mod+z'], shown: 'Ctrl Z', does: 'undo', run: () => dispatch(undone()) },
      { keys: ['mod+shift+z', 'mod+y'], shown: 'Ctrl Shift Z', does: 'redo', run: () => dispatch(redone()) },
      { keys: ['d'], shown: 'D', does: 'light or dark', run: toggleTheme },
      { keys: ['?'], shown: '?', does: 'all keys', run: showKeys },
    ],
    [dispatch, edit, count, hear, showKeys, toggleTheme],
  );
}
