import { fieldsOf } from '../../../core';
import { useCallback } from 'react';
import type { Handout, StudyBody } from '../../../contract';
import type { StudyOf } from '../../files/booklet';
import { store } from '../../store';
import { api } from '../../store/api';
import { LOOSE } from '../../store/editor';

/** Reads the studies that a handout is made of, fresh from the server; the open one is as it stands here. Null where the server did not answer: what is only away is not called gone. */
export function useStudies(): (handout: Handout) => Promise<StudyOf | null> {
  return useCallback(async ({ parts }) => {
    const { id: open, body: own } = store.getState().editor;
    const asked = new Set(parts.flatMap((p) => (p.kind !== 'text' && p.study !== null && p.study !== open ? [p.study] : [])));
    const found = new Map<string, StudyBody>();
    for (const id of asked) {
      const query = store.dispatch(api.endpoints.study.initiate(id, { forceRefetch: true }));
      const { data, error } = await query;
      query.unsubscribe();
      if (error && fieldsOf(error).status !== 404) return null;
      if (data && !data.problems.length) found.set(id, data.body);
    }
    return (id) => (id === null || (id === open && open !== LOOSE) ? own : (found.get(id) ?? null));
  }, []);
}
