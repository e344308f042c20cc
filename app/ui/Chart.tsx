import { useRef, type ReactNode } from 'react';
import { useWidth } from '../neck/useWidth';
import { Signs } from '../letters/Signs';

/** Drawn height of a chart, and what its axes take. */
export const HEIGHT = 170;
export const PAD = { left: 38, right: 14, top: 10, bottom: 26 };

/** A chart in a card: its drawing for the eye, its values in a sentence for the ear. Without that sentence they are still being read. */
export function Chart({
  title,
  about,
  said,
  tools,
  children,
}: {
  readonly title: string;
  readonly about: string;
  readonly said: string | undefined;
  readonly tools?: ReactNode;
  readonly children: (width: number) => ReactNode;
}) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder);
  return (
    <section className="min-w-0 rounded-[10px] border border-line bg-sheet p-4">
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <h2 className="text-[0.875rem] font-semibold">
          <Signs>{title}</Signs>
        </h2>
        <span className="grow text-xs text-soft">{about}</span>
        {tools}
      </div>
      <div ref={holder} style={{ minHeight: HEIGHT }} aria-busy={said === undefined} data-coming={said === undefined ? '' : undefined}>
        {width > 0 && said !== undefined && (
          <svg width={width} height={HEIGHT} role="img" aria-label={said} className="block font-text">
            {children(width)}
          </svg>
        )}
      </div>
    </section>
  );
}

export const Text = ({
  x,
  y,
  anchor = 'middle',
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly children: string | number;
}) => (
  <text transform={`translate(${x} ${y})`} textAnchor={anchor} fontSize={12} fill="var(--soft)">
    {children}
  </text>
);

/** "3 Nov". */
export const shortDay = (day: string): string =>
  new Date(`${day}T12:00:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });

/** Horizontal lines with their values. */
export function Grid({ values, y, width }: { readonly values: number[]; readonly y: (v: number) => number; readonly width: number }) {
  return values.map((v) => (
    <g key={v}>
      <line x1={PAD.left} x2={width - PAD.right} y1={y(v)} y2={y(v)} stroke="var(--line)" />
      <Text x={PAD.left - 6} y={y(v) + 4} anchor="end">
        {v}
      </Text>
    </g>
  ));
}
