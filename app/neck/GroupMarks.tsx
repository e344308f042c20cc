import { handGroups, type HandGroup, type Shape } from '../../core';
import { fretX, stringY, type NeckGeometry } from './geometry';
import { DRAWING } from '../words/views/drawing';

const ROUND = 19;
const SIGNS: Record<Exclude<HandGroup['by'], 'start'>, { readonly sign: string; readonly word: string }> = {
  shift: { sign: '^', word: DRAWING.shift },
  slide: { sign: '~', word: DRAWING.slide },
};

/** The hand's groups along a string, each in its frame, and at each change whether the hand shifts (^) or slides (~). */
export function GroupMarks({ g, shape }: { readonly g: NeckGeometry; readonly shape: Shape }) {
  const round = ROUND * g.scale;
  return handGroups(shape).map(({ notes, by }, k) => {
    const [first, last] = [notes[0], notes[notes.length - 1]];
    const ends = [fretX(g, first!.fret), fretX(g, last!.fret)].sort((a, b) => a - b);
    const y = stringY(g, first!.string);
    const before = shape.notes[shape.notes.indexOf(first!) - 1]!;
    return (
      <g key={first!.fret}>
        <rect
          x={ends[0]! - round}
          y={y - round}
          width={ends[1]! - ends[0]! + 2 * round}
          height={2 * round}
          rx={round}
          fill="none"
          stroke="#f2d9a0"
          strokeWidth={1.6}
          strokeDasharray={k % 2 ? '5 4' : undefined}
        />
        {by !== 'start' && (
          <text
            x={(fretX(g, before.fret) + fretX(g, first!.fret)) / 2}
            y={y - round - 4}
            textAnchor="middle"
            fontSize={15 * g.scale}
            fontWeight={700}
            fill="#f2d9a0"
          >
            <title>{SIGNS[by].word}</title>
            {SIGNS[by].sign}
          </text>
        )}
      </g>
    );
  });
}
