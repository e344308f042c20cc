import type { Lick, StudyBody } from '../../../contract';
import { glyphs, pitchName, toTuning, type LickNote, type Place } from '../../../core';
import { struckNotes, withPlaces } from '../../../core';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { changeLick } from '../../store/lick-notes';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { scaleName } from '../../words/scale-text';
import { instrumentWords } from '../../words/tuning-text';
import { LICKS } from '../../words/views/licks';

/** The lick lies on another neck than the study's: it can be brought over, by sound or by shape. */
export function NeckBar({ body, lick }: { readonly body: StudyBody; readonly lick: Lick }) {
  const dispatch = useAppDispatch();
  if (lick.stayed)
    return (
      <div role="note" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-feather bg-sheet p-3">
        <p className="grow">
          <Signs>{LICKS.thisLickStayedInWhen(scaleName(lick.stayed), scaleName(body.scale))}</Signs>
        </p>
        <Button look="link" onClick={() => dispatch(edited(changeLick(body, lick.id, { stayed: null })))}>
          {LICKS.itBelongsHereAsIt}
        </Button>
      </div>
    );
  if (!lick.instrument) return null;
  const from = lick.instrument;
  const places = struckNotes(lick.notes).map((s) => s.place);
  const bring = (keep: 'sound' | 'shape') => {
    const moved = toTuning(from, body.instrument, places, keep);
    const whole = moved.places.every((p): p is Place => p !== null);
    const notes: LickNote[] = whole ? withPlaces(lick.notes, moved.places) : lick.notes;
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
        <Signs>{LICKS.thisLickLiesOnThe(instrumentWords(from), instrumentWords(body.instrument))}</Signs>
      </p>
      <Button look="link" disabled={!sound.whole} onClick={sound.apply}>
        {sound.whole ? LICKS.bringItOverKeepThe : LICKS.keepTheSound(lost(sound.missing))}
      </Button>
      <Button look="link" disabled={!shape.whole} onClick={shape.apply}>
        <Signs>
          {shape.whole ? LICKS.keepTheShape(shape.scale ? ` (${scaleName(shape.scale)})` : '') : LICKS.keepTheShape2(lost(shape.missing))}
        </Signs>
      </Button>
    </div>
  );
}
