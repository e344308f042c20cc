import { useCallback, useMemo } from 'react';
import type { KeptProgression } from '../../../contract';
import { chordSounds, chromaOf, sameScale, scaleNotes, scalesForChord, type ScaleFit, type ScaleRef } from '../../../core';
import { scaleOverChord } from '../../sound/chord-heard';
import { useHear, type Hear } from '../../sound/useHear';
import type { Ways } from './useWays';

/** A scale over the chord that is looked at. */
export interface FitHere extends ScaleFit {
  readonly chosen: boolean;
  readonly settled: boolean;
  readonly home: boolean;
  /** Notes that the scale over the chord before has not; null at the beginning. */
  readonly away: number | null;
}

export interface Fits {
  readonly list: FitHere[];
  readonly hear: Hear;
  /** Plays a scale over the chord, or stops. */
  readonly listen: (ref: ScaleRef) => void;
}

/** So many are listed, beside home and what is chosen. */
const MOST = 6;
const soundsOf = (ref: ScaleRef): number[] => scaleNotes(ref).map((n) => chromaOf(n.name));

/** The scales that fit the chord here, best first; home and the chosen one are always among them. */
export function useFits({ home, locks, tempo }: KeptProgression, { chord, step, at, way }: Ways): Fits {
  const symbol = chord?.symbol ?? null;
  const before = at > 0 ? way?.steps[at - 1]?.ref : undefined;
  const list = useMemo((): FitHere[] => {
    if (!symbol) return [];
    const all = scalesForChord(symbol, { home });
    const settled = locks.find((l) => l.chord === at && l.symbol === symbol)?.ref;
    const known =
      step && !all.some((f) => sameScale(f.ref, step.ref)) ? [{ ref: step.ref, fit: 0, rubs: [], colour: [], why: step.why }, ...all] : all;
    const was = before ? soundsOf(before) : null;
    return known
      .map((f): FitHere => ({
        ...f,
        chosen: !!step && sameScale(f.ref, step.ref),
        settled: !!settled && sameScale(f.ref, settled),
        home: sameScale(f.ref, home),
        away: was && soundsOf(f.ref).filter((s) => !was.includes(s)).length,
      }))
      .filter((f, k) => k < MOST || f.chosen || f.home);
  }, [symbol, home, locks, at, step, before]);
  const hear = useHear();
  const { on, start, stop } = hear;
  const listen = useCallback(
    (ref: ScaleRef) => {
      if (on) return stop();
      if (symbol) start(scaleOverChord(soundsOf(ref), chordSounds(symbol)), Math.min(160, Math.max(60, tempo)));
    },
    [on, start, stop, symbol, tempo],
  );
  return { list, hear, listen };
}
