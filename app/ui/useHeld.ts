import { useState } from 'react';

/** A value that follows only while it holds; else as it last was. The value is the same object as long as it is the same. */
export function useHeld<T>(value: T, holds: boolean): T {
  const [held, setHeld] = useState(value);
  if (holds && !Object.is(held, value)) setHeld(value);
  return holds ? value : held;
}
