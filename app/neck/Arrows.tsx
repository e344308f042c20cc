import type { Place } from '../../core';
import { fretX, stringY, type NeckGeometry } from './geometry';

/** A way from one place to another. */
export interface Arrow {
  readonly from: Place;
  readonly to: Place;
}

/** Half a mark, and what the head takes. */
const OFF = 17;
const HEAD = 9;

/** Arrows from mark to mark, in brass; over the marks. */
export function Arrows({ g, arrows }: { readonly g: NeckGeometry; readonly arrows: readonly Arrow[] }) {
  return arrows.map(({ from, to }) => {
    const [x1, y1, x2, y2] = [fretX(g, from.fret), stringY(g, from.string), fretX(g, to.fret), stringY(g, to.string)];
    const length = Math.hypot(x2 - x1, y2 - y1);
    const [ux, uy] = [(x2 - x1) / (length || 1), (y2 - y1) / (length || 1)];
    const off = Math.min(OFF * g.scale, length / 3);
    const [sx, sy, ex, ey] = [x1 + ux * off, y1 + uy * off, x2 - ux * off, y2 - uy * off];
    const [bx, by] = [ex - ux * HEAD, ey - uy * HEAD];
    const key = `${from.string}/${from.fret}-${to.string}/${to.fret}`;
    return (
      <g key={key} data-arrow={key}>
        <line x1={sx} y1={sy} x2={bx} y2={by} stroke="#f2b84b" strokeWidth={2.5} />
        <polygon points={`${ex},${ey} ${bx - uy * 5.5},${by + ux * 5.5} ${bx + uy * 5.5},${by - ux * 5.5}`} fill="#f2b84b" />
      </g>
    );
  });
}
