import { useCallback, useEffect, useRef, useState } from 'react';
import { latencyOf, type Latency } from '../../../core';
import { canPerform, onOnset, perform, setEarTask, latencyNow, tellClicks } from '../../sound/listen/ear';
import { earState, onNote } from '../../sound/listen/ear-state';
import { LATENCY_RANGE, listenPrefs, setListenPrefs } from '../../sound/listen/listen-prefs';
import { countIn, steadyClicks } from '../../sound/drill-score';
import type { Seam } from '../../sound/engine/score';
import { soundPrefs } from '../../sound/output-prefs';
import type { NoSound } from '../../sound/player';
import { useTakes } from '../../sound/useTakes';

export const MEASURED_CLICKS = 8;
const TEMPO = 100;
const BEAT_MS = 60_000 / TEMPO;
/** After the last click an answer may still come for so long, ms. */
const AFTER = 700;

export interface Measuring {
  readonly on: boolean;
  /** What came of it; null where it could not be measured, undefined before. */
  readonly result: Latency | null | undefined;
  readonly error: NoSound | null;
  readonly start: () => void;
  readonly stop: () => void;
  /** After `elsewhere`: here, and the other window stops. */
  readonly takeOver: () => void;
}

const PICKS = Array.from({ length: MEASURED_CLICKS }, (_, k) => ({ midi: 52, string: 1, atMs: k * BEAT_MS, lengthMs: BEAT_MS * 0.6 }));

/** What answers the clicks: sounds set in, or where the source tells notes and no sound, those, with what is set off now put back on. */
function hearAnswers(sendsNotes: boolean): { readonly onsets: readonly number[]; readonly stop: () => void } {
  const onsets: number[] = [];
  const off = sendsNotes ? onNote((n) => onsets.push(n.atMs + latencyNow())) : onOnset((ms) => onsets.push(ms));
  setEarTask('onsets');
  const stop = (): void => {
    off();
    setEarTask('notes');
  };
  return { onsets, stop };
}

/** Measures the delay of what is listened to: four clicks to listen to, eight that are answered. What it comes to is kept. */
export function useLatency(): Measuring {
  const { on, error, begin: beginTake, end } = useTakes();
  const [result, setResult] = useState<Latency | null | undefined>(undefined);
  const clean = useRef<() => void>(() => undefined);
  const stop = useCallback(() => {
    clean.current();
    clean.current = () => undefined;
    end();
  }, [end]);
  const begin = useCallback(
    (over: boolean) => {
      stop();
      const { source } = earState();
      if (!source) return;
      const simulated = source === 'simulated';
      const sendsNotes = source === 'midi' || (simulated && listenPrefs.get().asMidi);
      const answers = hearAnswers(sendsNotes);
      clean.current = answers.stop;
      setResult(undefined);
      const clicks: number[] = [];
      const onSeam = ({ pass }: Seam, atMs: number): void => {
        if (pass === 0) return;
        clicks.push(...PICKS.map((p) => atMs + p.atMs));
        tellClicks(clicks);
        if (canPerform()) perform(PICKS, atMs, true);
      };
      const judge = (): void => {
        const found = latencyOf(clicks, [...answers.onsets]);
        setResult(found);
        if (found && !(sendsNotes && simulated)) keep(source, found.latencyMs);
        stop();
      };
      const { click } = soundPrefs.get();
      const take = { lead: countIn(click), score: steadyClicks(click, MEASURED_CLICKS), loop: false, tempo: TEMPO };
      beginTake({ take, onSeam, onEnd: (asked) => void setTimeout(() => asked() && judge(), AFTER), onFail: stop }, over);
    },
    [stop, beginTake],
  );
  const start = useCallback(() => begin(false), [begin]);
  const takeOver = useCallback(() => begin(true), [begin]);
  useEffect(() => stop, [stop]);
  return { on, result, error, start, stop, takeOver };
}

/** What is set off from notes of a source, in ms; null: not known. */
export function keep(source: keyof ReturnType<typeof listenPrefs.get>['latency'], ms: number | null): void {
  const { latency } = listenPrefs.get();
  const within = ms === null ? null : Math.round(Math.max(LATENCY_RANGE.min, Math.min(LATENCY_RANGE.max, ms)));
  setListenPrefs({ latency: { ...latency, [source]: within } });
}
