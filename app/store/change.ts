import type { StudyBody } from '../../contract';
import type { Shape } from '../../core';
import { edited, type EditorState } from './editor';
import { selectLaid, selectRung } from './study';

/** What a change may look at: the study as it stands now, its shapes and which of them is chosen. */
export interface Now {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly current: number;
  readonly shape: Shape | null;
}

/** The study as it stands, or null where none is open. */
export function nowOf(state: { readonly editor: EditorState }): Now | null {
  const { body } = state.editor;
  if (!body) return null;
  const shapes = selectLaid(state)?.shapes ?? [];
  const current = selectRung(state);
  return { body, shapes, current, shape: shapes[current] ?? null };
}

/** A change worked out from the study as it stands when it happens; null changes nothing. Handlers that dispatch it never go stale. */
export const change =
  (make: (now: Now) => Partial<StudyBody> | null) =>
  (dispatch: (action: ReturnType<typeof edited>) => unknown, getState: () => { readonly editor: EditorState }): void => {
    const now = nowOf(getState());
    const fields = now && make(now);
    if (fields) dispatch(edited(fields));
  };
