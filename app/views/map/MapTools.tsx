import type { StudyBody } from '../../../contract';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { ChordPart } from './ChordPart';
import { HandPart } from './HandPart';
import { OverPart } from './OverPart';
import { ShowPart } from './ShowPart';

/** What lies over the shape, which notes stand out, and whose hand plays it. */
export function MapTools({ body }: { body: StudyBody }) {
  const dispatch = useAppDispatch();
  const edit = (fields: Partial<StudyBody>): void => void dispatch(edited(fields));
  return (
    <>
      <OverPart scale={body.scale} over={body.over} own={body.ownScales} onOver={(over) => edit({ over })} />
      <ChordPart scale={body.scale} chord={body.chord} onChord={(chord) => edit({ chord })} />
      <ShowPart scale={body.scale} focus={body.focus} onFocus={(focus) => edit({ focus })} />
      <HandPart layout={body.layout} school={body.school} hand={body.hand} onHand={edit} />
    </>
  );
}
