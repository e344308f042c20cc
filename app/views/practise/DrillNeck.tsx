import { memo, useEffect, useMemo } from 'react';
import type { DrillWords, StudyBody } from '../../../contract';
import { glyphs, neckNotes, placeIndex, type NeckNote, type Place, type ScaleRef, type WeakSpots } from '../../../core';
import { EBONY } from '../../neck/mark-colours';
import { fretX, stringY, type NeckGeometry } from '../../neck/geometry';
import { Mark } from '../../neck/Mark';
import { degreeText, marksOf, noteText, type NeckMark, type Naming } from '../../neck/marks';
import { Neck } from '../../neck/Neck';
import { NeckScroll } from '../../neck/NeckScroll';
import { Troubles, WeakString } from '../../neck/Troubles';
import { placesMarked } from '../../neck/path';
import { keepInSight, useNeckGeometry } from '../../neck/useNeckGeometry';
import type { Drilled } from '../../store/practice/drilled';
import { usePrefs } from '../../store/prefs';
import { PRACTISE } from '../../words/views/practise';

interface Props {
  readonly drill: Drilled;
  readonly now: number;
  readonly on: boolean;
  readonly what: string;
  readonly marks: NeckMark[];
  /** What was heard of it, or null. */
  readonly spots: WeakSpots | null;
}

const GAPS = { wide: 32, close: 28 };
/** So many frets share the width at least, and two beyond the highest that is played. */
const FEWEST = 13;
/** Notes that are numbered ahead of the one that sounds. */
const AHEAD = 3;

/** The neck of a drill: what is played in full; while it runs the note that sounds is ringed and the next three are numbered. */
export const DrillNeck = memo(function DrillNeck({ drill, now, on, what, marks, spots }: Props) {
  const span = useMemo(() => spanOf(drill), [drill]);
  const neck = useNeckGeometry(drill.instrument, GAPS, span);
  const { holder, width, g } = neck;
  const at = drill.line.steps[Math.max(0, now)]!;
  const hand = at.handFret;
  useEffect(() => keepInSight(holder.current, width, g, { from: hand, to: hand + 3 }), [holder, width, g, hand]);
  return (
    <div className="rounded-[10px] border border-line bg-sheet p-3">
      <NeckScroll neck={neck} instrument={drill.instrument} label={PRACTISE.neck}>
        <Neck
          g={g}
          instrument={drill.instrument}
          marks={marks}
          title={glyphs(PRACTISE.neckTitle(what))}
          under={spots && <WeakString g={g} spots={spots} />}
        >
          {spots && <Troubles g={g} steps={drill.line.steps} spots={spots} />}
          {on && now >= 0 && <Now g={g} drill={drill} now={now} marks={marks} />}
        </Neck>
      </NeckScroll>
    </div>
  );
});

const spanOf = ({ line, instrument }: Drilled): number =>
  Math.min(instrument.frets, Math.max(FEWEST, ...line.steps.map((s) => s.fret + 2)));

const SHOWN: Partial<Record<DrillWords, 'notes' | 'fingers' | 'blank'>> = { notes: 'notes', fingers: 'fingers', none: 'blank' };

/** Marks of what is played, for the neck and its legend. */
export function useDrillMarks(body: StudyBody, drill: Drilled | null): NeckMark[] {
  const naming = usePrefs();
  const { scale } = body;
  return useMemo(() => (drill ? marksFor(scale, drill, naming) : []), [scale, drill, naming]);
}

/** Marks of what is played: the shape with its labels, or the places of the line; blank where the player is to say it. */
function marksFor(scale: ScaleRef, drill: Drilled, prefs: Naming): NeckMark[] {
  const { form, instrument, shape } = drill;
  const labels = form.hidden ? 'blank' : (SHOWN[form.words] ?? 'degrees');
  const naming = { ...prefs, degrees: form.words === 'syllables' ? ('syllables' as const) : prefs.degrees };
  const notes = neckNotes(instrument, scale);
  const strings = form.strings.length ? form.strings : null;
  if (shape) return marksOf(notes, shape, { labels, naming, strings, on: instrument });
  return placesMarked(notes, textsOf(notes, drill, labels, naming));
}

function textsOf(notes: readonly NeckNote[], drill: Drilled, labels: string, naming: Naming): Map<number, string> {
  const known = new Map(notes.map((n) => [placeIndex(n), n]));
  return new Map(
    drill.line.steps.map((s, k) => {
      const n = known.get(placeIndex(s)) ?? drill.notes[k];
      const text = { blank: '', notes: noteText(n!.name, naming), fingers: String(s.finger) }[labels] ?? degreeText(n!.degree, naming);
      return [placeIndex(s), text];
    }),
  );
}

interface NowProps {
  readonly g: NeckGeometry;
  readonly drill: Drilled;
  readonly now: number;
  readonly marks: readonly NeckMark[];
}

/** The board dimmed but for the note that sounds, ringed, and the next ones, numbered. */
function Now({ g, drill, now, marks }: NowProps) {
  const { steps } = drill.line;
  const count = steps.length;
  const ahead = Array.from({ length: Math.min(AHEAD, count - 1) }, (_, k) => (now + 1 + k) % count);
  const at = steps[now]!;
  const lit = [...new Map([...ahead].reverse().map((k) => [placeIndex(steps[k]!), k]))].filter(([key]) => key !== placeIndex(at));
  const markAt = (place: Place): NeckMark | undefined => marks.find((m) => placeIndex(m) === placeIndex(place));
  return (
    <g data-now={now}>
      <rect
        x={Math.min(g.left, g.right)}
        y={g.top}
        width={Math.abs(g.right - g.left)}
        height={g.bottom - g.top}
        fill={EBONY[1]}
        opacity={0.55}
      />
      <Ringed g={g} place={at} mark={markAt(at)} />
      {lit.map(([key, k]) => (
        <Numbered key={key} g={g} place={steps[k]!} mark={markAt(steps[k]!)} order={ahead.indexOf(k) + 1} />
      ))}
    </g>
  );
}

interface LitProps {
  readonly g: NeckGeometry;
  readonly place: Place;
  readonly mark: NeckMark | undefined;
}

function Ringed({ g, place, mark }: LitProps) {
  const [x, y] = [fretX(g, place.fret), stringY(g, place.string)];
  const [w, h] = [46 * g.scale, 40 * g.scale];
  return (
    <>
      <rect x={x - w / 2} y={y - h / 2} width={w} height={h} rx={9} fill={EBONY[1]} stroke="#f0b94f" strokeWidth={4} data-ring />
      <Mark x={x} y={y} look={mark?.look ?? 'solid'} text={mark?.text ?? ''} scale={g.scale * 1.12} mirrored={g.mirrored} />
    </>
  );
}

function Numbered({ g, place, mark, order }: LitProps & { readonly order: number }) {
  const [x, y] = [fretX(g, place.fret), stringY(g, place.string)];
  return (
    <g>
      {mark && <Mark x={x} y={y} look={mark.look} text={mark.text} scale={g.scale} mirrored={g.mirrored} />}
      <g transform={`translate(${x + (g.mirrored ? -1 : 1) * 20 * g.scale} ${y - 15 * g.scale}) scale(${g.scale})`}>
        <circle r={8.5} fill={EBONY[1]} stroke="#e6b65c" />
        <text textAnchor="middle" transform="translate(0 4.2)" fontSize={12} fontWeight={700} fill="#f3d798">
          {order}
        </text>
      </g>
    </g>
  );
}
