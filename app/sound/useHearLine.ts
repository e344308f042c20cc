import { useCallback } from 'react';
import type { HeardNote } from './heard';
import { useHear, type Hear } from './useHear';

interface LineHeard {
  readonly hear: Hear;
  /** Begins with the first note, or stops. */
  readonly toggle: () => void;
}

/** Hearing one line from its first note, or stopping: what a button and a key do alike. A line without notes does not sound. */
export function useHearLine(line: readonly HeardNote[], tempo: number): LineHeard {
  const hear = useHear();
  const { on, start, stop } = hear;
  const toggle = useCallback(() => {
    if (on) stop();
    else if (line.length) start(line, tempo);
  }, [on, start, stop, line, tempo]);
  return { hear, toggle };
}
