import { placeKey, type Place } from '../../core';
import { fretX, stringY, type NeckGeometry } from './geometry';
import type { NeckMark } from './marks';

interface Props {
  readonly g: NeckGeometry;
  readonly places: readonly Place[];
  /** The note's name, written where the neck says nothing. */
  readonly name: string;
  readonly inScale: boolean;
  readonly marks: readonly NeckMark[];
}

/** What sounds now, on every place it can be: a double ring in the scale, a dashed one with its name outside it. */
export function Sounding({ g, places, name, inScale, marks }: Props) {
  const said = new Set(marks.filter((m) => m.text).map(placeKey));
  return places.map((p) => {
    const [x, y] = [fretX(g, p.fret), stringY(g, p.string)];
    return (
      <g key={placeKey(p)} data-sounding={placeKey(p)}>
        {!said.has(placeKey(p)) && (
          <>
            <circle cx={x} cy={y} r={14 * g.scale} fill="#25262c" />
            <text x={x} y={y + 5 * g.scale} textAnchor="middle" fontSize={14 * g.scale} fontWeight={600} fill="#fff6dc">
              {name}
            </text>
          </>
        )}
        <circle
          cx={x}
          cy={y}
          r={19 * g.scale}
          fill="none"
          stroke={inScale ? '#fff6dc' : '#f0927a'}
          strokeWidth={3}
          strokeDasharray={inScale ? undefined : '4 4'}
        />
        {inScale && <circle cx={x} cy={y} r={23.5 * g.scale} fill="none" stroke="#fff6dc" strokeWidth={1.5} />}
      </g>
    );
  });
}
