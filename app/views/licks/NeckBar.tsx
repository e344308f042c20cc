import type { Lick, StudyBody } from '../../../contract';
import { glyphs, pitchName, toTuning, type LickNote, type Place } from '../../../core';
import { struckNotes, withPlaces } from '../../../core';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { changeLick } from '../../store/licks';
import { Button } from '../../ui/Button';
import { Signs } from '../../ui/Signs';
import { scaleName } from '../../words/scale-text';
import { instrumentWords } from '../../words/tuning-text';

/** The lick lies on another neck than the study's: it can be brought over, by sound or by shape. */
export function NeckBar({ body, lick }: { body: StudyBody; lick: Lick }) {
  const dispatch = useAppDispatch();
  if (lick.stayed)
    return (
      <div role="note" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-feather bg-sheet p-3">
        <p className="grow">
          <Signs>{`This lick stayed in ${scaleName(lick.stayed)} when the study moved: it did not fit. The study is in ${scaleName(body.scale)}.`}</Signs>
        </p>
        <Button look="link" onClick={() => dispatch(edited(changeLick(body, lick.id, { stayed: null })))}>
          It belongs here as it is
        </Button>
      </div>
    );
  if (!lick.instrument) return null;
  const from = lick.instrument;
  const places = struckNotes(lick.notes).map((s) => s.place);
  const bring = (keep: 'sound' | 'shape') => {
    const moved = toTuning(from, body.instrument, places, keep);
    const whole = moved.places.every((p): p is Place => p !== null);
    const notes: LickNote[] = whole ? withPlaces(lick.notes, moved.places as Place[]) : lick.notes;
    return {
      whole,
      missing: moved.missing,
      scale: moved.scale,
      apply: () => dispatch(edited(changeLick(body, lick.id, { notes, instrument: null }))),
    };
  };
  const [sound, shape] = [bring('sound'), bring('shape')];
  const lost = (missing: number[]): string => `not here: ${missing.map((m) => glyphs(pitchName(m))).join(', ')}`;
  return (
    <div role="note" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-feather bg-sheet p-3">
      <p className="grow">
        <Signs>{`This lick lies on ${instrumentWords(from)}; the study is on ${instrumentWords(body.instrument)}.`}</Signs>
      </p>
      <Button look="link" disabled={!sound.whole} onClick={sound.apply}>
        {sound.whole ? 'Bring it over, keep the sound' : `Keep the sound: ${lost(sound.missing)}`}
      </Button>
      <Button look="link" disabled={!shape.whole} onClick={shape.apply}>
        <Signs>
          {shape.whole ? `Keep the shape${shape.scale ? ` (${scaleName(shape.scale)})` : ''}` : `Keep the shape: ${lost(shape.missing)}`}
        </Signs>
      </Button>
    </div>
  );
}
