import { memo } from 'react';
import type { StudyBody } from '../../../contract';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import type { Under } from '../../words/grip-text';
import { ChordPart } from './ChordPart';
import { GripPart } from './GripPart';
import { HandPart } from '../HandPart';
import { OverPart } from './OverPart';
import { ShowPart } from './ShowPart';

type Props = Pick<StudyBody, 'instrument' | 'scale' | 'over' | 'chord' | 'focus' | 'layout' | 'school' | 'hand'> & {
  readonly onUnder: (under: Under) => void;
};

/** What lies over the shape, which notes stand out, and whose hand plays it. */
export const MapTools = memo(function MapTools({ instrument, scale, over, chord, focus, layout, school, hand, onUnder }: Props) {
  const dispatch = useAppDispatch();
  const edit = (fields: Partial<StudyBody>): void => void dispatch(edited(fields));
  return (
    <>
      <OverPart scale={scale} over={over} onOver={(next) => edit({ over: next })} />
      <ChordPart scale={scale} chord={chord} onChord={(next) => edit({ chord: next })} />
      <ShowPart scale={scale} focus={focus} onFocus={(next) => edit({ focus: next })} />
      <GripPart instrument={instrument} scale={scale} layout={layout} onUnder={onUnder} />
      <HandPart layout={layout} school={school} hand={hand} onHand={edit} />
    </>
  );
});
