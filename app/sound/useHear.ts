import { useCallback, useEffect, useRef, useState } from 'react';
import { follow } from './follow';
import { scoreOf, type HeardNote } from './heard';
import type { NoSound, Playing } from './player';

/** Hearing a line: which of its notes sounds now (-1: none), and whether it runs. The player loads on first use. */
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

export function useHear(): Hear {
  const [now, setNow] = useState(-1);
  const [on, setOn] = useState(false);
  const [error, setError] = useState<NoSound | null>(null);
  const playing = useRef<Playing | null>(null);
  const turn = useRef(0);
  const last = useRef<{ readonly notes: readonly HeardNote[]; readonly tempo: number } | null>(null);

  const stop = useCallback(() => {
    turn.current++;
    playing.current?.stop();
    playing.current = null;
    setOn(false);
    setNow(-1);
  }, []);

  const begin = useCallback(
    (notes: readonly HeardNote[], tempo: number, over: boolean) => {
      stop();
      const mine = turn.current;
      last.current = { notes, tempo };
      setOn(true);
      setError(null);
      const end = (): void => {
        if (turn.current === mine) stop();
      };
      void listen(notes, tempo, end, over)
        .then((p) => {
          if (turn.current !== mine) return p.stop();
          playing.current = p;
          const starts = notes.map((n) => n.beat);
          follow(p, () => turn.current === mine, () => starts, (at) => setNow(at.now)); // prettier-ignore
        })
        .catch((e: unknown) => {
          if (turn.current !== mine) return;
          stop();
          setError((e as { readonly why?: NoSound }).why ?? 'broken');
        });
    },
    [stop],
  );
  const start = useCallback((notes: readonly HeardNote[], tempo: number) => begin(notes, tempo, false), [begin]);
  const takeOver = useCallback(() => {
    if (last.current) begin(last.current.notes, last.current.tempo, true);
  }, [begin]);
  useEffect(() => stop, [stop]);
  return { now, on, error, start, stop, takeOver };
}

async function listen(notes: readonly HeardNote[], tempo: number, onEnd: () => void, over: boolean): Promise<Playing> {
  const { play } = await import('./player');
  return play({ lead: null, score: scoreOf(notes), loop: false, tempo }, { onEnd }, over);
}
