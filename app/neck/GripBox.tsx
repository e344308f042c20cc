import { memo } from 'react';
import { glyphs, type Instrument } from '../../core';
import type { Item } from '../../formats/sheet/drawing';
import { gripItems, gripSize, type DrawnGrip, type GripInk } from '../../formats/sheet/grip';
import { SvgSigns } from '../letters/Signs';

const INK: GripInk = { line: 'var(--color-soft)', dot: 'var(--color-ink)', finger: 'var(--color-sheet)', text: 'var(--color-ink)' };
const CELL = { gap: 15, fret: 17 };

/** A grip as it goes on paper, in the colours of the page. */
export const GripBox = memo(function GripBox({
  instrument,
  grip,
  title,
}: {
  readonly instrument: Instrument;
  readonly grip: DrawnGrip;
  readonly title: string;
}) {
  const { width, height } = gripSize(instrument, grip, CELL);
  return (
    <svg width={width} height={height} role="img" aria-label={glyphs(title)} fontFamily="var(--font-text)" className="mx-auto block">
      {gripItems(instrument, grip, { x: 0, y: 0, ...CELL }, INK).map((item, k) => (
        <Drawn key={k} item={item} />
      ))}
    </svg>
  );
});

function Drawn({ item }: { readonly item: Item }) {
  if (item.kind === 'line')
    return <line x1={item.x1} y1={item.y1} x2={item.x2} y2={item.y2} stroke={item.colour} strokeWidth={item.width} />;
  if (item.kind === 'shape')
    return <path transform={`translate(${item.x} ${item.y})`} d={item.path} fill={item.fill ?? 'none'} stroke={item.stroke ?? 'none'} strokeWidth={item.width} />; // prettier-ignore
  return (
    <text x={item.x} y={item.y} fontSize={item.size} fontWeight={item.bold ? 600 : 400} textAnchor={item.anchor} fill={item.colour}>
      <SvgSigns>{item.text}</SvgSigns>
    </text>
  );
}
