import { ArrowRightLeft, Bookmark } from 'lucide-react';
import { MOST_KEPT, type KeptRoute, type StudyBody } from '../../../contract';
import { samePlace, type Picking, type Route } from '../../../core';
import { lineOfRoute } from '../../files/papers';
import { useAppDispatch } from '../../store';
import { changeAsked, turned, type RouteEnds } from '../../store/connection';
import { edited } from '../../store/editor';
import type { RouteLine } from '../../store/route-lick';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { CONNECT } from '../../words/views/connect';
import { HandPart } from '../HandPart';
import { LineFiles } from '../LineFiles';
import { MakeLick } from './MakeLick';
import { useAsk } from './useAsk';
import { WeightsPart } from './WeightsPart';

const PICKING_OPTIONS: { readonly value: Picking; readonly label: string }[] = [
  { value: 'alternate', label: CONNECT.alternate },
  { value: 'economy', label: CONNECT.economy },
  { value: 'hammered', label: CONNECT.hammered },
];

interface Props {
  readonly body: StudyBody;
  readonly asked: RouteEnds['asked'];
  readonly route: Route | null;
  readonly line: RouteLine | null;
  readonly onKeep: () => void;
}

/** What can be done with the route that is shown: turned, weighed, fingered and picked otherwise, kept, made a lick, taken out. */
export function RouteTools({ body, asked, route, line, onKeep }: Props) {
  const dispatch = useAppDispatch();
  const onAsk = useAsk();
  return (
    <div className="no-print after-neck mt-3 flex flex-wrap items-center gap-2">
      <Button icon={<ArrowRightLeft size={14} aria-hidden />} onClick={() => onAsk(turned)}>
        {CONNECT.turnRound}
      </Button>
      <WeightsPart weights={asked.weights} onWeights={(weights) => onAsk((now) => changeAsked(now, { weights, choice: 0 }))} />
      <HandPart layout={body.layout} school={body.school} hand={body.hand} onHand={(fields) => dispatch(edited(fields))} />
      <Segmented
        label={CONNECT.picking}
        value={asked.picking}
        options={PICKING_OPTIONS}
        onChange={(picking) => onAsk((now) => changeAsked(now, { picking }))}
      />
      <button
        type="button"
        className="chip text-[0.78125rem]"
        aria-pressed={asked.staff}
        onClick={() => onAsk((now) => changeAsked(now, { staff: !now.asked.staff }))}
      >
        {CONNECT.staff}
      </button>
      <span className="grow" />
      <KeepButton routes={body.routes} route={route} onKeep={onKeep} />
      <MakeLick line={line} />
      <LineFiles what="route" body={body} line={line && lineOfRoute(line, body.tempo)} />
    </div>
  );
}

interface KeepProps {
  readonly routes: readonly KeptRoute[];
  readonly route: Route | null;
  readonly onKeep: () => void;
}

function KeepButton({ routes, route, onKeep }: KeepProps) {
  const isKept = route !== null && routes.some((r) => sameLine(r, route));
  const full = routes.length >= MOST_KEPT;
  return (
    <Button look="link" icon={<Bookmark size={14} aria-hidden />} disabled={!route || isKept || full} onClick={onKeep}>
      {isKept ? CONNECT.kept : full ? CONNECT.keptDropOneFirst(MOST_KEPT) : CONNECT.keepThisRoute}
    </Button>
  );
}

/** Whether a kept route is this very line, finger by finger. */
const sameLine = (kept: KeptRoute, route: Route): boolean =>
  kept.steps.length === route.steps.length &&
  kept.steps.every(
    (s, k) => samePlace(s, route.steps[k]) && s.finger === route.steps[k]!.finger && s.handFret === route.steps[k]!.handFret,
  );
