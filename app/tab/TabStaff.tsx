import { memo, useId, type KeyboardEvent, type PointerEvent } from 'react';
import { fretNumber, type Instrument, type Stroke } from '../../core';
import { SvgSigns } from '../letters/Signs';
import {
  columnX,
  fingerY,
  LINE_GAP,
  lineY,
  stepColumn,
  strokeY,
  systemHeight,
  systemOf,
  type TabColumn,
  type TabGeometry,
  type TabSystem,
} from './layout';

export interface TabStaffProps {
  readonly g: TabGeometry;
  /** How large it is drawn: 1 is normal. */
  readonly scale: number;
  readonly instrument: Instrument;
  readonly columns: TabColumn[];
  /** Pick strokes, where the columns have no lengths. */
  readonly strokes?: Stroke[];
  /** What each note is, in words, for those who hear the page. */
  readonly words: string[];
  readonly label: string;
  /** The note chosen, and the one that sounds; -1 for none. */
  readonly chosen: number;
  /** Notes chosen together with it. */
  readonly range?: { readonly from: number; readonly to: number };
  readonly sounding: number;
  readonly onChoose: (column: number) => void;
}

const LETTERS: Partial<Record<Stroke, string>> = { hammer: 'h', pull: 'p', slide: 's' };

/** Down: a frame open below; up: a wedge. */
function StrokeSign({ stroke, x, y }: { readonly stroke: Stroke; readonly x: number; readonly y: number }) {
  if (stroke === 'down')
    return <path d={`M${x - 5} ${y + 5}V${y - 5}H${x + 5}V${y + 5}`} fill="none" stroke="var(--soft)" strokeWidth={1.5} />;
  if (stroke === 'up')
    return <path d={`M${x - 4.5} ${y - 5}L${x} ${y + 5}L${x + 4.5} ${y - 5}`} fill="none" stroke="var(--soft)" strokeWidth={1.5} />;
  return (
    <text transform={`translate(${x} ${y + 4})`} textAnchor="middle" fontSize={12} fontStyle="italic" fill="var(--soft)">
      {LETTERS[stroke]}
    </text>
  );
}

function Lines({ g, s, instrument }: { readonly g: TabGeometry; readonly s: TabSystem; readonly instrument: Instrument }) {
  const right = columnX(g, s, s.to - 1) + g.column / 2;
  return instrument.strings.map((string, k) => (
    <g key={k}>
      <line x1={20} x2={right} y1={lineY(s, k + 1)} y2={lineY(s, k + 1)} stroke="var(--line)" strokeWidth={1.4} />
      <text transform={`translate(8 ${lineY(s, k + 1) + 4})`} textAnchor="middle" fontSize={12.5} fill="var(--soft)">
        <SvgSigns>{string.open.replace(/-?\d$/, '')}</SvgSigns>
      </text>
    </g>
  ));
}

/** The length of a note over the strings, and the signs that stand by it. */
function Length({ c, x, y }: { readonly c: TabColumn; readonly x: number; readonly y: number }) {
  return (
    <>
      <text transform={`translate(${x} ${y + 6})`} textAnchor="middle" fontSize={15} fontFamily="Noto Music" fill="var(--ink)">
        {c.length}
      </text>
      {(c.triplet || c.muted) && (
        <text transform={`translate(${x + 9} ${y - 4})`} fontSize={11} fill="var(--soft)">
          {[c.triplet ? '3' : '', c.muted ? 'PM' : ''].filter(Boolean).join(' ')}
        </text>
      )}
    </>
  );
}

interface ColumnProps {
  readonly g: TabGeometry;
  readonly s: TabSystem;
  readonly c: TabColumn;
  readonly x: number;
  readonly stroke?: Stroke;
  readonly instrument: Instrument;
}

interface ShiftProps {
  readonly g: TabGeometry;
  readonly s: TabSystem;
  readonly x: number;
  /** Frets; up is positive. */
  readonly by: number;
}

/** Where the hand moves. */
function Shift({ g, s, x, by }: ShiftProps) {
  return (
    <>
      <line
        x1={x}
        x2={x}
        y1={lineY(s, 1) - LINE_GAP / 2}
        y2={lineY(s, g.strings) + LINE_GAP / 2}
        stroke="var(--clay)"
        strokeWidth={1.2}
        strokeDasharray="3 3"
      />
      <text transform={`translate(${x} ${fingerY(g, s) + 15})`} textAnchor="middle" fontSize={12.5} fill="var(--clay)">
        {`${by > 0 ? '+' : '−'}${Math.abs(by)}`}
      </text>
    </>
  );
}

