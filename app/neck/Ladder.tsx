import { memo, useEffect, useMemo, useRef } from 'react';
import { glyphs, type Seam, type Shape } from '../../core';
import { seamLine } from '../words/shape-text';
import { Signs } from '../letters/Signs';
import { lanesOf, wireX, fretX, type NeckGeometry } from './geometry';
import { DRAWING } from '../words/views/drawing';

interface Props {
  readonly g: NeckGeometry;
  readonly shapes: Shape[];
  readonly current: number;
  readonly onChoose: (index: number) => void;
  readonly seams: Seam[];
  /** The seam that is shown, or -1. */
  readonly seam: number;
  readonly onSeam: (index: number) => void;
}

/** Under a finger everything is pressed with more room. */
const FINGER = typeof matchMedia === 'function' && matchMedia('(pointer: coarse)').matches;
const LANE = FINGER ? 46 : 32;
const spanOf = (g: NeckGeometry, s: Shape): { readonly from: number; readonly to: number } => {
  const low = s.lowFret === g.nut ? fretX(g, g.nut) - 8 : wireX(g, s.lowFret - 1) + 5;
  const ends = [g.mirrored && s.lowFret === g.nut ? fretX(g, g.nut) + 8 : low, wireX(g, s.highFret) - 5].sort((a, b) => a - b);
  return { from: ends[0]!, to: ends[1]! };
};

/** The label's own width is not known before it is drawn; this is near enough to keep rungs apart. */
const labelPx = (label: string): number => label.length * 7.2 + 14;

function lanesFor(shapes: Shape[], spans: { readonly from: number; readonly to: number }[]): number[] {
  return lanesOf(
    spans.map(({ from, to }, k) => {
      const more = Math.max(0, labelPx(rungWords(shapes[k]!)) - (to - from)) / 2;
      return { from: from - more - 3, to: to + more + 3 };
    }),
  );
}

/** All shapes of the layout as rungs under the neck, each as wide as it lies. */
export const Ladder = memo(function Ladder({ g, shapes, current, onChoose, seams, seam, onSeam }: Props) {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const box = list.current;
    if (box?.contains(document.activeElement)) box.querySelector<HTMLElement>('[aria-checked=true]')?.focus();
  }, [current]);
  const spans = useMemo(() => shapes.map((s) => spanOf(g, s)), [g, shapes]);
  const lanes = useMemo(() => lanesFor(shapes, spans), [shapes, spans]);
  return (
    <>
      <div
        ref={list}
        role="radiogroup"
        aria-label={DRAWING.rungsOfTheLadderFrom}
        className="relative"
        style={{ height: LANE * (Math.max(0, ...lanes) + 1) + 8, width: g.width }}
      >
        {shapes.map((s, k) => (
          <Rung key={k} shape={s} on={k === current} {...spans[k]!} top={lanes[k]! * LANE + 6} index={k} onChoose={onChoose} />
        ))}
      </div>
      {seams.length > 0 && <Seams g={g} shapes={shapes} spans={spans} seams={seams} seam={seam} onSeam={onSeam} />}
    </>
  );
});

const SEAM_PX = FINGER ? 44 : 27;
const SEAM_LANE = FINGER ? 46 : 25;

type SeamsProps = Pick<Props, 'g' | 'shapes' | 'seams' | 'seam' | 'onSeam'> & {
  readonly spans: { readonly from: number; readonly to: number }[];
};

/** Between every two rungs how many places they share; chosen, both hands are shown on the neck. */
const Seams = memo(function Seams({ g, shapes, spans, seams, seam, onSeam }: SeamsProps) {
  const at = seams.map((_, k) => (Math.max(spans[k]!.from, spans[k + 1]!.from) + Math.min(spans[k]!.to, spans[k + 1]!.to)) / 2);
  const lanes = lanesOf(at.map((x) => ({ from: x - SEAM_PX / 2 - 1, to: x + SEAM_PX / 2 + 1 })));
  return (
    <div
      role="group"
      aria-label={DRAWING.seamsBetweenTheRungs}
      className="relative"
      style={{ height: SEAM_LANE * (Math.max(0, ...lanes) + 1), width: g.width }}
    >
      <span aria-hidden className="absolute top-0.5 text-[0.75rem] text-soft" style={g.mirrored ? { right: 0 } : { left: 0 }}>
        {DRAWING.seams}
      </span>
      {seams.map((s, k) => (
        <button
          key={shapes[k]!.id}
          type="button"
          aria-pressed={k === seam}
          aria-label={glyphs(DRAWING.seamOfWith(shapes[k]!.label, seamLine(shapes[k + 1]!, s)))}
          onClick={() => onSeam(k === seam ? -1 : k)}
          className={`num absolute flex h-[1.375rem] pointer-coarse:h-11 cursor-pointer items-center justify-center rounded-full border border-dashed text-[0.75rem] ${k === seam ? 'border-brass-deep bg-brass font-semibold text-brass-ink' : 'border-soft bg-sheet text-soft hover:text-ink'}`}
          style={{ left: at[k]! - SEAM_PX / 2, top: lanes[k]! * SEAM_LANE, width: SEAM_PX }}
        >
          {s.shared.length}
        </button>
      ))}
    </div>
  );
});

/** A window that needs no reach; other layouts promise no rest. */
const atRest = (s: Shape): boolean => s.id.startsWith('window') && s.stretches.length === 0;

/** Which windows need no reach is seen without choosing them. */
const rungWords = (s: Shape): string => (atRest(s) ? `${s.label}, at rest` : s.label);

interface RungProps {
  readonly shape: Shape;
  readonly on: boolean;
  readonly from: number;
  readonly to: number;
  readonly top: number;
  readonly index: number;
  readonly onChoose: (index: number) => void;
}

const Rung = memo(function Rung({ shape, on, from, to, top, index, onChoose }: RungProps) {
  const rail = on ? 'bg-brass h-[5px]' : 'bg-[#b7b1a1] h-[3px] dark-rail';
  return (
    <button
      type="button"
      role="radio"
      aria-checked={on}
      tabIndex={on ? 0 : -1}
      onClick={() => onChoose(index)}
      aria-label={glyphs(DRAWING.fretsTo(shape.label, shape.lowFret, shape.highFret, atRest(shape) ? ', at rest' : ''))}
      className="group absolute flex h-7 items-center pointer-coarse:h-11 justify-center"
      style={{ left: from, width: to - from, top }}
    >
      <span aria-hidden className={`absolute inset-x-0 top-1/2 -translate-y-1/2 rounded ${rail}`} />
      <span aria-hidden className={`absolute left-0 h-3 w-[2.4px] ${on ? 'bg-brass-deep' : 'bg-[#8d897d]'}`} />
      <span aria-hidden className={`absolute right-0 h-3 w-[2.4px] ${on ? 'bg-brass-deep' : 'bg-[#8d897d]'}`} />
      <span
        aria-hidden
        className={`relative rounded-[5px] border px-2 text-[0.78125rem] leading-5 font-semibold whitespace-nowrap ${on ? 'border-brass-deep bg-brass text-brass-ink' : 'border-line bg-sheet text-ink group-hover:border-soft'}`}
      >
        <Signs>{rungWords(shape)}</Signs>
      </span>
    </button>
  );
});
