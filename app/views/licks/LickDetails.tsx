import { Check, Copy, Route, Trash2 } from 'lucide-react';
import { MOST_KEPT, MOST_TAGS, type Lick, type StudyBody } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { dropLick, duplicateLick } from '../../store/licks';
import { hasTaps, routeOfLick } from '../../store/route-lick';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { TagField } from '../../ui/TagField';
import { dateWords } from '../../words/date-text';
import { useGo } from '../useGo';
import { LICKS } from '../../words/views/licks';

/** Name and tags of a lick, when it was practised, and copies of it. */
export function LickDetails({
  body,
  lick,
  onSet,
}: {
  readonly body: StudyBody;
  readonly lick: Lick;
  readonly onSet: (fields: Partial<Lick>) => void;
}) {
  const dispatch = useAppDispatch();
  return (
    <Panel title={LICKS.thisLick} className="no-print">
      <label className="flex flex-col gap-1 text-xs text-soft">
        {LICKS.name}
        <input
          key={lick.name}
          defaultValue={lick.name}
          maxLength={120}
          onBlur={(e) => e.target.value.trim() && onSet({ name: e.target.value.trim() })}
          onKeyDown={(e) => {
            if (e.key === 'Escape') e.currentTarget.value = lick.name;
            if (e.key === 'Enter' || e.key === 'Escape') e.currentTarget.blur();
          }}
          className="rounded-md border border-line bg-paper px-2 py-1.5 text-sm text-ink"
        />
      </label>
      <TagField tags={lick.tags} most={MOST_TAGS} onTags={(tags) => onSet({ tags })} />
      <p className="mt-2 text-xs text-soft">
        {lick.practisedAt ? LICKS.lastPractised(dateWords(lick.practisedAt)) : LICKS.notPractisedYet}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button icon={<Check size={14} aria-hidden />} onClick={() => onSet({ practisedAt: Date.now() })}>
          {LICKS.practisedNow}
        </Button>
        <Button icon={<Copy size={14} aria-hidden />} onClick={() => dispatch(change((now) => duplicateLick(now.body, lick.id)))}>
          {LICKS.duplicate}
        </Button>
        <KeepAsRoute body={body} lick={lick} />
        <Button icon={<Trash2 size={14} aria-hidden />} onClick={() => dispatch(change((now) => dropLick(now.body, lick.id)))}>
          {LICKS.deleteWord}
        </Button>
      </div>
      <p className="mt-2 text-xs text-soft">{LICKS.inThisStudyUndoBrings(body.licks.length, body.licks.length === 1 ? 'lick' : 'licks')}</p>
    </Panel>
  );
}

/** A lick becomes a kept route in one press, and opens in Connect. */
function KeepAsRoute({ body, lick }: { readonly body: StudyBody; readonly lick: Lick }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const keep = (): void => {
    dispatch(change((now) => routeOfLick(now.body, lick)));
    go('connect');
  };
  const full = body.routes.length >= MOST_KEPT;
  const tapped = hasTaps(lick);
  return (
    <Button icon={<Route size={14} aria-hidden />} disabled={full || tapped || !lick.notes.some((n) => n.place)} onClick={keep}>
      {full ? LICKS.routesDropOneFirst(MOST_KEPT) : tapped ? LICKS.tappedNoRouteOfOne : LICKS.keepAsARoute}
    </Button>
  );
}
