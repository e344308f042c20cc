import { memo, useEffect, useMemo, useRef } from 'react';
import type { Shape } from '../../core';
import { Signs } from '../ui/Signs';
import { lanesOf, wireX, fretX, type NeckGeometry } from './geometry';

interface Props {
  g: NeckGeometry;
  shapes: Shape[];
  current: number;
  onChoose: (index: number) => void;
}

const LANE = 32;
const spanOf = (g: NeckGeometry, s: Shape): { from: number; to: number } => {
  const low = s.lowFret === g.nut ? fretX(g, g.nut) - 8 : wireX(g, s.lowFret - 1) + 5;
  const ends = [g.mirrored && s.lowFret === g.nut ? fretX(g, g.nut) + 8 : low, wireX(g, s.highFret) - 5].sort((a, b) => a - b);
  return { from: ends[0], to: ends[1] };
};

/** The label's own width is not known before it is drawn; this is near enough to keep rungs apart. */
const labelPx = (label: string): number => label.length * 7.2 + 14;

function lanesFor(shapes: Shape[], spans: { from: number; to: number }[]): number[] {
  return lanesOf(
    spans.map(({ from, to }, k) => {
      const more = Math.max(0, labelPx(rungWords(shapes[k])) - (to - from)) / 2;
      return { from: from - more - 3, to: to + more + 3 };
    }),
  );
}

/** All shapes of the layout as rungs under the neck, each as wide as it lies. */
export const Ladder = memo(function Ladder({ g, shapes, current, onChoose }: Props) {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const box = list.current;
    if (box?.contains(document.activeElement)) box.querySelector<HTMLElement>('[aria-checked=true]')?.focus();
  }, [current]);
  const spans = useMemo(() => shapes.map((s) => spanOf(g, s)), [g, shapes]);
  const lanes = useMemo(() => lanesFor(shapes, spans), [shapes, spans]);
  return (
    <div
      ref={list}
      role="radiogroup"
      aria-label="Rungs of the ladder, from the nut up"
      className="relative"
      style={{ height: LANE * (Math.max(0, ...lanes) + 1) + 8, width: g.width }}
    >
      {shapes.map((s, k) => (
        <Rung key={s.id} shape={s} on={k === current} {...spans[k]} top={lanes[k] * LANE + 6} index={k} onChoose={onChoose} />
      ))}
    </div>
  );
});

/** A window that needs no reach; other layouts promise no rest. */
const atRest = (s: Shape): boolean => s.id.startsWith('window') && s.stretches.length === 0;

/** Which windows need no reach is seen without choosing them. */
const rungWords = (s: Shape): string => (atRest(s) ? `${s.label}, at rest` : s.label);

interface RungProps {
  shape: Shape;
  on: boolean;
  from: number;
  to: number;
  top: number;
  index: number;
  onChoose: (index: number) => void;
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
      aria-label={`${shape.label}, frets ${shape.lowFret} to ${shape.highFret}${atRest(shape) ? ', at rest' : ''}`}
      className="group absolute flex h-7 items-center justify-center"
      style={{ left: from, width: to - from, top }}
    >
      <span aria-hidden className={`absolute inset-x-0 top-1/2 -translate-y-1/2 rounded ${rail}`} />
      <span aria-hidden className={`absolute left-0 h-3 w-[2.4px] ${on ? 'bg-brass-deep' : 'bg-[#8d897d]'}`} />
      <span aria-hidden className={`absolute right-0 h-3 w-[2.4px] ${on ? 'bg-brass-deep' : 'bg-[#8d897d]'}`} />
      <span
        aria-hidden
        className={`relative rounded-[5px] border px-2 text-[12.5px] leading-5 font-semibold whitespace-nowrap ${on ? 'border-brass-deep bg-brass text-brass-ink' : 'border-line bg-sheet text-ink group-hover:border-soft'}`}
      >
        <Signs>{rungWords(shape)}</Signs>
      </span>
    </button>
  );
});
