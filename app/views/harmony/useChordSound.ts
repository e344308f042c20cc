import { useCallback, useState } from 'react';
import type { StudyBody } from '../../../contract';
import { chordSounds, chromaOf, midiOn, openMidis, type Place } from '../../../core';
import { chordHeard, closePosition, droneOn, type ChordSound } from '../../sound/chord-heard';
import { useHear } from '../../sound/useHear';

export interface SoundOfChord {
  readonly hear: ReturnType<typeof useHear>;
  readonly how: ChordSound;
  readonly drone: boolean;
  readonly setHow: (how: ChordSound) => void;
  readonly setDrone: (on: boolean) => void;
  readonly toggle: () => void;
}

/** The grip as it is held, or the chord in close position; over the drone of the mode where that is wanted. */
export function useChordSound({ instrument, scale, tempo }: StudyBody, symbol: string, grip: Place[]): SoundOfChord {
  const hear = useHear();
  const [how, setHow] = useState<ChordSound>('strum');
  const [drone, setDrone] = useState(false);
  const { on, start, stop } = hear;
  const toggle = useCallback(() => {
    if (on) return stop();
    const open = [0, ...openMidis(instrument)];
    const held = grip.map((p) => ({ string: p.string, midi: midiOn(open, p) })).sort((a, b) => a.midi - b.midi);
    start(chordHeard(held.length ? held : closePosition(chordSounds(symbol)), how, drone ? droneOn(chromaOf(scale.tonic)) : []), tempo);
  }, [on, start, stop, instrument, grip, symbol, how, drone, scale.tonic, tempo]);
  return { hear, how, drone, setHow, setDrone, toggle };
}
