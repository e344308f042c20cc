import { startTransition, useEffect, useState } from 'react';

/** A value as it was, until what shows the newest one at once has been painted: for what may follow a frame later, and gives way to the next key meanwhile. */
export function useAfterPaint<T>(value: T): T {
  const [shown, setShown] = useState(value);
  useEffect(() => {
    if (Object.is(shown, value)) return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setShown(() => value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [value, shown]);
  return shown;
}
