import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { useLatest } from '../../ui/useLatest';
import { useKeyed } from '../../ui/useKeyed';
import { weakSpots, type Rating, type WeakSpots } from '../../../core';
import type { DrillHeard } from '../../sound/drill-score';
import { canPerform, earNow, hush, latencyNow, perform, prepareToPlay, setEarRange, tellClicks } from '../../sound/listen/ear';
import { onNote, useEar } from '../../sound/listen/ear-state';
import { listenPrefs } from '../../sound/listen/listen-prefs';
import { meantOf, rangeOf } from '../../sound/listen/meant';
import type { Drilled } from '../../store/practice/drilled';
import { PassJudge, verdictsOf, type JudgedPass } from '../../store/practice/judge';
import type { Along } from './useRun';

export interface Judging {
  /** Something is listened to. */
  readonly on: boolean;
  /** The passes of this run that were heard, the last one at the end. */
  readonly passes: JudgedPass[];
  /** Where the trouble is, over those passes; null where none was heard. */
  readonly spots: WeakSpots | null;
  /** Passes at the end in which nothing was heard. */
  readonly silent: number;
  readonly along: Along;
}

const EVERY = 60; // ms
/** Passes that the weak spots are taken from. */
const MOST = 20;
const NONE: JudgedPass[] = [];

/** The passes of a line that were heard. What was heard of one line says nothing of another. */
function usePasses(drill: Drilled | null) {
  const [kept, setKept] = useState<{ readonly of: Drilled | null; readonly passes: JudgedPass[] }>({ of: null, passes: NONE });
  const [silent, setSilent] = useKeyed([drill], 0);
  const begin = useCallback(
    (of: Drilled) => {
      setKept({ of, passes: NONE });
      setSilent(0);
    },
    [setSilent],
  );
  const heardPass = useCallback(
    (of: Drilled | null, p: JudgedPass) => {
      setSilent(0);
      setKept((all) => ({ of, passes: [...(all.of === of ? all.passes.slice(1 - MOST) : NONE), p] }));
    },
    [setSilent],
  );
  const silentPass = useCallback(() => setSilent((n) => n + 1), [setSilent]);
  return { passes: kept.of === drill ? kept.passes : NONE, silent, begin, heardPass, silentPass };
}

function judgeOf(d: Drilled, starts: readonly number[]): PassJudge {
  const { lateMs, inTime } = listenPrefs.get();
  const notes = d.notes.map((n, k) => ({ midi: n.midi, beat: starts[k]! }));
  return new PassJudge(notes, { lateMs, inTime });
}

/** Where the trouble is, over the passes that were heard. */
function useSpots(drill: Drilled | null, passes: JudgedPass[]): WeakSpots | null {
  const { lateMs } = listenPrefs.use();
  return useMemo(() => (drill && passes.length ? weakSpots(drill.line.steps, verdictsOf(passes), lateMs) : null), [drill, passes, lateMs]);
}

/** Brings what is heard to the judge, and what is judged to `told`, while something is listened to. */
function useHeardBy(judge: RefObject<PassJudge | null>, on: boolean, told: (pass: JudgedPass) => void, onStop: () => void): void {
  useEffect(() => {
    if (!on) return onStop();
    const off = onNote((n) => judge.current?.note(n));
    const timer = setInterval(() => {
      const done = judge.current?.due(earNow() - latencyNow()) ?? NONE;
      for (const p of done) told(p);
    }, EVERY);
    return () => {
      off();
      clearInterval(timer);
      hush();
    };
  }, [judge, on, onStop, told]);
}

/** Listens along with a drill: judges each pass, and lets the simulated player play it. `onJudged` rates. */
export function useJudge(
  drill: Drilled | null,
  heard: DrillHeard,
  starts: readonly number[],
  onJudged: (pass: number, rating: Rating) => void,
): Judging {
  const ear = useEar();
  const latestRef = useLatest({ drill, heard, starts, onJudged });
  const judge = useRef<PassJudge | null>(null);
  const { passes, silent, begin, heardPass, silentPass } = usePasses(drill);

  const before = useCallback(async () => {
    const d = latestRef.current.drill;
    if (!d || ear.state !== 'on') return;
    begin(d);
    setEarRange(...rangeOf(d.instrument));
    judge.current = judgeOf(d, latestRef.current.starts);
    if (canPerform()) await prepareToPlay(meantOf(latestRef.current.heard, latestRef.current.starts, 500));
  }, [ear.state, latestRef, begin]);

  const onSeam = useCallback<Along['onSeam']>(
    (seam, atMs) => {
      const { heard: now, starts: beats } = latestRef.current;
      // Listened to since it began: from the next pass on.
      if (!judge.current) return void before();
      const msPerBeat = 60_000 / seam.tempo;
      // The first click of the next pass too: its seam is told when it is already on its way.
      tellClicks(Array.from({ length: Math.floor(seam.beats) + 1 }, (_, k) => atMs + k * msPerBeat));
      if (seam.pass === 0) return;
      judge.current.begins({ pass: seam.pass, atMs, msPerBeat, beats: seam.beats });
      if (canPerform()) perform(meantOf(now, beats, msPerBeat), atMs);
    },
    [before, latestRef],
  );

  const onStop = useCallback(() => {
    judge.current = null;
    hush();
  }, []);

  const told = useCallback(
    (p: JudgedPass) => {
      if (!p.heard) return silentPass();
      heardPass(latestRef.current.drill, p);
      if (listenPrefs.get().rates) latestRef.current.onJudged(p.pass, p.score.clean ? 'clean' : 'miss');
    },
    [latestRef, heardPass, silentPass],
  );
  useHeardBy(judge, ear.state === 'on', told, onStop);
  const spots = useSpots(drill, passes);
  const along = useMemo(() => ({ before, onSeam, onStop }), [before, onSeam, onStop]);
  return { on: ear.state === 'on', passes, spots, silent, along };
}
