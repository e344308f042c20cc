import { Trash2 } from 'lucide-react';
import type { KeptRoute } from '../../../contract';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../ui/Signs';
import { WAY_WORDS } from '../../words/route-text';

interface Props {
  routes: KeptRoute[];
  onOpen: (route: KeptRoute) => void;
  onRename: (index: number, name: string) => void;
  onDrop: (index: number) => void;
}

/** Routes kept with the study: as they were asked, ready to be asked again. */
export function KeptRoutes({ routes, onOpen, onRename, onDrop }: Props) {
  if (!routes.length) return null;
  return (
    <Panel title="Kept with this study">
      <ul className="grid gap-1">
        {routes.map((r, k) => (
          <li key={k} className="flex flex-wrap items-center gap-2 border-b border-line/60 py-1 last:border-0">
            <input
              aria-label={`Name of kept route ${k + 1}`}
              defaultValue={r.name}
              key={r.name}
              maxLength={120}
              onBlur={(e) => e.target.value.trim() && e.target.value !== r.name && onRename(k, e.target.value.trim())}
              className="min-w-40 grow rounded border border-transparent bg-transparent px-1 py-0.5 font-semibold hover:border-line focus:border-line"
            />
            <span className="num text-xs text-soft">
              <Signs>{`${r.steps.length} notes, ${WAY_WORDS[r.asked.way].chip.toLowerCase()}`}</Signs>
            </span>
            <Button look="link" aria-label={`Open ${r.name}`} onClick={() => onOpen(r)}>
              Open
            </Button>
            <Button look="quiet" icon={<Trash2 size={14} aria-hidden />} aria-label={`Drop ${r.name}`} onClick={() => onDrop(k)}>
              Drop
            </Button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
