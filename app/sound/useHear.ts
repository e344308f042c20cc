import { useCallback, useEffect, useRef, useState } from 'react';
import type { HeardNote, Playing } from './player';

/** Hearing a line: which of its notes sounds now (-1: none), and whether it runs. The sound library loads on first use. */
export function useHear(): {
  now: number;
  on: boolean;
  error: string | null;
  start: (notes: HeardNote[], tempo: number) => void;
  stop: () => void;
} {
  const [now, setNow] = useState(-1);
  const [on, setOn] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const playing = useRef<Playing | null>(null);
  const turn = useRef(0);

  const stop = useCallback(() => {
    turn.current++;
    playing.current?.stop();
    playing.current = null;
    setOn(false);
    setNow(-1);
  }, []);

  const start = useCallback(
    (notes: HeardNote[], tempo: number) => {
      stop();
      const mine = turn.current;
      setOn(true);
      setError(null);
      void begin(notes, tempo, (index) => {
        if (turn.current !== mine) return;
        setNow(index);
        if (index < 0) setOn(false);
      })
        .then((p) => (turn.current === mine ? (playing.current = p) : p.stop()))
        .catch(() => {
          setOn(false);
          setError('No sound: the browser gave no audio output.');
        });
    },
    [stop],
  );
  useEffect(() => stop, [stop]);
  return { now, on, error, start, stop };
}

const begin = async (notes: HeardNote[], tempo: number, onNote: (index: number) => void): Promise<Playing> => {
  const { play } = await import('./player');
  return play(notes, tempo, onNote);
};

/** Up and down as eighth notes, the top once, the last note held. Returns the notes and, for each, which of `midis` it is. */
export function upAndDown(midis: number[]): { notes: HeardNote[]; index: number[] } {
  const index = [...midis.keys(), ...[...midis.keys()].reverse().slice(1)];
  const notes = index.map((at, k) => ({ midi: midis[at], beat: k / 2, beats: k === index.length - 1 ? 2 : 0.5 }));
  return { notes, index };
}

/** A line as eighth notes, the last one held. */
export const eighths = (midis: number[]): HeardNote[] =>
  midis.map((midi, k) => ({ midi, beat: k / 2, beats: k === midis.length - 1 ? 2 : 0.5 }));
