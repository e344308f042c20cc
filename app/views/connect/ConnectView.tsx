import { useCallback, useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { StudyGate } from '../StudyGate';
import { Problem } from '../Problem';
import { InstrumentBar } from '../InstrumentBar';
import { useAppSelector } from '../../store';
import { selectEnds, selectJob, selectKept, type RouteEnds } from '../../store/connection';
import { selectNotes, type Laid } from '../../store/study';
import { useKeyed } from '../../ui/useKeyed';
import { useRoutes } from '../../workers/useSearch';
import { AskedRoute } from './AskedRoute';
import { KeptRoutes } from './KeptRoutes';
import { KeptRouteView } from './KeptRouteView';
import { CONNECT } from '../../words/views/connect';

/** How the hand goes from one shape to the next. */
export function ConnectView() {
  return <StudyGate view="connect">{(body, laid) => <OpenConnect body={body} laid={laid} />}</StudyGate>;
}

function OpenConnect({ body, laid }: { readonly body: StudyBody; readonly laid: Laid }) {
  const ends = useAppSelector(selectEnds);
  const kept = useAppSelector(selectKept);
  if (kept) return <KeptRouteView key={kept.id} body={body} kept={kept} />;
  return (
    <>
      <InstrumentBar body={body} />
      {laid.error && (
        <>
          <h1 className="mb-2 text-[1.3125rem] font-medium">{CONNECT.noLadderToClimbYet}</h1>
          <Problem error={laid.error} body={body} />
          <KeptRoutes routes={body.routes} open={null} />
        </>
      )}
      {ends && <Searching body={body} laid={laid} ends={ends} />}
    </>
  );
}

function Searching({ body, laid, ends }: { readonly body: StudyBody; readonly laid: Laid; readonly ends: RouteEnds }) {
  const notes = useAppSelector(selectNotes);
  const found = useRoutes(useAppSelector(selectJob));
  const routes = found.found;
  const route = routes[Math.min(ends.asked.choice, routes.length - 1)] ?? null;
  const [picked, setPicked] = useKeyed([ends.asked.way, ends.from, ends.to, ends.asked.motion], -1);
  const last = (route?.steps.length ?? 0) - 1;
  const chosen = Math.min(picked, last);
  const step = useCallback((by: 1 | -1) => setPicked((p) => Math.max(0, Math.min(last, p + by))), [last, setPicked]);
  const note = useMemo(() => ({ chosen, onChoose: setPicked, step }), [chosen, setPicked, step]);
  return <AskedRoute body={body} shapes={laid.shapes} ends={ends} notes={notes} found={found} route={route} note={note} />;
}
