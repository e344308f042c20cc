import { useEffect, useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { chordSounds, glyphs, type Place, type Shape } from '../../../core';
import { arpeggioMarks } from '../../neck/chord-marks';
import { GripRings } from '../../neck/GripRings';
import { Legend } from '../../neck/Legend';
import { marksOf, type NeckMark } from '../../neck/marks';
import { Neck } from '../../neck/Neck';
import { NeckScroll } from '../../neck/NeckScroll';
import { Presses } from '../../neck/Presses';
import { keepInSight, useNeckGeometry } from '../../neck/useNeckGeometry';
import { useAppDispatch, useAppSelector } from '../../store';
import { placePressed } from '../../store/harmony';
import { usePrefs } from '../../store/prefs';
import { selectNotes } from '../../store/study';
import { Signs } from '../../letters/Signs';
import { gripText } from '../../words/grip-sign';
import { degreesOfGrip } from '../../words/grip-text';
import { scaleOf } from '../../words/harmony-text';
import { HARMONY } from '../../words/views/harmony';

interface Props {
  readonly body: StudyBody;
  readonly shape: Shape | null;
  readonly symbol: string;
  readonly grip: readonly Place[];
}

const GAPS = { wide: 31, close: 27 };

/** The neck of Harmony: the position with the tones of the chord, or those tones alone, and the grip that is held, ringed. */
export function HarmonyNeck({ body, shape, symbol, grip }: Props) {
  const { instrument, hand, labels, scale } = body;
  const dispatch = useAppDispatch();
  const notes = useAppSelector(selectNotes);
  const alone = useAppSelector((s) => s.harmony.arpeggio);
  const naming = usePrefs();
  const neck = useNeckGeometry(instrument, GAPS);
  const { holder, width, g } = neck;
  const marks = useMemo((): NeckMark[] => {
    const o = { labels, naming, on: instrument };
    if (alone) return arpeggioMarks({ instrument, hand }, shape, symbol, o);
    return marksOf(notes, shape, { ...o, chord: new Set(chordSounds(symbol)) });
  }, [alone, instrument, hand, labels, naming, notes, shape, symbol]);
  const degrees = useMemo(() => degreesOfGrip(instrument, grip, scale), [instrument, grip, scale]);
  const band = useMemo(() => shape && { from: shape.lowFret, to: shape.highFret }, [shape]);
  useEffect(() => keepInSight(holder.current, width, g, band), [holder, width, g, band]);
  const title = HARMONY.neckTitle(symbol, shape?.label ?? HARMONY.noPosition);
  return (
    <div className="rounded-[10px] border border-line bg-sheet p-3">
      <NeckScroll neck={neck} instrument={instrument} label={HARMONY.neck}>
        <Neck
          g={g}
          instrument={instrument}
          marks={marks}
          {...(band ? { band } : {})}
          title={glyphs(grip.length ? `${title}, ${HARMONY.gripOnNeck(gripText(instrument, grip))}` : title)}
        >
          <GripRings g={g} grip={grip} degrees={degrees} marks={marks} />
          <Presses g={g} onPress={(place) => dispatch(placePressed(place))} />
        </Neck>
      </NeckScroll>
      <p className="mt-1 text-xs text-soft">
        <Signs>{alone ? HARMONY.legendArpeggio(symbol) : HARMONY.legend(symbol, scaleOf(scale))}</Signs>
      </p>
      <Legend marks={marks} />
    </div>
  );
}
