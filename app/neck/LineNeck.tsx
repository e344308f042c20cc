import { memo, useEffect, useMemo, useRef, useState } from 'react';
import {
  toneInChord,
  midiOf,
  nutFret,
  placeIndex,
  placesOf,
  type FingeredStep,
  type Instrument,
  type NeckNote,
  type Place,
} from '../../core';
import { boardPlace, fretX, stringY, type NeckGeometry } from './geometry';
import { HandFrames, HandRails } from './HandFrames';
import { Legend } from './Legend';
import type { NeckMark } from './marks';
import { Neck } from './Neck';
import { NeckScroll } from './NeckScroll';
import { handSpans, pathLine, pathMarks, shiftsAt, type HandSpan } from './path';
import { keepInSight, useNeckGeometry } from './useNeckGeometry';
import { later } from '../ui/later';
import type { Drag } from './DragOn';
import { DRAWING } from '../words/views/drawing';

interface Props {
  readonly instrument: Instrument;
  readonly notes: NeckNote[];
  readonly steps: FingeredStep[];
  readonly title: string;
  readonly chosen: number;
  readonly sounding: number;
  readonly onChoose: (index: number) => void;
  /** A note was dropped on another of its places; without it no note can be taken hold of. */
  readonly onHold?: (index: number, place: Place) => void;
  /** A chord whose degrees the notes show in place of their fingers. */
  readonly chord?: string | null;
  /** An empty place of the board was pressed. */
  readonly onPlace?: (place: Place) => void;
}

const GAPS = { wide: 36, close: 30 };
const spanWords = (h: HandSpan): string => `hand ${h.stays.join(', ')}: fret ${h.fret}`;
const labelPx = (stays: number[]): number => 7 * (14 + 3 * stays.length);

/** The neck with the path of a line over it, and the places of the hand beneath. Notes can be dragged to their other places. */
export const LineNeck = memo(function LineNeck({
  instrument,
  notes,
  steps,
  title,
  chosen,
  sounding,
  onChoose,
  onHold,
  onPlace,
  chord = null,
}: Props) {
  const neck = useNeckGeometry(instrument, GAPS);
  const { holder, width, g } = neck;
  const marks = useMemo(() => {
    const own = pathMarks(notes, steps, nutFret(instrument));
    return chord === null ? own : inChord(own, steps, instrument, chord);
  }, [notes, steps, instrument, chord]);
  const spans = useMemo(() => handSpans(g, instrument, steps, labelPx), [g, instrument, steps]);
  const under = useMemo(() => <Under g={g} steps={steps} spans={spans} />, [g, steps, spans]);
  const hand = (steps[sounding] ?? steps[chosen] ?? steps[0])?.handFret ?? 1;
  useEffect(() => keepInSight(holder.current, width, g, { from: hand, to: hand + 3 }), [holder, width, g, hand]);
  return (
    <div className="rounded-[10px] border border-line bg-sheet p-3">
      <NeckScroll neck={neck} instrument={instrument} label={DRAWING.neckAndHands}>
        <Neck g={g} instrument={instrument} marks={marks} title={title} under={under}>
          <Shifts g={g} steps={steps} />
          {[chosen, sounding].map((k, n) => steps[k] && <Ring key={n} g={g} at={steps[k]} bold={n === 1} />)}
          <Handles g={g} instrument={instrument} steps={steps} chosen={chosen} onChoose={onChoose} onHold={onHold} onPlace={onPlace} />
        </Neck>
        <HandRails g={g} spans={spans} words={spanWords} />
      </NeckScroll>
      <Legend marks={marks} />
    </div>
  );
});

/** The notes of a line by their degrees of a chord; those that are no tone of it smaller, without a sign. */
function inChord(marks: readonly NeckMark[], steps: readonly Place[], i: Instrument, chord: string): NeckMark[] {
  const played = new Set(steps.map(placeIndex));
  return marks.map((m) => {
    if (!played.has(placeIndex(m))) return m;
    const degree = toneInChord(chord, soundOf(i, m));
    return degree === null ? { ...m, text: '', aside: true } : { ...m, text: degree, bar: true };
  });
}

const Ring = ({ g, at, bold }: { readonly g: NeckGeometry; readonly at: Place; readonly bold: boolean }) => (
  <circle
    cx={fretX(g, at.fret)}
    cy={stringY(g, at.string)}
    r={19 * g.scale}
    fill="none"
    stroke={bold ? '#fff6dc' : '#8fc9d0'}
    strokeWidth={bold ? 3 : 2}
  />
);

function Under({ g, steps, spans }: { readonly g: NeckGeometry; readonly steps: FingeredStep[]; readonly spans: HandSpan[] }) {
  return (
    <g>
      <HandFrames g={g} spans={spans} />
      <path d={pathLine(g, steps)} fill="none" stroke="#c08a2b" strokeWidth={3} strokeLinejoin="round" opacity={0.95} />
    </g>
  );
}

