import { useCallback, useEffect, useRef, useState } from 'react';
import { latencyOf, type Latency } from '../../../core';
import { canPerform, earState, onNote, onOnset, perform, setEarTask, latencyNow, tellClicks } from '../../sound/listen/ear';
import { LATENCY_RANGE, listenPrefs, setListenPrefs } from '../../sound/listen/listen-prefs';
import type { NoSound, Playing } from '../../sound/player';
import { countIn } from '../../sound/drill-score';
import { soundPrefs } from '../../sound/output-prefs';
import { steadyClicks } from '../../sound/drill-score';

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

/** Measures the delay of what is listened to: four clicks to listen to, eight that are answered. What it comes to is kept. */
export function useLatency(): Measuring {
  const [on, setOn] = useState(false);
  const [result, setResult] = useState<Latency | null | undefined>(undefined);
  const [error, setError] = useState<NoSound | null>(null);
  const playing = useRef<Playing | null>(null);
  const turn = useRef(0);
  const clean = useRef<() => void>(() => undefined);

  const stop = useCallback(() => {
    turn.current++;
    playing.current?.stop();
    playing.current = null;
    clean.current();
    clean.current = () => undefined;
    setOn(false);
  }, []);

  const begin = useCallback(
    (over: boolean) => {
      stop();
      const mine = turn.current;
      const { source } = earState();
      if (!source) return;
      const onsets: number[] = [];
      const clicks: number[] = [];
      // MIDI tells notes and not sound; what is set off now is put back on.
      const sends = source === 'midi' || (source === 'simulated' && listenPrefs.get().asMidi);
      const off = sends ? onNote((n) => onsets.push(n.atMs + latencyNow())) : onOnset((ms) => onsets.push(ms));
      setEarTask('onsets');
      clean.current = () => {
        off();
        setEarTask('notes');
      };
      setOn(true);
      setResult(undefined);
      setError(null);
      const { click } = soundPrefs.get();
      const picks = Array.from({ length: MEASURED_CLICKS }, (_, k) => ({
        midi: 52,
        string: 1,
        atMs: k * BEAT_MS,
        lengthMs: BEAT_MS * 0.6,
      }));
      const end = (): void => {
        setTimeout(() => {
          if (turn.current !== mine) return;
          const found = latencyOf(clicks, onsets);
          setResult(found);
          if (found && !(sends && source === 'simulated')) keep(source, found.latencyMs);
          stop();
        }, AFTER);
      };
      void import('../../sound/player')
        .then(({ play }) =>
          play(
            { lead: countIn(click), score: steadyClicks(click, MEASURED_CLICKS), loop: false, tempo: TEMPO },
            {
              onSeam: ({ pass }, atMs) => {
                if (turn.current !== mine || pass === 0) return;
                clicks.push(...picks.map((p) => atMs + p.atMs));
                tellClicks(clicks);
                if (canPerform()) perform(picks, atMs, true);
              },
              onEnd: () => turn.current === mine && end(),
            },
            over,
          ),
        ) // prettier-ignore
        .then((p) => {
          if (turn.current !== mine) p.stop();
          else playing.current = p;
        })
        .catch((e: unknown) => {
          if (turn.current !== mine) return;
          stop();
          setError((e as { readonly why?: NoSound }).why ?? 'broken');
        });
    },
    [stop],
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
