import { useCallback, useEffect, useRef, useState } from 'react';
import { centsFrom, nearestString, openMidis, TUNE, type Instrument } from '../../../core';
import { canPerform, earNow, hush, perform, onLoudness, setEarTask } from '../../sound/listen/ear';
import { useEar } from '../../sound/listen/ear-state';

export interface Tuner {
  readonly on: boolean;
  /** Strings in the order in which they are tuned, the lowest first; and which of them it is about. */
  readonly order: number[];
  readonly at: number;
  /** Cents of the string it is about, null while none rings. */
  readonly cents: number | null;
  /** The string that what rings is nearer to, where it is not this one. */
  readonly nearer: number | null;
  /** The last reading of each string, by its number. */
  readonly read: ReadonlyMap<number, number>;
  readonly tuned: ReadonlySet<number>;
  readonly start: () => void;
  readonly stop: () => void;
  readonly go: (string: number) => void;
}

const CLEAR = 0.9;
/** What is farther from the string than this is another one, in cents. */
const OTHER = 260;
/** Readings of which the median counts, and of which so many in tune end a string. */
const READINGS = 5;
const HELD = 8;
/** The simulated player picks a string so often, ms, beginning so far off, in cents, and halves what is left each time. */
const PICKS = 1100;
const OFF = [-42, 31, 64, -27, 18, -55, 36, -22];

const median = (all: readonly number[]): number => [...all].sort((a, b) => a - b)[all.length >> 1]!;

/** The open strings of an instrument, one after the other. */
export function useTuner(i: Instrument): Tuner {
  const ear = useEar();
  const [on, setOn] = useState(false);
  const [at, setAt] = useState(i.strings.length);
  const [cents, setCents] = useState<number | null>(null);
  const [nearer, setNearer] = useState<number | null>(null);
  const [read, setRead] = useState<ReadonlyMap<number, number>>(new Map());
  const [tuned, setTuned] = useState<ReadonlySet<number>>(new Set());
  const last = useRef<number[]>([]);
  const held = useRef(0);
  const order = [...i.strings.keys()].map((k) => k + 1).reverse();
  const running = on && ear.state === 'on';

  const go = useCallback((string: number) => {
    last.current = [];
    held.current = 0;
    setCents(null);
    setNearer(null);
    setAt(string);
  }, []);
  const stop = useCallback(() => setOn(false), []);
  const start = useCallback(() => {
    setTuned(new Set());
    setRead(new Map());
    go(i.strings.length);
    setOn(true);
  }, [go, i.strings.length]);

  useTask(running);
  useEffect(() => {
    if (!running) return undefined;
    return onLoudness(({ pitch }) => {
      if (!pitch || pitch.clarity < CLEAR) {
        if (!pitch) last.current = [];
        return;
      }
      const off = centsFrom(pitch.hz, openMidis(i)[at - 1]!);
      if (Math.abs(off) > OTHER) {
        const other = nearestString(i, pitch.hz);
        setNearer(other.string !== at && Math.abs(other.cents) < OTHER ? other.string : null);
        return;
      }
      last.current = [...last.current.slice(1 - READINGS), off];
      const now = median(last.current);
      setNearer(null);
      setCents(now);
      setRead((all) => new Map(all).set(at, now));
      held.current = Math.abs(now) <= TUNE.fine ? held.current + 1 : 0;
      if (held.current < HELD) return;
      setTuned((all) => new Set(all).add(at));
      if (at > 1) go(at - 1);
      else setOn(false);
    });
  }, [running, at, i, go]);

  usePegs(running, i, at);
  return { on: running, order, at, cents, nearer, read, tuned, start, stop, go };
}

/** While it is tuned the ear listens for one string. */
function useTask(running: boolean): void {
  useEffect(() => {
    if (!running) return undefined;
    setEarTask('tuner');
    return () => {
      setEarTask('notes');
      hush();
    };
  }, [running]);
}

/** The simulated player picks the string it is about, and turns its peg after each. */
function usePegs(running: boolean, i: Instrument, at: number): void {
  useEffect(() => {
    if (!running || !canPerform()) return undefined;
    let off = OFF[at % OFF.length]!;
    const midi = openMidis(i)[at - 1]!;
    const pick = (): void => {
      const notes = [{ midi: midi + off / 100, string: at, atMs: 0, lengthMs: PICKS }];
      off = Math.abs(off) < 2 ? 0 : off / 2;
      perform(notes, earNow(), true);
    };
    pick();
    const timer = setInterval(pick, PICKS);
    return () => clearInterval(timer);
  }, [running, i, at]);
}
