import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLatest } from '../../ui/useLatest';
import type { Climb, Rating, Standing } from '../../../core';
import { useAwake } from '../../shell/awake';
import { soundPrefs } from '../../sound/output-prefs';
import { countIn, drillScore, type DrillHeard, type Sounds } from '../../sound/drill-score';
import type { Seam } from '../../sound/engine/score';
import { follow } from '../../sound/follow';
import type { NoSound, Playing } from '../../sound/player';
import { logPass, passBox } from '../../store/practice/outbox';
import { passOf, type About } from '../../store/practice/pass';
import { beginRun, judged, nextTempo, passBegan, rate as rated, runEnded, type Run, type Step } from '../../store/practice/run';

/** What runs, and how. */
export interface RunAsked {
  readonly heard: DrillHeard;
  /** Starts of the notes in beats. */
  readonly starts: readonly number[];
  readonly climb: Climb;
  /** Where the player stands on the ladder. */
  readonly standing: Standing;
  readonly onStanding: (standing: Standing) => void;
  readonly about: About;
  readonly sounds: Sounds;
  readonly countIn: boolean;
  readonly dry: boolean;
  readonly half: boolean;
  /** Told to whoever listens along: it is about to begin, a pass begins (0 is the count-in, `atMs` on the audio clock), it ended. */
  readonly along: Along;
}
export interface Along {
  readonly before: () => Promise<void>;
  readonly onSeam: (seam: Seam, atMs: number) => void;
  readonly onStop: () => void;
}

export interface Running {
  readonly on: boolean;
  /** The note that is heard, -1 for none; and the beat of the count-in, 1 to 4, 0 outside it. */
  readonly now: number;
  readonly counting: number;
  readonly run: Run | null;
  /** Which way the ladder moved last. */
  readonly moved: -1 | 0 | 1;
  readonly error: NoSound | null;
  readonly start: () => void;
  readonly stop: () => void;
  readonly takeOver: () => void;
  readonly rate: (rating: Rating) => void;
  /** What was heard of a pass. */
  readonly judge: (pass: number, rating: Rating) => void;
}

const HALF = 0.5;
const tempoOf = (r: Run, half: boolean): number => nextTempo(r) * (half ? HALF : 1);

/** A drill that runs: sound, picture, rating and log. The picture follows the clock of the sound. */
export function useRun(asked: RunAsked): Running {
  const latestRef = useLatest(asked);
  const [on, setOn] = useState(false);
  useAwake(on);
  const [place, setPlace] = useState({ now: -1, counting: 0 });
  const [run, setRun] = useState<Run | null>(null);
  const [moved, setMoved] = useState<-1 | 0 | 1>(0);
  const [error, setError] = useState<NoSound | null>(null);
  const running = useRef<Run | null>(null);
  const playing = useRef<Playing | null>(null);
  const turn = useRef(0);

  const apply = useCallback(
    (step: Step) => {
      const before = running.current?.standing;
      running.current = step.run;
      setRun(step.run);
      if (step.moved) setMoved(step.moved);
      for (const outcome of step.log) void logPass(passOf(latestRef.current.about, outcome));
      if (step.run.standing !== before) latestRef.current.onStanding(step.run.standing);
      playing.current?.change({ tempo: tempoOf(step.run, latestRef.current.half) });
    },
    [latestRef],
  );

  const stop = useCallback(() => {
    turn.current++;
    playing.current?.stop();
    playing.current = null;
    if (running.current) latestRef.current.along.onStop();
    for (const outcome of running.current ? runEnded(running.current) : []) void logPass(passOf(latestRef.current.about, outcome));
    running.current = null;
    setRun(null);
    setOn(false);
    setPlace({ now: -1, counting: 0 });
  }, [latestRef]);

  const begin = useCallback(
    (over: boolean) => {
      stop();
      const mine = turn.current;
      const { climb, standing, dry, heard, sounds, half } = latestRef.current;
      const first = beginRun(climb, standing, dry);
      running.current = first;
      setRun(first);
      setMoved(0);
      setError(null);
      setOn(true);
      const onSeam = (seam: Seam, atMs: number): void => {
        if (turn.current !== mine || !running.current) return;
        latestRef.current.along.onSeam(seam, atMs);
        if (seam.pass === 0) return;
        apply(passBegan(running.current, seam.pass, seam.tempo, (seam.beats * 60) / seam.tempo));
      };
      const onEnd = (): void => {
        if (turn.current === mine) stop();
      };
      const { click } = soundPrefs.get();
      const take = {
        lead: latestRef.current.countIn ? countIn(click) : null,
        score: drillScore(heard, sounds, click),
        loop: true,
        tempo: standing.tempo * (half ? HALF : 1),
      };
      void Promise.all([import('../../sound/player'), latestRef.current.along.before()])
        .then(([{ play }]) => (turn.current === mine ? play(take, { onSeam, onEnd }, over) : null))
        .then((p) => {
          if (!p || turn.current !== mine) return p?.stop();
          playing.current = p;
          follow(p, () => turn.current === mine, () => latestRef.current.starts, setPlace); // prettier-ignore
        })
        .catch((e: unknown) => {
          if (turn.current !== mine) return;
          latestRef.current.along.onStop();
          running.current = null;
          stop();
          setError((e as { readonly why?: NoSound }).why ?? 'broken');
        });
    },
    [apply, stop, latestRef],
  );
  const start = useCallback(() => begin(false), [begin]);
  const takeOver = useCallback(() => begin(true), [begin]);
  const rate = useCallback(
    (rating: Rating) => {
      if (running.current) apply(rated(running.current, rating));
    },
    [apply],
  );

  const judge = useCallback(
    (pass: number, rating: Rating) => {
      if (running.current) apply(judged(running.current, pass, rating));
    },
    [apply],
  );

  // What sounds changes at the next seam; another line cannot, or the picture would show one and the ear hear the other.
  const { heard, sounds, half } = asked;
  const { click } = soundPrefs.use();
  const line = useRef(heard);
  useEffect(() => {
    if (line.current !== heard) stop();
    line.current = heard;
  }, [heard, stop]);
  useEffect(() => {
    playing.current?.change({ score: drillScore(line.current, sounds, click) });
  }, [sounds, click]);
  const standingTempo = asked.standing.tempo;
  useEffect(() => {
    const now = running.current;
    if (!now) return;
    if (now.standing.tempo !== standingTempo) running.current = { ...now, standing: latestRef.current.standing, early: null };
    playing.current?.change({ tempo: tempoOf(running.current ?? now, half) });
  }, [standingTempo, half, latestRef]);

  useEffect(() => {
    const leave = (): void => {
      const now = running.current;
      if (now) passBox.leave(runEnded(now).map((o) => passOf(latestRef.current.about, o)));
      if (now) running.current = { ...now, waiting: null };
    };
    addEventListener('pagehide', leave);
    return () => {
      removeEventListener('pagehide', leave);
      stop();
    };
  }, [stop, latestRef]);

  return useMemo(
    () => ({ on, ...place, run, moved, error, start, stop, takeOver, rate, judge }),
    [on, place, run, moved, error, start, stop, takeOver, rate, judge],
  );
}
