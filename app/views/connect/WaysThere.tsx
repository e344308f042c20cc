import type { Way } from '../../../contract';
import type { Route } from '../../../core';
import { Panel } from '../../ui/Panels';
import { effortWords, routeTitles, shiftWords, travelWords } from '../../words/route-text';
import { FirstWords } from '../FirstWords';
import { CONNECT } from '../../words/views/connect';

interface Props {
  readonly way: Way;
  readonly routes: Route[];
  readonly choice: number;
  readonly onChoice: (choice: number) => void;
}

/** The alternatives side by side: what each asks of the hand. */
export function WaysThere({ way, routes, choice, onChoice }: Props) {
  const titles = routeTitles(way, routes);
  return (
    <Panel title={CONNECT.waysThere}>
      <FirstWords words={['effort']} />
      <div role="radiogroup" aria-label={CONNECT.waysThere} className="mt-2 grid gap-2">
        {routes.map((r, k) => (
          <button
            key={k}
            type="button"
            role="radio"
            aria-checked={k === choice}
            tabIndex={k === choice ? 0 : -1}
            data-own-keys
            onKeyDown={(e) => {
              const by = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
              const next = (e.currentTarget.parentElement?.children[k + by] ?? null) as HTMLElement | null;
              if (!by || !next) return;
              e.preventDefault();
              next.focus();
              onChoice(k + by);
            }}
            onClick={() => onChoice(k)}
            className={`num grid cursor-pointer grid-cols-[1fr_auto] gap-x-3 rounded-md border px-3 py-2 text-left ${k === choice ? 'border-brass-deep border-l-4 bg-paper' : 'border-line hover:border-soft'}`}
          >
            <span className="font-semibold">
              <span className="text-soft">{k + 1}</span> {titles[k]}
            </span>
            <span className="text-right">{shiftWords(r)}</span>
            <span className="text-xs text-soft">{travelWords(r)}</span>
            <span className="text-right text-xs text-soft">{effortWords(r)}</span>
          </button>
        ))}
      </div>
    </Panel>
  );
}
