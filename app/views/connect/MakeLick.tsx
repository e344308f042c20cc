import { ListMusic } from 'lucide-react';
import { MOST_LICKS } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { lickOfRoute, type RouteLine } from '../../store/route-lick';
import { Button } from '../../ui/Button';
import { useGo } from '../useGo';
import { CONNECT } from '../../words/views/connect';

/** A route becomes a lick of the study in one press, and opens in Licks. */
export function MakeLick({ line }: { readonly line: RouteLine | null }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const full = useAppSelector((s) => (s.editor.body?.licks.length ?? 0) >= MOST_LICKS);
  const make = (): void => {
    if (!line) return;
    dispatch(change(({ body }) => lickOfRoute(body, line)));
    go('licks');
  };
  return (
    <Button icon={<ListMusic size={14} aria-hidden />} disabled={!line || full} onClick={make}>
      {full ? CONNECT.licksDeleteOneFirst(MOST_LICKS) : CONNECT.makeALickOfIt}
    </Button>
  );
}
