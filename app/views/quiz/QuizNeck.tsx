import { memo, useEffect } from 'react';
import { fretNumber, glyphs, placeKey, samePlace, type Place } from '../../../core';
import { fretX, stringY, type NeckGeometry } from '../../neck/geometry';
import type { NeckMark } from '../../neck/marks';
import { Neck } from '../../neck/Neck';
import { NeckScroll } from '../../neck/NeckScroll';
import { Presses } from '../../neck/Presses';
import { keepInSight, useNeckGeometry } from '../../neck/useNeckGeometry';
import type { Asking } from '../../store/practice/quiz';
import { questionWords } from '../../words/quiz-text';
import { QUIZ } from '../../words/views/quiz';

const GAPS = { wide: 34, close: 29 };
const LIGHT = '#fff6dc';
const CLAY = '#f0927a';
const NIGHT = '#16181d';

/** Frets seen at least beyond what is asked about. */
const BEYOND = 2;

/** The neck of a question: what it shows, what was marked, and after the answer what was right. */
export const QuizNeck = memo(function QuizNeck({
  asking,
  cursor,
  onPress,
}: {
  readonly asking: Asking;
  readonly cursor: Place | null;
  readonly onPress: (p: Place) => void;
}) {
  const { ground, questions, at } = asking;
  const q = questions[at]!;
  const { instrument } = ground;
  const all = [...q.shown, ...(q.answer.by === 'places' ? q.answer.places : q.answer.by === 'line' ? q.answer.line : [])];
  const high = Math.min(
    instrument.frets,
    Math.max(12, ground.to < instrument.frets ? ground.to + BEYOND : instrument.frets, ...all.map((p) => p.fret)),
  );
  const neck = useNeckGeometry(instrument, GAPS, high);
  const { holder, width, g } = neck;
  const first = q.shown.at(0)?.fret ?? ground.from;
  useEffect(() => keepInSight(holder.current, width, g, { from: first, to: first + 4 }), [holder, width, g, first]);
  const marks = q.shown.map((s): NeckMark => ({ string: s.string, fret: s.fret, look: s.root ? 'root' : 'solid', text: glyphs(s.text) }));
  return (
    <div className="rounded-[10px] border border-line bg-sheet p-3">
      <NeckScroll neck={neck} instrument={instrument} label={QUIZ.neck}>
        <Neck g={g} instrument={instrument} marks={marks} title={questionWords(q)}>
          <Answered g={g} asking={asking} />
          {cursor && !asking.told && <Cursor g={g} at={cursor} />}
          <Presses g={g} onPress={onPress} />
        </Neck>
      </NeckScroll>
      <p className="sr-only" role="status">
        {cursor && !asking.told ? `${cursor.string}, ${fretNumber(instrument, cursor.fret)}` : ''}
      </p>
    </div>
  );
});

/** Marked places ringed; after the answer: right ones in a double ring, missed ones dashed, wrong ones crossed. */
function Answered({ g, asking: { questions, at, marked, told } }: { readonly g: NeckGeometry; readonly asking: Asking }) {
  const { answer } = questions[at]!;
  const right = answer.by === 'places' ? answer.places : answer.by === 'line' ? answer.line : [];
  const isRight = (p: Place): boolean => right.some((r) => samePlace(r, p));
  const missed = told && answer.by === 'places' ? right.filter((r) => !marked.some((m) => samePlace(m, r))) : [];
  return (
    <>
      {marked.map((p, k) => (
        <Ring key={`${placeKey(p)}/${k}`} g={g} at={p} how={!told ? 'marked' : isRight(p) ? 'right' : 'wrong'} />
      ))}
      {missed.map((p) => (
        <Ring key={`missed ${placeKey(p)}`} g={g} at={p} how="missed" />
      ))}
    </>
  );
}

function Ring({ g, at, how }: { readonly g: NeckGeometry; readonly at: Place; readonly how: 'marked' | 'right' | 'wrong' | 'missed' }) {
  const [x, y] = [fretX(g, at.fret), stringY(g, at.string)];
  const r = 14 * g.scale;
  return (
    <g data-marked={`${placeKey(at)} ${how}`}>
      <circle
        cx={x}
        cy={y}
        r={r}
        fill={how === 'missed' ? 'none' : NIGHT}
        fillOpacity={0.55}
        stroke={how === 'wrong' ? CLAY : LIGHT}
        strokeWidth={3}
        strokeDasharray={how === 'missed' ? '5 4' : undefined}
      />
      {how === 'right' && <circle cx={x} cy={y} r={r + 4.5 * g.scale} fill="none" stroke={LIGHT} strokeWidth={1.5} />}
      {how === 'wrong' && <path d={`M${x - r / 2} ${y - r / 2}l${r} ${r}m0 ${-r}l${-r} ${r}`} stroke={CLAY} strokeWidth={3} />}
      {how === 'marked' && <circle cx={x} cy={y} r={4 * g.scale} fill={LIGHT} />}
    </g>
  );
}

/** Where the keyboard stands. */
function Cursor({ g, at }: { readonly g: NeckGeometry; readonly at: Place }) {
  const [x, y] = [fretX(g, at.fret), stringY(g, at.string)];
  const s = 17 * g.scale;
  return (
    <rect
      x={x - s}
      y={y - s}
      width={2 * s}
      height={2 * s}
      rx={4}
      fill="none"
      stroke="#f0b94f"
      strokeWidth={2.5}
      strokeDasharray="3 3"
      data-cursor={placeKey(at)}
    />
  );
}