/** Where the hand arrives from elsewhere: a small wedge over the note. */
function Shifts({ g, steps }: { readonly g: NeckGeometry; readonly steps: FingeredStep[] }) {
  return shiftsAt(steps).map((k) => (
    <path
      key={k}
      d="M-6 -5H6L0 3Z"
      transform={`translate(${fretX(g, steps[k]!.fret)} ${stringY(g, steps[k]!.string) - 18 * g.scale}) scale(${g.scale})`}
      fill="#e0674a"
      stroke="#1f2025"
    />
  ));
}

const DragOn = later(async () => (await import('./DragOn')).DragOn, { spare: true });

type HandlesProps = Pick<Props, 'instrument' | 'steps' | 'chosen' | 'onChoose' | 'onHold' | 'onPlace'> & { readonly g: NeckGeometry };

/** Near enough to a place to be dropped on it, in pixels. */
const NEAR = 26;
const nearness = (g: NeckGeometry): number => NEAR * g.scale;

/** Takes hold of the notes of the line. The keyboard reaches them through the tab. */
function Handles({ g, instrument, steps, chosen, onChoose, onHold, onPlace }: HandlesProps) {
  const group = useRef<SVGGElement>(null);
  const [held, setHeld] = useState<{ readonly index: number; readonly x: number; readonly y: number } | null>(null);
  const taken = useRef(-1);
  const onDrag = ({ first, last, canceled, xy: [clientX, clientY] }: Drag): void => {
    const { x, y } = pointIn(group.current!, clientX, clientY);
    if (first) {
      taken.current = noteAt(g, steps, x, y, chosen);
      if (taken.current >= 0) onChoose(taken.current);
    }
    const index = taken.current;
    if (!last) return index >= 0 && !first && onHold ? setHeld({ index, x, y }) : undefined;
    setHeld(null);
    if (canceled) return;
    if (index < 0) return onPlace?.(boardPlace(g, x, y));
    const place = placeAt(g, otherPlaces(instrument, steps[index]), x, y);
    if (place) onHold?.(index, place);
  };
  const places = held ? otherPlaces(instrument, steps[held.index]) : [];
  const target = held && placeAt(g, places, held.x, held.y);
  return (
    <g ref={group} data-handles className="cursor-grab touch-none select-none">
      <DragOn on={group} onDrag={onDrag} />
      {onPlace && <rect x={0} y={g.top} width={g.width} height={g.bottom - g.top} fill="transparent" data-board />}
      {steps.map((s, k) => (
        <rect
          key={k}
          x={fretX(g, s.fret) - 16 * g.scale}
          y={stringY(g, s.string) - 15 * g.scale}
          width={32 * g.scale}
          height={30 * g.scale}
          fill="transparent"
          data-note={k}
        />
      ))}
      {places.map(
        (p) =>
        <circle key={p.string} cx={fretX(g, p.fret)} cy={stringY(g, p.string)} r={p === target ? 17 : 13} fill={p === target ? '#d39a35' : '#23242a'} stroke="#f3d798" strokeWidth={2} strokeDasharray="4 3" pointerEvents="none" />, // prettier-ignore
      )}
      {held && <rect x={held.x - 14} y={held.y - 12} width={28} height={24} rx={3.5} fill="#ece4d1" opacity={0.85} pointerEvents="none" />}
    </g>
  );
}

/** A point of the window in the units of a drawing. */
const pointIn = (drawing: SVGGraphicsElement, clientX: number, clientY: number): DOMPoint =>
  new DOMPoint(clientX, clientY).matrixTransform(drawing.getScreenCTM()?.inverse());

const soundOf = (i: Instrument, p: Place): number => midiOf(i.strings[p.string - 1]!.open) + p.fret;
const otherPlaces = (i: Instrument, at: Place | undefined): Place[] =>
  at ? placesOf(i, soundOf(i, at)).filter((p) => p.string !== at.string) : [];
const near = (g: NeckGeometry, p: Place, x: number, y: number): number => Math.hypot(fretX(g, p.fret) - x, stringY(g, p.string) - y);

/** The note under the pointer; where a place is played more than once, the one after the chosen one. */
function noteAt(g: NeckGeometry, steps: readonly Place[], x: number, y: number, chosen: number): number {
  const here = steps.flatMap((s, k) => (near(g, s, x, y) < nearness(g) ? [k] : []));
  const closest = here.filter((k) => near(g, steps[k]!, x, y) <= Math.min(...here.map((j) => near(g, steps[j]!, x, y))) + 0.5);
  return closest.find((k) => k > chosen) ?? closest[0] ?? -1;
}

function placeAt(g: NeckGeometry, places: Place[], x: number, y: number): Place | null {
  const best = places.reduce<Place | null>((a, b) => (a && near(g, a, x, y) <= near(g, b, x, y) ? a : b), null);
  return best && near(g, best, x, y) < nearness(g) ? best : null;
}
