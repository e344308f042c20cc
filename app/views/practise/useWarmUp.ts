import { useMemo, useSyncExternalStore } from 'react';
import { CLIMB_RANGE, type Climb, type Standing } from '../../../core';
import { onWarmUp, warmUpAsked } from '../../store/practice/wish';

/** A warm-up is so much slower than the foot of the ladder. */
const SLOW = 0.8;

/** Where to play a shape that was asked for as a warm-up; null where it was not. */
export function useWarmUp(id: string | null, key: string | null, climb: Climb): Standing | null {
  const asked = useSyncExternalStore(onWarmUp, warmUpAsked);
  const here = asked !== null && asked === `${id}/${key}`;
  return useMemo(
    () => (here ? { tempo: Math.max(CLIMB_RANGE.tempo.min, Math.round(climb.start * SLOW)), clean: 0, misses: 0 } : null),
    [here, climb.start],
  );
}
