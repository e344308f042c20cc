import type { MouseEvent } from 'react';
import type { Place } from '../../core';
import { boardPlace, type NeckGeometry } from './geometry';

/** Takes presses on the board. The keyboard has the typed grip. */
export function Presses({ g, onPress }: { readonly g: NeckGeometry; readonly onPress: (place: Place) => void }) {
  const at = ({ currentTarget, clientX, clientY }: MouseEvent<SVGRectElement>): Place => {
    const box = currentTarget.getBoundingClientRect();
    return boardPlace(g, clientX - box.left, clientY - box.top + g.top);
  };
  return <rect x={0} y={g.top} width={g.width} height={g.bottom - g.top} fill="transparent" data-board onClick={(e) => onPress(at(e))} />;
}
