import { useLayoutEffect, useRef } from 'react';

/** The newest value, for handlers and timers that outlive a rendering. Never read while rendering. */
export function useLatest<T>(value: T): { readonly current: T } {
  const ref = useRef(value);
  useLayoutEffect(() => {
    ref.current = value;
  });
  return ref;
}
