import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { placesOf, type Instrument, type Place, type TimedNote } from '../../../core';
import { onNote, useEar } from '../../sound/listen/ear-state';
import type { EarProblem } from '../../sound/listen/source';
import { rangeOf } from '../../sound/listen/meant';

export interface FreePlay {
  readonly on: boolean;
  /** Why nothing is heard. */
  readonly problem: EarProblem | null;
  /** MIDI number of what sounds now; null: nothing. */
  readonly midi: number | null;
  /** Every place it can be. */
  readonly places: Place[];
  /** What was played since listening began. */
  readonly heard: () => readonly TimedNote[];
}

/** A note is shown for so long, ms. */
const SHOWN = 1600;
/** Heard notes that are remembered while something is listened to; nothing of it is written down. */
const REMEMBERED = 600;
const NOWHERE: Place[] = [];

/** What is played freely while something is listened to. */
export function useFreePlay(i: Instrument): FreePlay {
  const ear = useEar();
  const on = ear.state === 'on';
  const { problem } = ear;
  const [midi, setMidi] = useState<number | null>(null);
  const notes = useRef<TimedNote[]>([]);
  useEffect(() => {
    if (!on) return undefined;
    void import('../../sound/listen/ear').then(({ setEarRange }) => setEarRange(...rangeOf(i)));
    notes.current = [];
    let timer: ReturnType<typeof setTimeout> | undefined;
    const off = onNote((n) => {
      notes.current = [...notes.current.slice(1 - REMEMBERED), { midi: n.midi, atMs: n.atMs }];
      setMidi(n.midi);
      clearTimeout(timer);
      timer = setTimeout(() => setMidi(null), SHOWN);
    });
    return () => {
      off();
      clearTimeout(timer);
      setMidi(null);
    };
  }, [on, i]);
  const heard = useCallback(() => notes.current, []);
  const places = useMemo(() => (midi === null ? NOWHERE : placesOf(i, midi)), [i, midi]);
  return useMemo(() => ({ on, problem, midi, places, heard }), [on, problem, midi, places, heard]);
}
