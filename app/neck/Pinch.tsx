import { usePinch } from '@use-gesture/react';
import type { RefObject } from 'react';

/** Two fingers draw a neck out so far. */
const ZOOM = { min: 1, max: 3 };

interface Props {
  readonly on: RefObject<HTMLElement | null>;
  readonly zoom: number;
  readonly onZoom: (zoom: number) => void;
}

/** Lets two fingers zoom what is in an element; loaded where a screen can be touched. */
export function Pinch({ on, zoom, onZoom }: Props) {
  usePinch(({ offset: [next] }) => onZoom(next), {
    target: on,
    scaleBounds: ZOOM,
    from: () => [zoom, 0],
    eventOptions: { passive: false },
    pinchOnWheel: false,
  });
  return null;
}
