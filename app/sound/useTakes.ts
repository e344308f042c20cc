import { useCallback, useMemo, useRef, useState, type RefObject } from 'react';
import type { Take } from './engine/score';
import type { Listener, NoSound, Playing } from './player';

/** A take that is to be heard, and what follows. None of it is told once another began or it was ended here. */
export interface Beginning {
  readonly take: Take;
  /** Has to be done before the first note. */
  readonly before?: () => Promise<void>;
  readonly onSeam?: Listener['onSeam'];
  /** It sounds, for as long as `asked` says so. */
  readonly onHeard?: (player: Playing, asked: () => boolean) => void;
  /** It came to its end, or something else began to play. */
  readonly onEnd: (asked: () => boolean) => void;
  /** It could not begin. */
  readonly onFail: () => void;
}

export interface Takes {
  readonly on: boolean;
  /** Why the last one could not begin. */
  readonly error: NoSound | null;
  readonly playingRef: RefObject<Playing | null>;
  /** Ends what sounds and begins; `over`: where another window plays, that one stops. */
  readonly begin: (beginning: Beginning, over: boolean) => void;
  readonly end: () => void;
}

/** One take at a time. The player loads on first use; what comes of a take that is no longer asked for is dropped. */
export function useTakes(): Takes {
  const [on, setOn] = useState(false);
  const [error, setError] = useState<NoSound | null>(null);
  const playingRef = useRef<Playing | null>(null);
  const turn = useRef(0);
  const end = useCallback(() => {
    turn.current++;
    playingRef.current?.stop();
    playingRef.current = null;
    setOn(false);
  }, []);
  const begin = useCallback(
    ({ take, before, onSeam, onHeard, onEnd, onFail }: Beginning, over: boolean) => {
      end();
      const mine = turn.current;
      const asked = (): boolean => turn.current === mine;
      const listener: Listener = {
        onSeam: (seam, atMs) => void (asked() && onSeam?.(seam, atMs)),
        onEnd: () => void (asked() && onEnd(asked)),
      };
      setOn(true);
      setError(null);
      void Promise.all([import('./player'), before?.()])
        .then(([{ play }]) => (asked() ? play(take, listener, over) : null))
        .then((player) => {
          if (!player || !asked()) return player?.stop();
          playingRef.current = player;
          onHeard?.(player, asked);
        })
        .catch((e: unknown) => {
          if (!asked()) return;
          onFail();
          end();
          setError((e as { readonly why?: NoSound }).why ?? 'broken');
        });
    },
    [end],
  );
  return useMemo(() => ({ on, error, playingRef, begin, end }), [on, error, begin, end]);
}
