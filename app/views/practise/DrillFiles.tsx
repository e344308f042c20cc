import { ListMusic } from 'lucide-react';
import { memo, useCallback, useMemo } from 'react';
import { MOST_LICK_NOTES, MOST_LICKS, type StudyBody } from '../../../contract';
import { drillLick } from '../../../core';
import { Legend } from '../../neck/Legend';
import type { NeckMark } from '../../neck/marks';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { addLick, freshLick, sameNeck } from '../../store/licks';
import type { Drilled } from '../../store/practice/drilled';
import { Button } from '../../ui/Button';
import { CONNECT } from '../../words/views/connect';
import { PRACTISE } from '../../words/views/practise';
import { LineFiles } from '../LineFiles';
import { useGo } from '../useGo';

interface Props {
  readonly body: StudyBody;
  readonly drill: Drilled | null;
  readonly tempo: number;
  readonly name: string;
}

/** The drill as a lick of the study: how to make it, or why that cannot be. */
export function useDrillLick({ body, drill, tempo, name }: Props): { readonly make: () => void; readonly why: string | null } {
  const dispatch = useAppDispatch();
  const go = useGo();
  const long = (drill?.notes.length ?? 0) > MOST_LICK_NOTES;
  const full = body.licks.length >= MOST_LICKS;
  const why = long ? PRACTISE.tooLongForLick(MOST_LICK_NOTES) : full ? CONNECT.licksDeleteOneFirst(MOST_LICKS) : null;
  const make = useCallback(() => {
    if (!drill || why) return;
    const instrument = sameNeck(drill.instrument, body.instrument) ? null : drill.instrument;
    const notes = drillLick(drill.line);
    dispatch(change((now) => addLick(now.body, { ...freshLick(now.body, name.slice(0, 120).trim()), tempo, instrument, notes })));
    go('licks');
  }, [dispatch, go, drill, why, body.instrument, name, tempo]);
  return { make, why };
}

/** What the marks mean; the drill as a lick, as files and on paper. */
export const DrillFiles = memo(function DrillFiles(props: Props & { readonly marks: readonly NeckMark[] }) {
  const { body, drill, tempo, name, marks } = props;
  const { make, why } = useDrillLick(props);
  const notes = useMemo(() => (drill ? drillLick(drill.line) : []), [drill]);
  if (!drill) return null;
  return (
    <div className="no-print after-tools mt-3 flex flex-wrap items-start gap-2">
      <Button icon={<ListMusic size={14} aria-hidden />} disabled={why !== null} onClick={make}>
        {why ?? PRACTISE.toLick}
      </Button>
      <LineFiles what="drill" body={body} line={{ name, notes, tempo, meter: [4, 4], instrument: drill.instrument, scale: body.scale }} />
      <div className="min-w-0 grow pt-1">
        <Legend marks={marks} />
      </div>
    </div>
  );
});
