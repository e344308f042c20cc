import { useCallback, useEffect, useRef, useState } from 'react';
import { follow } from './follow';
import { scoreOf, type HeardNote } from './heard';
import type { NoSound } from './player';
import { useTakes } from './useTakes';

/** Hearing a line: which of its notes sounds now (-1: none), and whether it runs. */
export interface Hear {
  readonly now: number;
  readonly on: boolean;
  /** Why nothing sounds. */
  readonly error: NoSound | null;
  readonly start: (notes: readonly HeardNote[], tempo: number) => void;
  readonly stop: () => void;
  /** After `elsewhere`: plays here, and the other window stops. */
  readonly takeOver: () => void;
}

interface Line {
  readonly notes: readonly HeardNote[];
  readonly tempo: number;
}

export function useHear(): Hear {
  const { on, error, begin: beginTake, end } = useTakes();
  const [now, setNow] = useState(-1);
  const last = useRef<Line | null>(null);
  const stop = useCallback(() => {
    end();
    setNow(-1);
  }, [end]);
  const begin = useCallback(
    (line: Line, over: boolean) => {
      last.current = line;
      setNow(-1);
      const starts = line.notes.map((n) => n.beat);
      const take = { lead: null, score: scoreOf(line.notes), loop: false, tempo: line.tempo };
      beginTake({ take, onHeard: (p, asked) => follow(p, asked, () => starts, (at) => setNow(at.now)), onEnd: stop, onFail: stop }, over); // prettier-ignore
    },
    [beginTake, stop],
  );
  const start = useCallback((notes: readonly HeardNote[], tempo: number) => begin({ notes, tempo }, false), [begin]);
  const takeOver = useCallback(() => {
    if (last.current) begin(last.current, true);
  }, [begin]);
  useEffect(() => stop, [stop]);
  return { now, on, error, start, stop, takeOver };
}
