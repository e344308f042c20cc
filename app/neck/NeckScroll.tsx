import type { ReactNode } from 'react';
import type { Instrument } from '../../core';
import { usePrefs } from '../store/prefs';
import { later } from '../ui/later';
import { SvgSigns } from '../letters/Signs';
import { stringY, type NeckGeometry } from './geometry';
import { noteText } from './marks';
import type { NeckPlace } from './useNeckGeometry';

const Pinch = later(async () => (await import('./Pinch')).Pinch, { spare: true });
/** Whether this screen can be touched. */
const TOUCHED = typeof navigator === 'object' && navigator.maxTouchPoints > 0;

interface Props {
  readonly neck: NeckPlace;
  readonly instrument: Instrument;
  readonly label: string;
  /** Off where several necks scroll together, each with its own names. */
  readonly names?: boolean;
  readonly children: ReactNode;
}

/** Holds a neck that may be wider than the screen: it scrolls sideways, two fingers zoom it, and the strings' names stay in sight. */
export function NeckScroll({ neck: { holder, width, g, zoom, setZoom }, instrument, label, names = true, children }: Props) {
  const scrolls = width > 0 && width < g.width;
  return (
    <div
      ref={holder}
      className="neck-scroll relative min-w-0 touch-pan-x touch-pan-y overflow-x-auto contain-content"
      tabIndex={scrolls ? 0 : -1}
      role="group"
      aria-label={label}
    >
      {width > 0 && (
        <>
          {TOUCHED && <Pinch on={holder} zoom={zoom} onZoom={setZoom} />}
          {scrolls && names && <StringNames g={g} instrument={instrument} />}
          {children}
        </>
      )}
    </div>
  );
}

/** The strings' names at the edge of a neck that is scrolled. */
export function StringNames({ g, instrument }: { readonly g: NeckGeometry; readonly instrument: Instrument }) {
  const naming = usePrefs();
  const wide = 20 * g.scale;
  return (
    <div
      aria-hidden
      className={`pointer-events-none sticky z-[2] h-0 w-0 ${g.mirrored ? 'right-0' : 'left-0'}`}
      style={g.mirrored ? { marginLeft: g.width } : undefined}
    >
      <svg width={wide} height={g.height} className={`absolute top-0 ${g.mirrored ? 'right-0' : 'left-0'}`} data-string-names>
        <rect width={wide} height={g.height} fill="var(--sheet)" opacity={0.86} />
        {instrument.strings.map((s, k) => (
          <text
            key={k}
            transform={`translate(${wide / 2} ${stringY(g, k + 1) + 4.5 * g.scale})`}
            textAnchor="middle"
            fontSize={12.5 * g.scale}
            fontWeight={600}
            fill="var(--ink)"
          >
            <SvgSigns>{noteText(s.open.replace(/-?\d$/, ''), naming)}</SvgSigns>
          </text>
        ))}
      </svg>
    </div>
  );
}
