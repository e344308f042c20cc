import { memo, type ReactNode } from 'react';
import type { Instrument } from '../../core';
import { Board } from './Board';
import { fretX, stringY, wireX, type NeckGeometry } from './geometry';
import { Mark } from './Mark';
import type { NeckMark } from './marks';

interface Props {
  readonly g: NeckGeometry;
  readonly instrument: Instrument;
  readonly marks: NeckMark[];
  /** What the picture shows, in a sentence; the table beside it has the rest. */
  readonly title: string;
  /** Frets under the hand, lightened. */
  readonly band?: { readonly from: number; readonly to: number };
  /** Drawn under the marks, in the neck's coordinates. */
  readonly under?: ReactNode;
  /** Drawn over the marks, in the neck's coordinates. */
  readonly children?: ReactNode;
}

function Band({ g, from, to }: { readonly g: NeckGeometry; readonly from: number; readonly to: number }) {
  const [a, b] = [wireX(g, Math.max(0, from - 1)), wireX(g, to)].sort((p, q) => p - q);
  return <rect x={a! + 2} y={g.top} width={Math.max(0, b! - a! - 4)} height={g.bottom - g.top} fill="#fff" opacity={0.07} />;
}

/** Each mark by its string and its number on it: in another key the same marks move, none is drawn anew. */
function keysOf(marks: readonly NeckMark[]): string[] {
  const counts: number[] = [];
  return marks.map((m) => `${m.string}/${(counts[m.string] = (counts[m.string] ?? 0) + 1)}`);
}

/** The one component that draws a neck. Views hand it marks. */
export const Neck = memo(function Neck({ g, instrument, marks, title, band, under, children }: Props) {
  const keys = keysOf(marks);
  return (
    <svg width={g.width} height={g.height + 4} role="img" aria-label={title} className="block select-none" fontFamily="var(--font-text)">
      <Board g={g} instrument={instrument} />
      {band && <Band g={g} {...band} />}
      {under}
      {marks.map((m, k) => (
        <Mark
          key={keys[k]}
          x={fretX(g, m.fret)}
          y={stringY(g, m.string)}
          look={m.look}
          text={m.text}
          bar={m.bar}
          aside={m.aside}
          scale={g.scale}
          mirrored={g.mirrored}
        />
      ))}
      {children}
    </svg>
  );
});
