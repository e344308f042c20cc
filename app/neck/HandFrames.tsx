import type { NeckGeometry } from './geometry';
import type { HandSpan } from './path';
import { DRAWING } from '../words/views/drawing';

/** Hands are told apart by the pattern of their rail as well as by colour. */
const RAILS = [
  { stroke: '#d39a35', dash: undefined },
  { stroke: '#8fc0c4', dash: '5 4' },
  { stroke: '#d9cba6', dash: undefined },
  { stroke: '#e58f78', dash: '2 3' },
];
export const railOf = (h: Pick<HandSpan, 'stays'>): (typeof RAILS)[number] => RAILS[(h.stays[0]! - 1) % RAILS.length]!;

/** Where the hand lies, as frames on the board. */
export function HandFrames({ g, spans }: { readonly g: NeckGeometry; readonly spans: HandSpan[] }) {
  return spans.map((h, k) => {
    const rail = railOf(h);
    const inset = 2 + (k % 3);
    return (
      <rect
        key={h.fret}
        x={h.from}
        y={g.top + inset}
        width={h.to - h.from}
        height={g.bottom - g.top - 2 * inset}
        rx={6}
        fill="none"
        stroke={rail.stroke}
        strokeWidth={1.4}
        strokeDasharray={rail.dash}
        opacity={0.75}
      />
    );
  });
}

const LANE = 30;

/** The same places named under the neck. */
export function HandRails({
  g,
  spans,
  words,
}: {
  readonly g: NeckGeometry;
  readonly spans: HandSpan[];
  readonly words: (h: HandSpan) => string;
}) {
  const height = LANE * (Math.max(0, ...spans.map((h) => h.lane)) + 1) + 4;
  return (
    <div className="relative" style={{ width: g.width, height }}>
      <svg aria-hidden width={g.width} height={height} className="absolute inset-0">
        {spans.map((h) => {
          const y = h.lane * LANE + 14;
          return (
            <g key={h.fret}>
              <path d={`M${h.from} ${y}H${h.to}`} stroke={railOf(h).stroke} strokeWidth={4} strokeDasharray={railOf(h).dash} />
              <path d={`M${h.from} ${y - 6}v12M${h.to} ${y - 6}v12`} stroke="var(--soft)" strokeWidth={2} />
            </g>
          );
        })}
      </svg>
      <ol aria-label={DRAWING.placesOfTheHand}>
        {spans.map((h) => (
          <li
            key={h.fret}
            className="num absolute -translate-x-1/2 rounded-[5px] border border-line bg-sheet px-2 text-[0.75rem] leading-5 font-semibold whitespace-nowrap"
            style={{ left: (h.from + h.to) / 2, top: h.lane * LANE + 3 }}
          >
            {words(h)}
          </li>
        ))}
      </ol>
    </div>
  );
}
