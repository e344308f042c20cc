import { useMemo, useRef, useState, type RefObject } from 'react';
import { nutFret, type Instrument } from '../../core';
import { usePrefs, type Prefs } from '../store/prefs';
import { minWidth, neckGeometry, wireX, type NeckGeometry } from './geometry';
import { letters, likelyWidth, useWidth } from './useWidth';

/** Between strings, in pixels: many strings lie closer. */
export interface Gaps {
  readonly wide: number;
  readonly close: number;
  /** What stands beside the neck on a wide window, in rem. */
  readonly beside?: number;
}

const MANY_STRINGS = 7;
const SIZES: Record<Prefs['size'], number> = { normal: 1, large: 1.35 };
/** How large marks and letters are drawn: what the player chose, by the browser's letter size. */
export function useMarkScale(): number {
  const { size } = usePrefs();
  return SIZES[size] * letters();
}

/** Border and padding of the card that a neck stands in, in pixels. */
const NECK_CARD = 26;

/** A neck in its holder, which scrolls where the neck is wider. */
export interface NeckPlace {
  readonly holder: RefObject<HTMLDivElement | null>;
  /** Of the holder, in pixels; 0 before it is known. */
  readonly width: number;
  readonly g: NeckGeometry;
  /** How far two fingers have drawn it out: 1 to 3. */
  readonly zoom: number;
  readonly setZoom: (zoom: number) => void;
}

/** A neck as wide as its holder, or wider where the frets would be too narrow to read; `span` frets share the width. */
export function useNeckGeometry(instrument: Instrument, { wide, close, beside = 0 }: Gaps, span = instrument.frets): NeckPlace {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder, () => likelyWidth(NECK_CARD, beside));
  const [zoom, setZoom] = useState(1);
  const scale = useMarkScale() * zoom;
  const g = useMemo(() => fitted(instrument, { wide, close }, width, scale, span), [width, instrument, wide, close, scale, span]);
  return { holder, width, g, zoom, setZoom };
}

function fitted(instrument: Instrument, { wide, close }: Gaps, width: number, scale: number, span: number): NeckGeometry {
  return neckGeometry({
    width: Math.max(width, minWidth(span, scale)),
    frets: instrument.frets,
    strings: instrument.strings.length,
    nut: nutFret(instrument),
    gap: (instrument.strings.length > MANY_STRINGS ? close : wide) * scale,
    mirrored: instrument.handedness === 'left',
    scale,
    span,
  });
}

/** Another neck in the same holder, fret under fret: they scroll and grow together. */
export function useNeckUnder({ width, g }: NeckPlace, instrument: Instrument, { wide, close }: Gaps, span: number): NeckGeometry {
  const { scale } = g;
  return useMemo(() => fitted(instrument, { wide, close }, width, scale, span), [width, instrument, wide, close, scale, span]);
}

/** On a narrow screen the neck scrolls to the hand. */
export function keepInSight(
  holder: HTMLElement | null,
  width: number,
  g: NeckGeometry,
  frets: { readonly from: number; readonly to: number } | null,
): void {
  if (!holder || !frets || width >= g.width) return;
  const [a, b] = [wireX(g, Math.max(0, frets.from - 1)), wireX(g, Math.min(g.frets, frets.to))];
  holder.scrollTo({ left: (a + b) / 2 - width / 2 });
}
