import { glyphs, placeKey, type Place } from '../../core';
import { fretX, stringY, type NeckGeometry } from './geometry';
import type { NeckMark } from './marks';

interface Props {
  readonly g: NeckGeometry;
  readonly grip: readonly Place[];
  /** What each place of the grip is in its chord, in the order of the grip. */
  readonly degrees: readonly string[];
  /** What the neck shows already: a place without words there gets its degree of the chord. */
  readonly marks: readonly NeckMark[];
}

/** Rings round the places of a grip, over the marks. */
export function GripRings({ g, grip, degrees, marks }: Props) {
  const said = new Set(marks.filter((m) => m.text).map(placeKey));
  return grip.map((p, k) => {
    const [x, y] = [fretX(g, p.fret), stringY(g, p.string)];
    return (
      <g key={p.string} data-held={placeKey(p)}>
        {!said.has(placeKey(p)) && (
          <>
            <circle cx={x} cy={y} r={14 * g.scale} fill="#25262c" />
            <text x={x} y={y + 5 * g.scale} textAnchor="middle" fontSize={14 * g.scale} fontWeight={600} fill="#dff0f2">
              {glyphs(degrees[k] ?? '')}
            </text>
          </>
        )}
        <circle cx={x} cy={y} r={19 * g.scale} fill="none" stroke="#8fc9d0" strokeWidth={2.5} strokeDasharray="5 3" />
      </g>
    );
  });
}
