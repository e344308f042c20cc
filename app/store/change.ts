import type { StudyBody } from '../../contract';
import type { Shape } from '../../core';
import { edited, type EditorState } from './editor';
import { selectLaid, selectRung } from './study';

/** What a change may look at: the study as it stands now, its shapes and which of them is chosen. */
export interface Now {
  body: StudyBody;
  shapes: Shape[];
  current: number;
  shape: Shape | null;
}

/** A change worked out from the study as it stands when it happens; null changes nothing. Handlers that dispatch it never go stale. */
export const change =
  (make: (now: Now) => Partial<StudyBody> | null) =>
  (dispatch: (action: ReturnType<typeof edited>) => unknown, getState: () => { editor: EditorState }): void => {
    const state = getState();
    const { body } = state.editor;
    if (!body) return;
    const shapes = selectLaid(state)?.shapes ?? [];
    const current = selectRung(state);
    const fields = make({ body, shapes, current, shape: shapes[current] ?? null });
    if (fields) dispatch(edited(fields));
  };
