import { useCommands } from '../../shell/keys';
import type { StudyMove } from '../../store/transpose';
import { TRANSPOSE_COMMANDS } from './transpose-commands';

/** Goes to a move; Tab then goes into what it can be set to. */
const toMove = (kind: StudyMove['kind']) => () => {
  const move = document.querySelector<HTMLElement>(`[data-move=${kind}]`);
  move?.click();
  move?.focus();
};

/** Runs Transpose's commands. */
export function useTransposeCommands(setMove: (make: (move: StudyMove) => StudyMove) => void): void {
  const by = (step: number) => () => setMove((m) => ({ kind: 'key', by: (m.kind === 'key' ? m.by : 0) + step }));
  useCommands('transpose', TRANSPOSE_COMMANDS, {
    key: toMove('key'),
    root: toMove('root'),
    mode: toMove('mode'),
    tuning: toMove('tuning'),
    up: by(1),
    down: by(-1),
  });
}
