import { ListMusic } from 'lucide-react';
import { MOST_LICK_NOTES, MOST_LICKS, type StudyBody } from '../../../contract';
import { drillLick } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { addLick, freshLick, sameNeck } from '../../store/licks';
import type { Drilled } from '../../store/practice/drilled';
import { Button } from '../../ui/Button';
import { PRACTISE } from '../../words/views/practise';
import { CONNECT } from '../../words/views/connect';
import { LineFiles } from '../LineFiles';
import { useGo } from '../useGo';

/** A drill becomes a lick, prints and exports like one. */
export function DrillFiles({ body, drill, tempo, name }: { body: StudyBody; drill: Drilled; tempo: number; name: string }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const notes = drillLick(drill.line);
  const long = notes.length > MOST_LICK_NOTES;
  const full = body.licks.length >= MOST_LICKS;
  const make = (): void => {
    const instrument = sameNeck(drill.instrument, body.instrument) ? null : drill.instrument;
    dispatch(change((now) => addLick(now.body, { ...freshLick(now.body, name.slice(0, 120)), tempo, instrument, notes })));
    go('licks');
  };
  return (
    <div className="no-print after-tools mt-3 flex flex-wrap gap-2">
      <Button icon={<ListMusic size={14} aria-hidden />} data-part="drill as a lick" disabled={long || full} onClick={make}>
        {long ? PRACTISE.tooLongForLick(MOST_LICK_NOTES) : full ? CONNECT.licksDeleteOneFirst(MOST_LICKS) : PRACTISE.toLick}
      </Button>
      <LineFiles what="drill" body={body} line={{ name, notes, tempo, meter: [4, 4], instrument: drill.instrument, scale: body.scale }} />
    </div>
  );
}
