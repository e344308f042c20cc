import type { Place } from '../../core';
import { fretX, stringY, type NeckGeometry } from './geometry';

/** Rings round the places of a grip, over the marks. */
export function GripRings({ g, grip }: { g: NeckGeometry; grip: readonly Place[] }) {
  return grip.map((p) => (
    <circle
      key={p.string}
      data-held={`${p.string}/${p.fret}`}
      cx={fretX(g, p.fret)}
      cy={stringY(g, p.string)}
      r={19 * g.scale}
      fill="none"
      stroke="#8fc9d0"
      strokeWidth={2.5}
      strokeDasharray="5 3"
    />
  ));
}
