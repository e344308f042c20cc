import { useEffect, useMemo, useRef } from 'react';
import type { StudyBody } from '../../../contract';
import { glyphs, nutFret, stringsUpward, type NeckNote, type Shape } from '../../../core';
import { CellTable } from '../../neck/CellTable';
import { fretX, minWidth, neckGeometry, stringY, wireX, type NeckGeometry } from '../../neck/geometry';
import { Ladder } from '../../neck/Ladder';
import { builtStrings, marksOf } from '../../neck/marks';
import { Neck } from '../../neck/Neck';
import { useWidth } from '../../neck/useWidth';
import { useAppSelector } from '../../store';
import { selectOver } from '../../store/study';
import { scaleName, twinRoot } from '../../words/scale-text';
import { neckTitle } from '../../words/shape-text';

interface Props {
  body: StudyBody;
  notes: NeckNote[];
  shapes: Shape[];
  current: number;
  /** Index of the note that sounds, in the shape's notes. */
  sounding: number;
  onRung: (index: number) => void;
}

/** The neck, its ladder, and the rows of frets, steps and fingers that run on from the strings. */
export function NeckSheet({ body, notes, shapes, current, sounding, onRung }: Props) {
  const { instrument, labels, scale } = body;
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder);
  const shape = shapes[current] ?? null;
  const strings = instrument.strings.length;
  const g = useMemo(
    () =>
      neckGeometry({
        width: Math.max(width, minWidth(instrument.frets)),
        frets: instrument.frets,
        strings,
        nut: nutFret(instrument),
        gap: strings > 8 ? 32 : 39,
        mirrored: instrument.handedness === 'left',
      }),
    [width, instrument, strings],
  );
  const over = useAppSelector(selectOver);
  const { focus, built, chord, layout } = body;
  const marks = useMemo(() => {
    const strings = layout.kind === 'anchor' ? builtStrings(stringsUpward(instrument), layout.root.string, built) : null;
    return marksOf(notes, shape, {
      labels,
      over,
      focus,
      strings,
      chord: chord !== null,
      twin: layout.kind === 'box' ? twinRoot(scale.scale) : null,
    });
  }, [notes, shape, labels, over, focus, built, chord, layout, instrument, scale]);
  const band = useMemo(() => shape && { from: shape.lowFret, to: shape.highFret }, [shape]);
  useEffect(() => keepInSight(holder.current, width, g, shape), [width, g, shape]);
  const note = shape?.notes[sounding];
  return (
    <div className="grid rounded-[10px] border border-line bg-sheet p-3 lg:grid-cols-[1fr_15rem] lg:gap-4">
      <div
        ref={holder}
        className="min-w-0 overflow-x-auto contain-content"
        tabIndex={width < g.width ? 0 : -1}
        role="group"
        aria-label="Neck and ladder"
      >
        {width > 0 && (
          <>
            <Neck
              g={g}
              instrument={instrument}
              marks={marks}
              band={band ?? undefined}
              title={glyphs(neckTitle(instrument, scaleName(scale), shape))}
            >
              {note && <circle cx={fretX(g, note.fret)} cy={stringY(g, note.string)} r={19} fill="none" stroke="#fff6dc" strokeWidth={3} />}
            </Neck>
            <Ladder g={g} shapes={shapes} current={current} onChoose={onRung} />
          </>
        )}
      </div>
      {shape && <CellTable shape={shape} instrument={instrument} g={g} />}
    </div>
  );
}

/** On a narrow screen the neck scrolls to the hand. */
function keepInSight(holder: HTMLElement | null, width: number, g: NeckGeometry, shape: Shape | null): void {
  if (!holder || !shape || width >= g.width) return;
  const [a, b] = [wireX(g, Math.max(0, shape.lowFret - 1)), wireX(g, shape.highFret)].sort((p, q) => p - q);
  holder.scrollTo({ left: (a + b) / 2 - width / 2 });
}
