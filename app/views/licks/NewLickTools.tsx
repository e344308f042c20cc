import { Plus } from 'lucide-react';
import { MOST_LICKS, type StudyBody } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { addLick, freshLick } from '../../store/licks';
import { Button } from '../../ui/Button';
import { TabInput } from './TabInput';
import { LICKS } from '../../words/views/licks';

/** A new lick: empty, or from a tab. */
export function NewLickTools({ body }: { readonly body: StudyBody }) {
  const dispatch = useAppDispatch();
  const full = body.licks.length >= MOST_LICKS;
  return (
    <span className="no-print inline-flex flex-wrap gap-2">
      <Button
        icon={<Plus size={14} aria-hidden />}
        disabled={full}
        onClick={() => dispatch(change((now) => addLick(now.body, freshLick(now.body, `Lick ${now.body.licks.length + 1}`))))}
      >
        {full ? LICKS.aStudyHoldsLicks(MOST_LICKS) : LICKS.newLick}
      </Button>
      {!full && <TabInput body={body} />}
    </span>
  );
}
