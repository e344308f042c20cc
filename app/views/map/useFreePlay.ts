import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { placesOf, type Instrument, type Place, type TimedNote } from '../../../core';
import { onNote, setEarRange, useEar } from '../../sound/listen/ear';
import { rangeOf } from '../../sound/listen/meant';
import { REMEMBERED } from '../../store/practice/played';

export interface FreePlay {
  readonly on: boolean;
  /** MIDI number of what sounds now; null: nothing. */
  readonly midi: number | null;
  /** Every place it can be. */
  readonly places: Place[];
  /** What was played since listening began. */
  readonly heard: () => readonly TimedNote[];
}

/** A note is shown for so long, ms. */
const SHOWN = 1600;
const NOWHERE: Place[] = [];

/** What is played freely while something is listened to. */
export function useFreePlay(i: Instrument): FreePlay {
  const ear = useEar();
  const on = ear.state === 'on';
  const [midi, setMidi] = useState<number | null>(null);
  const notes = useRef<TimedNote[]>([]);
  useEffect(() => {
    if (!on) return undefined;
    setEarRange(...rangeOf(i));
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
  return useMemo(() => ({ on, midi, places, heard }), [on, midi, places, heard]);
}
