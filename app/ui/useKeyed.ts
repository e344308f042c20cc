import { useCallback, useState } from 'react';

type Next<T> = T | ((now: T) => T);

/** A state that belongs to its keys: where one of them changes it begins afresh. */
export function useKeyed<T>(keys: readonly unknown[], fresh: T): [T, (next: Next<T>) => void] {
  const [kept, setKept] = useState({ keys, value: fresh });
  const same = kept.keys.every((key, k) => Object.is(key, keys[k]));
  if (!same) setKept({ keys, value: fresh });
  const set = useCallback((next: Next<T>) => {
    setKept((k) => ({ ...k, value: typeof next === 'function' ? (next as (now: T) => T)(k.value) : next }));
  }, []);
  return [same ? kept.value : fresh, set];
}
