import { memo } from 'react';
import { firstCounted, fretNumber, type Instrument } from '../../core';
import { usePrefs } from '../store/prefs';
import { SvgSigns } from '../letters/Signs';
import { INLAYS, fretX, isOctave, stringY, wireX, type NeckGeometry } from './geometry';
import { EBONY } from './mark-colours';
import { noteText } from './marks';

const WIRE = '#7d7a72';
const WOUND = '#b79a62';
const PLAIN = '#c9c9c9';

/** A bird's footprint, pointing to the nut. */
function Footprint({ x, y, g }: { readonly x: number; readonly y: number; readonly g: NeckGeometry }) {
  return (
    <g
      transform={`translate(${x} ${y}) scale(${g.mirrored ? -g.scale : g.scale} ${g.scale})`}
      stroke="#6c6a63"
      strokeWidth={2}
      fill="none"
      strokeLinecap="round"
      opacity={0.85}
    >
      <path d="M-8 0H7M-1 0L8 -6M-1 0L8 6" />
    </g>
  );
}

function Inlays({ g }: { readonly g: NeckGeometry }) {
  const middle = (g.top + g.bottom) / 2;
  const away = Math.min(g.gap, (g.bottom - g.top) / 4);
  const frets = INLAYS.filter((f) => f <= g.frets);
  return frets.flatMap((f) => {
    const ys = isOctave(f) ? [middle - away, middle + away] : [middle];
    return ys.map((y) => <Footprint key={`${f}-${y}`} x={fretX(g, f)} y={y} g={g} />);
  });
}

function Wires({ g }: { readonly g: NeckGeometry }) {
  const frets = Array.from({ length: g.frets }, (_, k) => k + 1);
  return frets.map((f) => (
    <line
      key={f}
      x1={wireX(g, f)}
      x2={wireX(g, f)}
      y1={g.top}
      y2={g.bottom}
      stroke={WIRE}
      strokeWidth={isOctave(f) ? 2.2 : 1.3}
      opacity={0.75}
    />
  ));
}

function Strings({ g, instrument }: { readonly g: NeckGeometry; readonly instrument: Instrument }) {
  const naming = usePrefs();
  return instrument.strings.map((s, k) => {
    const y = stringY(g, k + 1);
    const wound = s.wound ?? k > 2;
    return (
      <g key={k}>
        <line
          x1={wireX(g, 0)}
          x2={wireX(g, g.frets)}
          y1={y}
          y2={y}
          stroke={wound ? WOUND : PLAIN}
          strokeWidth={(0.9 + Math.min(k + 1, 9) * 0.32) * g.scale}
          opacity={0.9}
        />
        <text
          transform={`translate(${g.mirrored ? g.width - 9 * g.scale : 9 * g.scale} ${y + 4.5 * g.scale})`}
          textAnchor="middle"
          fontSize={12.5 * g.scale}
          fill="var(--soft)"
        >
          <SvgSigns>{noteText(s.open.replace(/-?\d$/, ''), naming)}</SvgSigns>
        </text>
      </g>
    );
  });
}

/** The ebony, nut, wires, inlays and strings: redrawn only when the instrument or the size changes. */
export const Board = memo(function Board({ g, instrument }: { readonly g: NeckGeometry; readonly instrument: Instrument }) {
  const [x0, x1] = [wireX(g, 0), wireX(g, g.frets)].sort((a, b) => a - b);
  const from = firstCounted(instrument);
  const numbers = INLAYS.map((f) => from + f).filter((f) => f <= g.frets);
  return (
    <g>
      <defs>
        <linearGradient id="ebony" x1="0" x2="0" y1="0" y2="1">
          <stop offset="0" stopColor={EBONY[0]} />
          <stop offset="1" stopColor={EBONY[1]} />
        </linearGradient>
      </defs>
      <rect x={x0} y={g.top} width={x1! - x0!} height={g.bottom - g.top} rx={3} fill="url(#ebony)" stroke="#4a4c55" strokeWidth={1} />
      <Wires g={g} />
      <rect x={wireX(g, 0) - (g.mirrored ? 0 : 6)} y={g.top} width={6} height={g.bottom - g.top} fill="#ece4d1" />
      <Inlays g={g} />
      <Strings g={g} instrument={instrument} />
      {g.nut > 0 && <Capo g={g} />}
      {numbers.map((f) => (
        <text
          key={f}
          data-fret={f}
          x={fretX(g, f)}
          y={g.top - 9 * g.scale}
          textAnchor="middle"
          fontSize={12.5 * g.scale}
          fill="var(--soft)"
        >
          {fretNumber(instrument, f)}
        </text>
      ))}
    </g>
  );
});

/** The clamp behind its fret; what lies below it is out of play. */
function Capo({ g }: { readonly g: NeckGeometry }) {
  const [a, b] = [wireX(g, 0), wireX(g, g.nut - 1)].sort((p, q) => p - q);
  const x = fretX(g, g.nut);
  return (
    <g>
      {g.nut > 1 && <rect x={a} y={g.top} width={b! - a!} height={g.bottom - g.top} fill="var(--paper)" opacity={0.72} />}
      <rect x={x - 6} y={g.top - 5} width={12} height={g.bottom - g.top + 10} rx={4} fill="#8b8d94" stroke="#16181d" />
    </g>
  );
}
