import { useCallback } from 'react';
import { problemsOf, studySchema, upgradeStudy, type Handout, type StudyBody } from '../../../contract';
import type { StudyOf } from '../../files/booklet';
import { store } from '../../store';
import { api } from '../../store/api';
import { LOOSE } from '../../store/editor';

/** Reads the studies that a handout is made of, fresh from the server; the open one is as it stands here. */
export function useStudies(): (handout: Handout) => Promise<StudyOf> {
  return useCallback(async ({ parts }) => {
    const { id: open, body: own } = store.getState().editor;
    const asked = new Set(parts.flatMap((p) => (p.kind !== 'text' && p.study !== null && p.study !== open ? [p.study] : [])));
    const found = new Map<string, StudyBody>();
    for (const id of asked) {
      const query = store.dispatch(api.endpoints.study.initiate(id, { forceRefetch: true }));
      const { data } = await query;
      query.unsubscribe();
      const body = data && (upgradeStudy(data.body) as StudyBody);
      if (body && !problemsOf(studySchema, body).length) found.set(id, body);
    }
    return (id) => (id === null || (id === open && open !== LOOSE) ? own : (found.get(id) ?? null));
  }, []);
}
