import { useCallback, useState } from 'react';

/** What is on or off, off at first, and the way to the other. */
export function useToggle(): [on: boolean, toggle: () => void] {
  const [on, setOn] = useState(false);
  return [on, useCallback(() => setOn((now) => !now), [])];
}
