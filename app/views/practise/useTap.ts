import { useCallback, useRef } from 'react';
import { TEMPO } from '../../../contract';

/** Taps further apart than this begin anew, ms; so many are averaged. */
const APART = 2200;
const MOST = 8;

/** The tempo of taps, in beats a minute: the mean of the last ones; null before there are two, or out of range. */
export function tempoOfTaps(times: readonly number[]): number | null {
  if (times.length < 2) return null;
  const tempo = Math.round((60_000 * (times.length - 1)) / (times[times.length - 1]! - times[0]!));
  return tempo >= TEMPO.min && tempo <= TEMPO.max ? tempo : null;
}

/** Call it at each tap. */
export function useTap(onTempo: (tempo: number) => void): () => void {
  const taps = useRef<number[]>([]);
  return useCallback(() => {
    const now = performance.now();
    const last = taps.current.at(-1);
    taps.current = last !== undefined && now - last < APART ? [...taps.current, now].slice(-MOST) : [now];
    const tempo = tempoOfTaps(taps.current);
    if (tempo !== null) onTempo(tempo);
  }, [onTempo]);
}
