import { useEffect, useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { isOfScale, glyphs, hangsOn, ruleOf, spellerIn, stringsUpward, type NeckNote, type Place, type Shape } from '../../../core';
import { CellTable } from '../../neck/CellTable';
import { arpeggioMarks } from '../../neck/chord-marks';
import { fretX, stringY, type NeckGeometry } from '../../neck/geometry';
import { GroupMarks } from '../../neck/GroupMarks';
import { HandFrames } from '../../neck/HandFrames';
import { Ladder } from '../../neck/Ladder';
import { Legend } from '../../neck/Legend';
import { builtStrings, marksOf, noteText, type NeckMark } from '../../neck/marks';
import { Neck } from '../../neck/Neck';
import { NeckScroll } from '../../neck/NeckScroll';
import { Sounding } from '../../neck/Sounding';
import { Presses } from '../../neck/Presses';
import { seamMarks, spansOf, type HandSpan } from '../../neck/path';
import { keepInSight, useNeckGeometry } from '../../neck/useNeckGeometry';
import { useAppSelector } from '../../store';
import { later } from '../../ui/later';
import { usePrefs } from '../../store/prefs';
import { selectChordSounds, selectOver, type Laid } from '../../store/study';
import { scaleName, twinRoot } from '../../words/scale-text';
import { neckTitle } from '../../words/shape-text';
import type { FreePlay } from './useFreePlay';
import { MAP } from '../../words/views/map';

interface Props {
  readonly body: StudyBody;
  readonly notes: NeckNote[];
  readonly laid: Laid;
  readonly current: number;
  /** The seam shown instead of the rung, or -1. */
  readonly seam: number;
  readonly onSeam: (index: number) => void;
  readonly onFinger: (place: Place, button: HTMLElement) => void;
  /** Index of the note that sounds, in the shape's notes. */
  readonly sounding: number;
  readonly onRung: (index: number) => void;
  /** Places pressed on the neck. */
  readonly grip: readonly Place[];
  readonly onPress: (place: Place) => void;
  /** What is played while it listens. */
  readonly play: FreePlay;
}

const HeldRings = later(async () => (await import('./at-times')).HeldRings);

const GAPS = { wide: 39, close: 32, beside: 16 };

/** The marks of the shape as the study shows it: its labels, what lies over it, how far it is built; or the arpeggio of the chord alone. */
function useShapeMarks(body: StudyBody, notes: NeckNote[], shape: Shape | null): NeckMark[] {
  const { instrument, labels, scale, focus, built, layout, hand } = body;
  const naming = usePrefs();
  const over = useAppSelector(selectOver);
  const chord = useAppSelector(selectChordSounds);
  const alone = useAppSelector((s) => s.harmony.arpeggio);
  const symbol = chord && alone ? body.chord : null;
  return useMemo(() => {
    const on = instrument;
    if (symbol) return arpeggioMarks({ instrument, hand }, shape, symbol, { labels, naming, on });
    const rule = ruleOf(layout.kind);
    const root = hangsOn(layout);
    const strings = rule.grows && root ? builtStrings(stringsUpward(instrument), root.string, built) : null;
    const twin = rule.twins ? twinRoot(scale.scale) : null;
    return marksOf(notes, shape, { labels, on, over, focus, strings, chord, naming, twin });
  }, [notes, shape, labels, over, focus, built, chord, symbol, hand, layout, instrument, scale, naming]);
}

/** The neck, its ladder, and the rows of frets, steps and fingers that run on from the strings. */
export function NeckSheet({ body, notes, laid, current, seam, onSeam, onFinger, sounding, onRung, grip, onPress, play }: Props) {
  const { shapes, seams } = laid;
  const { instrument, scale } = body;
  const neck = useNeckGeometry(instrument, GAPS);
  const { holder, width, g } = neck;
  const shape = shapes[current] ?? null;
  const ofShape = useShapeMarks(body, notes, shape);
  const joined = useMemo(() => joinedAt(g, body, laid, seam), [g, body, laid, seam]);
  const seamed = useMemo(
    () => (seams[seam] ? seamMarks(notes, shapes[seam]!, shapes[seam + 1]!, seams[seam]) : null),
    [notes, shapes, seams, seam],
  );
  const marks = seamed ?? ofShape;
  const band = useMemo(() => shape && { from: shape.lowFret, to: shape.highFret }, [shape]);
  useEffect(() => keepInSight(holder.current, width, g, band), [holder, width, g, band]);
  const note = shape?.notes[sounding];
  return (
    <div className="grid rounded-[10px] border border-line bg-sheet p-3 lg:grid-cols-[minmax(0,1fr)_15rem] lg:gap-4">
      <NeckScroll neck={neck} instrument={instrument} label={MAP.neckAndLadder}>
        <Neck
          g={g}
          instrument={instrument}
          marks={marks}
          band={joined ? undefined : (band ?? undefined)}
          under={joined && <HandFrames g={g} spans={joined} />}
          title={glyphs(neckTitle(instrument, scaleName(scale), shape))}
        >
          {shape && !joined && ruleOf(body.layout.kind).along && <GroupMarks g={g} shape={shape} />}
          {note && (
            <circle cx={fretX(g, note.fret)} cy={stringY(g, note.string)} r={20 * g.scale} fill="none" stroke="#fff6dc" strokeWidth={3} />
          )}
          {grip.length > 0 && <HeldRings {...{ g, instrument, scale, grip, marks }} />}
          <Played g={g} scale={scale} play={play} marks={marks} />
          <Presses g={g} onPress={onPress} />
        </Neck>
        <Ladder g={g} shapes={shapes} current={current} onChoose={onRung} seams={seams} seam={seam} onSeam={onSeam} />
      </NeckScroll>
      {shape && <CellTable shape={shape} instrument={instrument} g={g} onFinger={onFinger} />}
      <Legend marks={marks} />
    </div>
  );
}

interface PlayedProps {
  readonly g: NeckGeometry;
  readonly scale: StudyBody['scale'];
  readonly play: FreePlay;
  readonly marks: NeckMark[];
}

/** What is played while it listens, wherever it lies. */
function Played({ g, scale, play: { midi, places }, marks }: PlayedProps) {
  const naming = usePrefs();
  if (midi === null) return null;
  const name = glyphs(noteText(spellerIn(scale)(midi).replace(/-?\d+$/, ''), naming));
  return <Sounding g={g} places={places} name={name} inScale={isOfScale(scale, midi)} marks={marks} />;
}

/** Both hands of a seam. */
function joinedAt(g: NeckGeometry, { instrument }: StudyBody, { shapes, seams }: Laid, seam: number): HandSpan[] | null {
  if (!seams[seam]) return null;
  const hands = new Map([shapes[seam], shapes[seam + 1]].map((s, k) => [Math.max(1, s!.handFret), [k + 1]]));
  return spansOf(g, instrument, hands, () => 0);
}
