import type { StudyMove } from '../../../contract';
import { useCommands } from '../../shell/keys';
import { useAppDispatch } from '../../store';
import { keyStepped } from '../../store/transposing';
import { TRANSPOSE_COMMANDS } from './transpose-commands';

/** Goes to a move; Tab then goes into what it can be set to. */
const toMove = (kind: StudyMove['kind']) => () => {
  const move = document.querySelector<HTMLElement>(`[data-move=${kind}]`);
  move?.click();
  move?.focus();
};

/** Runs Transpose's commands. */
export function useTransposeCommands(): void {
  const dispatch = useAppDispatch();
  const by = (step: number) => () => void dispatch(keyStepped(step));
  useCommands('transpose', TRANSPOSE_COMMANDS, {
    key: toMove('key'),
    root: toMove('root'),
    mode: toMove('mode'),
    tuning: toMove('tuning'),
    up: by(1),
    down: by(-1),
  });
}