function Column({ g, s, c, x, stroke, instrument }: ColumnProps) {
  const y = lineY(s, Math.max(1, c.string));
  const text = c.sign ?? String(fretNumber(instrument, c.fret));
  const wide = 4 + 5.6 * text.length;
  return (
    <>
      {c.bar && (
        <line
          x1={x - g.column / 2}
          x2={x - g.column / 2}
          y1={lineY(s, 1)}
          y2={lineY(s, g.strings)}
          stroke="var(--soft)"
          strokeWidth={1.4}
        />
      )}
      {c.shift !== 0 && <Shift g={g} s={s} x={x - g.column / 2} by={c.shift} />}
      {c.beat !== undefined && (
        <text
          transform={`translate(${x - 13} ${strokeY(s) + 4})`}
          textAnchor="middle"
          fontSize={11.5}
          fontWeight={700}
          fill="var(--brass-deep)"
        >
          {c.beat}
        </text>
      )}
      {c.length ? <Length c={c} x={x} y={strokeY(s)} /> : stroke && <StrokeSign stroke={stroke} x={x} y={strokeY(s)} />}
      {c.stroke && <StrokeSign stroke={c.stroke} x={x - 11} y={fingerY(g, s) - 5} />}
      {c.string > 0 && (
        <>
          <rect x={x - wide} y={y - 9} width={2 * wide} height={18} fill="var(--sheet)" />
          <text
            transform={`translate(${x} ${y + 5.8})`}
            textAnchor="middle"
            fontSize={text.length > 3 ? 13 : 16.5}
            fontWeight={700}
            fill={c.past ? 'var(--soft)' : 'var(--ink)'}
          >
            {text}
          </text>
        </>
      )}
      <text transform={`translate(${x} ${fingerY(g, s)})`} textAnchor="middle" fontSize={14.5} fontWeight={600} fill="var(--feather)">
        {c.finger}
      </text>
    </>
  );
}

const System = memo(function System({
  g,
  s,
  instrument,
  columns,
  strokes,
}: Pick<TabStaffProps, 'g' | 'instrument' | 'columns' | 'strokes'> & { readonly s: TabSystem }) {
  return (
    <g>
      <Lines g={g} s={s} instrument={instrument} />
      {columns.slice(s.from, s.to).map((c, k) => (
        <Column key={k} g={g} s={s} c={c} instrument={instrument} x={columnX(g, s, s.from + k)} stroke={strokes?.[s.from + k]} />
      ))}
    </g>
  );
});

function Frame({ g, column, look }: { readonly g: TabGeometry; readonly column: number; readonly look: 'chosen' | 'range' | 'sounding' }) {
  const s = systemOf(g, column);
  const box = {
    x: columnX(g, s, column) - g.column / 2 + 2,
    y: s.top + 4,
    width: g.column - 4,
    height: systemHeight(g.strings) - 22,
    rx: 4,
  };
  if (look === 'range') return <rect {...box} fill="var(--feather-wash)" />;
  return look === 'chosen' ? (
    <rect {...box} fill="var(--feather-wash)" stroke="var(--feather)" strokeWidth={1.4} />
  ) : (
    <rect {...box} fill="none" stroke="var(--color-brass)" strokeWidth={2.5} />
  );
}

/** A line as tab: strokes above, fingers and shifts below. One stop for the Tab key; ← → walk along the notes, all other keys are the view's. */
export function TabStaff({ g, scale: size, instrument, columns, strokes, words, label, chosen, range, sounding, onChoose }: TabStaffProps) {
  const id = useId();
  const onKey = (e: KeyboardEvent): void => {
    if (e.ctrlKey || e.metaKey || e.altKey || e.shiftKey) return;
    const next = stepColumn(g, Math.max(0, chosen), e.key);
    if (next === null) return;
    e.preventDefault();
    onChoose(chosen < 0 ? 0 : next);
  };
  const onPointer = (e: PointerEvent<SVGSVGElement>): void => {
    const box = e.currentTarget.getBoundingClientRect();
    const scale = g.width / box.width;
    const s = g.systems.find((one) => (e.clientY - box.top) * scale < one.top + systemHeight(g.strings));
    const column = s && s.from + Math.floor(((e.clientX - box.left) * scale - columnX(g, s, s.from) + g.column / 2) / g.column);
    if (s && column !== undefined && column >= s.from && column < s.to) onChoose(column);
  };
  return (
    <div
      role="listbox"
      aria-label={label}
      tabIndex={0}
      onKeyDown={onKey}
      aria-activedescendant={chosen >= 0 ? `${id}-${chosen}` : undefined}
      className="rounded"
    >
      <svg
        aria-hidden
        viewBox={`0 0 ${g.width} ${g.height}`}
        width={g.width * size}
        height={g.height * size}
        className="block cursor-pointer select-none"
        fontFamily="var(--font-text)"
        onPointerDown={onPointer}
      >
        {range &&
          columns.flatMap((_, k) =>
            k >= range.from && k <= range.to && k !== chosen ? [<Frame key={k} g={g} column={k} look="range" />] : [],
          )}
        {chosen >= 0 && chosen < columns.length && <Frame g={g} column={chosen} look="chosen" />}
        {g.systems.map((s) => (
          <System key={s.from} g={g} s={s} instrument={instrument} columns={columns} strokes={strokes} />
        ))}
        {sounding >= 0 && sounding < columns.length && <Frame g={g} column={sounding} look="sounding" />}
      </svg>
      <div className="sr-only">
        {words.map((w, k) => (
          <div key={k} role="option" id={`${id}-${k}`} aria-selected={k === chosen || (!!range && k >= range.from && k <= range.to)}>
            {w}
          </div>
        ))}
      </div>
    </div>
  );
}
