import { useEffect } from 'react';
import { Button } from '../ui/Button';
import { Signs } from '../letters/Signs';
import { useKeyed } from '../ui/useKeyed';
import type { Search } from '../workers/useSearch';
import { STUDY } from '../words/views/study';

const OVER = 'absolute top-1 right-1 flex flex-wrap items-center gap-3 rounded-lg border border-line bg-sheet px-3 py-1 shadow-xl';

/** Searches that end sooner than this show nothing; milliseconds. */
const PATIENCE = 200;

function useLater(on: boolean): boolean {
  const [late, setLate] = useKeyed([on], false);
  useEffect(() => {
    if (!on) return undefined;
    const timer = setTimeout(() => setLate(true), PATIENCE);
    return () => clearTimeout(timer);
  }, [on, setLate]);
  return late;
}

interface Props {
  readonly found: Search<unknown>;
  /** How many notes are settled, and how to free them. */
  readonly settled?: number;
  readonly onFree?: () => void;
}

/** How far a long search is, or why there is no way. */
export function SearchNote({ found, settled = 0, onFree }: Props) {
  const searching = useLater(found.done !== null);
  return (
    <>
      {/* Laid over what is below it: a search that begins or ends moves nothing. */}
      <div role="status" aria-live="polite" className="no-print relative z-[5] h-0">
        {searching && (
          <p className={OVER}>
            <span>{STUDY.searching}</span>
            <progress aria-label={STUDY.search} value={found.done ?? 0} max={1} className="h-2 w-48 accent-brass" />
            <span className="num">{Math.round((found.done ?? 0) * 100)} %</span>
            <Button onClick={found.cancel}>{STUDY.cancel}</Button>
          </p>
        )}
        {found.cancelled && (
          <p className={OVER}>
            <span>{STUDY.theSearchWasCancelledWhat}</span>
            <Button onClick={found.again}>{STUDY.searchAgain}</Button>
          </p>
        )}
      </div>
      {found.refused && (
        <div role="alert" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-clay bg-sheet p-3">
          <p className="grow">
            <Signs>{found.refused.message}</Signs>
          </p>
          {settled > 0 && (
            <Button look="link" onClick={onFree}>
              {STUDY.freeAllSettledNotes}
            </Button>
          )}
          {found.refused.code === 'BROKEN' && (
            <Button look="link" onClick={found.again}>
              {STUDY.searchAgain}
            </Button>
          )}
        </div>
      )}
    </>
  );
}
