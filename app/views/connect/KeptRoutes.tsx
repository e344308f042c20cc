import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { memo, useState } from 'react';
import type { KeptRoute } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { dropRoute, renameRoute, reorderRoute } from '../../store/connection';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { counted } from '../../words/count-text';
import { WAY_WORDS } from '../../words/route-text';
import { isolated } from '../../words/name-text';
import { CONNECT } from '../../words/views/connect';

/** So many are listed before the rest is folded away. */
const FEW = 6;

/** Routes kept with the study: their notes as they were, opened, renamed, put in order, dropped. */
export const KeptRoutes = memo(function KeptRoutes({ routes, open }: { readonly routes: KeptRoute[]; readonly open: string | null }) {
  const [text, setText] = useState('');
  const [all, setAll] = useState(false);
  if (!routes.length) return null;
  const found = routes.map((r, k) => ({ r, k })).filter(({ r }) => r.name.toLowerCase().includes(text.trim().toLowerCase()));
  const listed = all || text ? found : found.filter(({ r }, at) => at < FEW || r.id === open);
  return (
    <Panel title={CONNECT.keptWithThisStudy}>
      {routes.length > FEW && (
        <label className="no-print mb-2 flex items-center gap-2 text-xs text-soft">
          {CONNECT.find}
          <input
            type="search"
            value={text}
            onChange={(e) => setText(e.target.value)}
            className="grow rounded-md border border-line bg-paper px-2 py-1 text-sm text-ink"
          />
        </label>
      )}
      <ol className="grid gap-1">
        {listed.map(({ r, k }) => (
          <KeptItem key={r.id} r={r} at={k} last={k === routes.length - 1} shown={r.id === open} />
        ))}
      </ol>
      {!listed.length && <p className="text-soft">{CONNECT.noKeptRouteOfThat}</p>}
      {!text && routes.length > FEW && (
        <Button look="quiet" className="mt-1" onClick={() => setAll(!all)}>
          {all ? CONNECT.theFirstOnly(FEW) : CONNECT.allKeptRoutes(routes.length)}
        </Button>
      )}
    </Panel>
  );
});

interface ItemProps {
  readonly r: KeptRoute;
  /** Its place among the kept ones, from 0. */
  readonly at: number;
  readonly last: boolean;
  readonly shown: boolean;
}

function KeptItem({ r, at, last, shown }: ItemProps) {
  const dispatch = useAppDispatch();
  return (
    <li className="flex flex-wrap items-center gap-2 border-b border-line/60 py-1 last:border-0">
      <input
        aria-label={CONNECT.nameOfKeptRoute(at + 1)}
        defaultValue={r.name}
        key={r.name}
        maxLength={120}
        onBlur={(e) => {
          const name = e.target.value.trim();
          if (name && name !== r.name) dispatch(change((now) => renameRoute(now.body, r.id, name)));
        }}
        onKeyDown={(e) => {
          if (e.key === 'Escape') e.currentTarget.value = r.name;
          if (e.key === 'Enter' || e.key === 'Escape') e.currentTarget.blur();
        }}
        className="min-w-40 grow rounded border border-transparent bg-transparent px-1 py-0.5 font-semibold hover:border-line focus:border-line"
      />
      <span className="num text-xs text-soft">
        <Signs>{`${counted(r.steps.length, 'note')}, ${WAY_WORDS[r.asked.way].chip.toLowerCase()}`}</Signs>
      </span>
      <Button
        look="link"
        aria-label={CONNECT.open(isolated(r.name))}
        aria-pressed={shown}
        onClick={() => dispatch(edited({ route: r.id }))}
      >
        {shown ? CONNECT.shown : CONNECT.open2}
      </Button>
      <Step
        onStep={() => dispatch(change((now) => reorderRoute(now.body, r.id, -1)))}
        disabled={at === 0}
        label={CONNECT.moveUp(isolated(r.name))}
        up
      />
      <Step
        onStep={() => dispatch(change((now) => reorderRoute(now.body, r.id, 1)))}
        disabled={last}
        label={CONNECT.moveDown(isolated(r.name))}
      />
      <Button
        look="quiet"
        icon={<Trash2 size={14} aria-hidden />}
        aria-label={CONNECT.drop(isolated(r.name))}
        onClick={() => dispatch(change((now) => dropRoute(now.body, r.id)))}
      >
        {CONNECT.drop2}
      </Button>
    </li>
  );
}

interface StepProps {
  readonly onStep: () => void;
  readonly disabled: boolean;
  readonly label: string;
  readonly up?: boolean;
}

const Step = ({ onStep, disabled, label, up = false }: StepProps) => (
  <Button look="quiet" disabled={disabled} aria-label={label} title={label} onClick={onStep}>
    {up ? <ArrowUp size={14} aria-hidden /> : <ArrowDown size={14} aria-hidden />}
    {up ? CONNECT.up : CONNECT.down}
  </Button>
);
