import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { useLatest } from '../../ui/useLatest';
import type { Climb, Rating, Standing } from '../../../core';
import { useAwake } from '../../shell/awake';
import { soundPrefs } from '../../sound/output-prefs';
import { countIn, drillScore, type DrillHeard, type Sounds } from '../../sound/drill-score';
import type { Seam, Take } from '../../sound/engine/score';
import { follow } from '../../sound/follow';
import type { NoSound } from '../../sound/player';
import { useTakes, type Beginning, type Takes } from '../../sound/useTakes';
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

const NOWHERE = { now: -1, counting: 0 };

/** A drill that runs: sound, picture, rating and log. The picture follows the clock of the sound. */
export function useRun(asked: RunAsked): Running {
  const latestRef = useLatest(asked);
  const takes = useTakes();
  const { on, error, playingRef, begin: beginTake, end } = takes;
  useAwake(on);
  const [place, setPlace] = useState(NOWHERE);
  const [run, setRun] = useState<Run | null>(null);
  const [moved, setMoved] = useState<-1 | 0 | 1>(0);
  const runningRef = useRef<Run | null>(null);

  const apply = useCallback(
    (step: Step) => {
      const before = runningRef.current?.standing;
      runningRef.current = step.run;
      setRun(step.run);
      if (step.moved) setMoved(step.moved);
      for (const outcome of step.log) void logPass(passOf(latestRef.current.about, outcome));
      if (step.run.standing !== before) latestRef.current.onStanding(step.run.standing);
      playingRef.current?.change({ tempo: tempoOf(step.run, latestRef.current.half) });
    },
    [latestRef, playingRef],
  );
  const stop = useCallback(() => {
    end();
    if (runningRef.current) latestRef.current.along.onStop();
    for (const outcome of runningRef.current ? runEnded(runningRef.current) : []) void logPass(passOf(latestRef.current.about, outcome));
    runningRef.current = null;
    setRun(null);
    setPlace(NOWHERE);
  }, [latestRef, end]);

  const begin = useCallback(
    (over: boolean) => {
      stop();
      const { climb, standing, dry, along } = latestRef.current;
      const first = beginRun(climb, standing, dry);
      runningRef.current = first;
      setRun(first);
      setMoved(0);
      const onSeam = (seam: Seam, atMs: number): void => {
        if (!runningRef.current) return;
        latestRef.current.along.onSeam(seam, atMs);
        if (seam.pass > 0) apply(passBegan(runningRef.current, seam.pass, seam.tempo, (seam.beats * 60) / seam.tempo));
      };
      const onHeard: Beginning['onHeard'] = (p, still) => follow(p, still, () => latestRef.current.starts, setPlace);
      beginTake({ take: takeOf(latestRef.current), before: along.before, onSeam, onHeard, onEnd: stop, onFail: stop }, over);
    },
    [apply, stop, beginTake, latestRef],
  );
  const [start, takeOver] = useMemo(() => [() => begin(false), () => begin(true)], [begin]);
  const [rate, judge] = useRatings(runningRef, apply);
  useChanges(asked, runningRef, takes, stop);
  useLeaving(latestRef, runningRef, stop);
  return useMemo(
    () => ({ on, ...place, run, moved, error, start, stop, takeOver, rate, judge }),
    [on, place, run, moved, error, start, stop, takeOver, rate, judge],
  );
}

/** What the player presses of the pass that runs, and what was heard of one. */
function useRatings(runningRef: RefObject<Run | null>, apply: (step: Step) => void) {
  const rate = useCallback((by: Rating) => void (runningRef.current && apply(rated(runningRef.current, by))), [runningRef, apply]);
  const judge = useCallback(
    (pass: number, by: Rating) => void (runningRef.current && apply(judged(runningRef.current, pass, by))),
    [runningRef, apply],
  );
  return [rate, judge] as const;
}

function takeOf({ heard, sounds, standing, half, countIn: counts }: RunAsked): Take {
  const { click } = soundPrefs.get();
  return {
    lead: counts ? countIn(click) : null,
    score: drillScore(heard, sounds, click),
    loop: true,
    tempo: standing.tempo * (half ? HALF : 1),
  };
}

/** What sounds changes at the next seam; another line cannot, or the picture would show one and the ear hear the other. */
function useChanges(
  { heard, sounds, half, standing }: RunAsked,
  runningRef: RefObject<Run | null>,
  { playingRef }: Takes,
  stop: () => void,
): void {
  const { click } = soundPrefs.use();
  const line = useRef(heard);
  useEffect(() => {
    if (line.current !== heard) stop();
    line.current = heard;
  }, [heard, stop]);
  useEffect(() => {
    playingRef.current?.change({ score: drillScore(line.current, sounds, click) });
  }, [sounds, click, playingRef]);
  const standingRef = useLatest(standing);
  const { tempo } = standing;
  useEffect(() => {
    const now = runningRef.current;
    if (!now) return;
    if (now.standing.tempo !== tempo) runningRef.current = { ...now, standing: standingRef.current, early: null };
    playingRef.current?.change({ tempo: tempoOf(runningRef.current ?? now, half) });
  }, [tempo, half, standingRef, runningRef, playingRef]);
}

/** A page that closes has no time for more than to put what waits away; a view that is left stops. */
function useLeaving(latestRef: { readonly current: RunAsked }, runningRef: RefObject<Run | null>, stop: () => void): void {
  useEffect(() => {
    const leave = (): void => {
      const now = runningRef.current;
      if (!now) return;
      passBox.leave(runEnded(now).map((o) => passOf(latestRef.current.about, o)));
      runningRef.current = { ...now, waiting: null };
    };
    addEventListener('pagehide', leave);
    return () => {
      removeEventListener('pagehide', leave);
      stop();
    };
  }, [stop, latestRef, runningRef]);
}
