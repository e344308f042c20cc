import { useDrag } from '@use-gesture/react';
import type { RefObject } from 'react';

/** Where a drag stands. */
export interface Drag {
  readonly first: boolean;
  readonly last: boolean;
  readonly canceled: boolean;
  /** In the window. */
  readonly xy: readonly [number, number];
}

interface Props {
  readonly on: RefObject<Element | null>;
  readonly onDrag: (drag: Drag) => void;
}

/** Lets what is in an element be taken hold of; loaded once the view stands. */
export function DragOn({ on, onDrag }: Props) {
  useDrag(onDrag, { target: on });
  return null;
}
