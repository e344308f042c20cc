import { useMemo, useRef, type RefObject } from 'react';
import { nutFret, type Instrument } from '../../core';
import { minWidth, neckGeometry, wireX, type NeckGeometry } from './geometry';
import { useWidth } from './useWidth';

/** Between strings, in pixels: many strings lie closer. */
export interface Gaps {
  wide: number;
  close: number;
}

const MANY_STRINGS = 7;

/** A neck as wide as its holder, or wider where the frets would be too narrow to read. `width` is 0 before it is known. */
export function useNeckGeometry(
  instrument: Instrument,
  { wide, close }: Gaps,
): { holder: RefObject<HTMLDivElement | null>; width: number; g: NeckGeometry } {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder);
  const g = useMemo(
    () =>
      neckGeometry({
        width: Math.max(width, minWidth(instrument.frets)),
        frets: instrument.frets,
        strings: instrument.strings.length,
        nut: nutFret(instrument),
        gap: instrument.strings.length > MANY_STRINGS ? close : wide,
        mirrored: instrument.handedness === 'left',
      }),
    [width, instrument, wide, close],
  );
  return { holder, width, g };
}

/** On a narrow screen the neck scrolls to the hand. */
export function keepInSight(holder: HTMLElement | null, width: number, g: NeckGeometry, frets: { from: number; to: number } | null): void {
  if (!holder || !frets || width >= g.width) return;
  const [a, b] = [wireX(g, Math.max(0, frets.from - 1)), wireX(g, Math.min(g.frets, frets.to))];
  holder.scrollTo({ left: (a + b) / 2 - width / 2 });
}
