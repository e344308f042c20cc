import { scaleLinear } from 'd3-scale';
import { useRef } from 'react';
import type { PassScore } from '../../../core';
import { useWidth } from '../../neck/useWidth';
import { LISTEN } from '../../words/views/listen';
import { offWords } from '../../words/heard-text';

const HEIGHT = 74;
const PAD = 10;
/** Early and late has room for so many times the limit. */
const SHOWN = 1.5;

interface Props {
  readonly score: PassScore;
  readonly lateMs: number;
  readonly nameOf: (k: number) => string;
}

/** The notes of a pass in a row, each a bar from its time downwards (late) or upwards (early); the limits shaded. Wrong and missed ones by their signs. */
export function TimingStrip({ score, lateMs, nameOf }: Props) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder);
  const { notes } = score;
  const x = scaleLinear([-0.5, notes.length - 0.5], [PAD + 34, width - PAD]);
  const y = scaleLinear([-SHOWN * lateMs, SHOWN * lateMs], [PAD, HEIGHT - PAD]).clamp(true);
  const bar = Math.max(2, Math.min(12, (x(1) - x(0)) * 0.6));
  const said = notes.map((n, k) => `${nameOf(k)} ${n.verdict === 'right' ? offWords(n.offMs ?? 0) : n.verdict}`).join(', ');
  return (
    <div ref={holder} className="min-w-0">
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-label={`${LISTEN.each}: ${said}`} className="block font-text">
          <rect
            x={PAD + 34}
            width={Math.max(0, width - 2 * PAD - 34)}
            y={y(-lateMs)}
            height={y(lateMs) - y(-lateMs)}
            fill="var(--feather-wash)"
          />
          <line x1={PAD + 34} x2={width - PAD} y1={y(0)} y2={y(0)} stroke="var(--soft)" />
          <text transform={`translate(0 ${PAD + 8})`} fontSize={12} fill="var(--soft)">
            {LISTEN.early}
          </text>
          <text transform={`translate(0 ${HEIGHT - PAD})`} fontSize={12} fill="var(--soft)">
            {LISTEN.late}
          </text>
          {notes.map((n, k) => (
            <NoteSign key={k} note={n} x={x(k)} y={y} width={bar} lateMs={lateMs} />
          ))}
        </svg>
      )}
    </div>
  );
}

interface SignProps {
  readonly note: PassScore['notes'][number];
  readonly x: number;
  /** Where so many ms late lie. */
  readonly y: (ms: number) => number;
  readonly width: number;
  readonly lateMs: number;
}

function NoteSign({ note, x, y, width, lateMs }: SignProps) {
  if (note.verdict !== 'right')
    return (
      <text transform={`translate(${x} ${y(0) + 5})`} textAnchor="middle" fontSize={14} fontWeight={700} fill="var(--clay)">
        {note.verdict === 'wrong' ? '×' : '○'}
      </text>
    );
  const off = note.offMs ?? 0;
  const fine = Math.abs(off) <= lateMs;
  const [top, bottom] = [y(Math.min(0, off)), y(Math.max(0, off))];
  return (
    <rect
      x={x - width / 2}
      width={width}
      y={top - 1}
      height={bottom - top + 2}
      fill={fine ? 'var(--feather)' : 'var(--clay)'}
      stroke={fine ? 'none' : 'var(--ink)'}
    />
  );
}
