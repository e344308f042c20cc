import { useDrag } from '@use-gesture/react';
import { useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import {
  CoreError,
  DEGREE_SEMITONES,
  glyphs,
  moveSound,
  noteOnDegree,
  plainDegree,
  scaleNotes,
  skeletonOf,
  stepLetters,
  toggleSound,
  type DegreeName,
  type ScaleRef,
} from '../../../core';
import { Signs, SvgSigns } from '../../letters/Signs';
import { MAP } from '../../words/views/map';

interface Props {
  readonly scale: ScaleRef;
  readonly passing: DegreeName[];
  readonly onScale: (scale: ScaleRef) => void;
  readonly onPassing: (passing: DegreeName[]) => void;
}

const SLOT = 33;
const LEFT = 18;
const x = (slot: number): number => LEFT + slot * SLOT;
const WIDTH = x(12) + LEFT;

interface Peg {
  readonly degree: DegreeName;
  readonly name: string;
  readonly solid: boolean;
}

function pegsOf(scale: ScaleRef): Map<number, Peg> {
  const skeleton = new Set((skeletonOf(scale.scale) ?? []).map((d) => DEGREE_SEMITONES[d]));
  return new Map(
    scaleNotes(scale).map((n) => [n.semitones, { degree: n.degree, name: n.name, solid: !skeleton.size || skeleton.has(n.semitones) }]),
  );
}

function Arcs({ sounds }: { readonly sounds: number[] }) {
  const ends = [...sounds, 12];
  return sounds.map((a, k) => {
    const b = ends[k + 1]!;
    const middle = (x(a) + x(b)) / 2;
    return (
      <g key={a}>
        <path d={`M${x(a) + 6} 34Q${middle} ${b - a === 1 ? 20 : 10} ${x(b) - 6} 34`} fill="none" stroke="var(--soft)" opacity={0.7} />
        <text transform={`translate(${middle} 15)`} textAnchor="middle" fontSize={10.5} fill="var(--soft)">
          {stepLetters(b - a)}
        </text>
      </g>
    );
  });
}

function PegPlate({ slot, peg, passing }: { readonly slot: number; readonly peg: Peg; readonly passing: boolean }) {
  const root = slot % 12 === 0;
  const ink = root ? '#1b1406' : peg.solid && !passing ? 'var(--sheet)' : 'var(--feather)';
  return (
    <g transform={`translate(${x(slot)} 52)`}>
      {root ? (
        <path d="M-15 0l7 -11h20v22h-20z" fill="#c08a2b" />
      ) : (
        <rect
          x={-13}
          y={-12}
          width={26}
          height={24}
          rx={passing ? 12 : 4}
          fill={peg.solid && !passing ? 'var(--ink)' : 'var(--sheet)'}
          stroke={peg.solid && !passing ? 'var(--ink)' : 'var(--feather)'}
          strokeWidth={1.8}
          strokeDasharray={passing ? '3.5 3' : undefined}
        />
      )}
      <text
        transform={`translate(${root ? 2 : 0} 5)`}
        textAnchor="middle"
        fontSize={peg.degree.length > 2 ? 11 : 13}
        fontWeight={600}
        fill={ink}
      >
        <SvgSigns>{peg.degree}</SvgSigns>
      </text>
      <text transform="translate(0 34)" textAnchor="middle" fontSize={11} fill="var(--soft)">
        <SvgSigns>{peg.name}</SvgSigns>
      </text>
    </g>
  );
}

/** What the rail does to the scale; what cannot be done is said. */
function useRail({ scale, passing, onScale, onPassing }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = (make: () => ScaleRef): void => {
    try {
      const made = make();
      setProblem(null);
      onScale({ tonic: made.tonic, scale: made.scale });
    } catch (e) {
      if (!(e instanceof CoreError)) throw e;
      setProblem(e.message.replace(/^\w+: /, ''));
    }
  };
  return {
    problem,
    move: (from: number, to: number): void => attempt(() => moveSound(scale, from, to)),
    toggle: (slot: number): void => attempt(() => toggleSound(scale, slot)),
    mark: (degree: DegreeName): void => onPassing(passing.includes(degree) ? passing.filter((d) => d !== degree) : [...passing, degree]),
  };
}

type RailEdit = ReturnType<typeof useRail>;

/** The rail of twelve slots: a degree is moved, added or dropped, and the name follows. */
export function Rail(props: Props) {
  const { scale, passing } = props;
  const edit = useRail(props);
  const frame = useRef<SVGSVGElement>(null);
  const pegs = pegsOf(scale);
  return (
    <div>
      <div className="relative overflow-x-auto print:overflow-visible print:[zoom:0.8]" data-own-keys>
        <svg ref={frame} width={WIDTH} height={96} aria-hidden className="block select-none">
          {Array.from({ length: 13 }, (_, k) => (
            <g key={k}>
              <line x1={x(k)} x2={x(k)} y1={34} y2={70} stroke="var(--line)" strokeWidth={1.5} />
              <circle cx={x(k)} cy={52} r={3} fill="var(--line)" />
            </g>
          ))}
          <Arcs sounds={[...pegs.keys()]} />
          {[...pegs].map(([slot, peg]) => (
            <PegPlate key={slot} slot={slot} peg={peg} passing={passing.includes(peg.degree)} />
          ))}
          <PegPlate slot={12} peg={{ degree: '1', name: scale.tonic, solid: true }} passing={false} />
        </svg>
        <Slots scale={scale} pegs={pegs} frame={frame} edit={edit} />
      </div>
      <p role="status" className={edit.problem ? 'text-clay' : 'sr-only'}>
        <Signs>{edit.problem ?? ''}</Signs>
      </p>
    </div>
  );
}

type Frame = RefObject<SVGSVGElement | null>;

/** A peg is dropped on another slot, or pressed where it is. */
function useDrop(frame: Frame, { move, toggle }: RailEdit) {
  const slotAt = (clientX: number): number => {
    const box = frame.current?.getBoundingClientRect();
    if (!box) return -1;
    const zoom = box.width / WIDTH; // a wall screen zooms the page
    return Math.round(((clientX - box.left) / zoom - LEFT) / SLOT);
  };
  const drag = useDrag(
    ({ args, last, tap, canceled, xy: [clientX] }) => {
      if (!last || tap || canceled) return;
      const [from, movable] = args as [number, boolean];
      const to = slotAt(clientX);
      if (movable && to !== from && to > 0 && to < 12) move(from, to);
    },
    { filterTaps: true, pointer: { keys: false } }, // arrow keys are the rail's own
  );
  return (slot: number, movable: boolean) => ({ ...drag(slot, movable), onClick: () => slot > 0 && toggle(slot) });
}

/** The keys of a slot: arrows go to the next, with Shift they take its degree along; Delete drops it, P marks it as passing. */
const slotKeys = (frame: Frame, pegs: ReadonlyMap<number, Peg>, { move, toggle, mark }: RailEdit) => {
  const focus = (slot: number): void => {
    const buttons = frame.current?.parentElement?.querySelectorAll<HTMLElement>('[data-slot]');
    requestAnimationFrame(() => buttons?.[Math.max(0, Math.min(11, slot))]?.focus());
  };
  return (slot: number) => (e: KeyboardEvent) => {
    const peg = pegs.get(slot);
    const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (by) {
      if (e.shiftKey && peg) move(slot, slot + by);
      focus(slot + by);
    } else if ((e.key === 'Delete' || e.key === 'Backspace') && peg) toggle(slot);
    else if (e.key.toLowerCase() === 'p' && peg && slot !== 0) mark(peg.degree);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
};

interface SlotsProps {
  readonly scale: ScaleRef;
  readonly pegs: ReadonlyMap<number, Peg>;
  readonly frame: Frame;
  readonly edit: RailEdit;
}

/** A button over each slot. */
function Slots({ scale, pegs, frame, edit }: SlotsProps) {
  const drop = useDrop(frame, edit);
  const keys = slotKeys(frame, pegs, edit);
  return (
    <div role="group" aria-label={MAP.degreesOfTheScaleTwelve}>
      {Array.from({ length: 12 }, (_, slot) => {
        const peg = pegs.get(slot);
        const degree = plainDegree(slot);
        return (
          <button
            key={slot}
            type="button"
            data-slot={slot}
            tabIndex={slot === 0 ? 0 : -1}
            aria-pressed={!!peg}
            aria-label={glyphs(peg ? `${peg.degree}, ${peg.name}` : `${degree}, ${noteOnDegree(scale.tonic, degree)}`)}
            {...drop(slot, !!peg && slot > 0)}
            onKeyDown={keys(slot)}
            className="absolute top-[36px] h-8 w-8 -translate-x-1/2 cursor-grab touch-none rounded"
            style={{ left: x(slot) }}
          />
        );
      })}
    </div>
  );
}
