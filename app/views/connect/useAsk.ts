import { useCallback } from 'react';
import type { StudyBody } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { endsNow, type RouteEnds } from '../../store/connection';

/** Puts a change of what Connect is asked through the store as it stands then. */
export function useAsk(): (make: (ends: RouteEnds) => Partial<StudyBody>) => void {
  const dispatch = useAppDispatch();
  return useCallback(
    (make) =>
      void dispatch(
        change((now) => {
          const ends = endsNow(now);
          return ends && make(ends);
        }),
      ),
    [dispatch],
  );
}
