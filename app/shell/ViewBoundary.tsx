import { Suspense } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { Link, Outlet, useLocation } from 'react-router';
import { writeBundle } from '../../contract';
import { useAppDispatch, useAppSelector } from '../store';
import { undone } from '../store/editor';
import { Button } from '../ui/Button';
import { download, fileName } from '../ui/files';
import { Signs } from '../letters/Signs';
import { isolated } from '../words/name-text';
import { FRAME } from '../words/views/shell';

/** A view that breaks leaves the rest of the application standing, and comes back as soon as the study or the address is another. */
export function ViewBoundary() {
  const body = useAppSelector((s) => s.editor.body);
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={ViewBroke} resetKeys={[pathname, body]}>
      <Suspense>
        <Outlet />
      </Suspense>
    </ErrorBoundary>
  );
}

const NOT_LOADED = /dynamically imported module|Importing a module|Failed to fetch/i;

/** Says what happened and what helps: step back, an earlier version, the study as a file. */
function ViewBroke({ error, resetErrorBoundary }: FallbackProps) {
  const { id, body, past } = useAppSelector((s) => s.editor);
  const dispatch = useAppDispatch();
  const message = error instanceof Error ? error.message : String(error);
  const unloaded = NOT_LOADED.test(message);
  return (
    <div role="alert" className="mx-auto max-w-2xl px-4 py-16">
      <h1 className="text-[1.3125rem] font-medium">{unloaded ? FRAME.thisViewCouldNotBe : FRAME.thisViewCannotShowThe}</h1>
      <p className="mt-2">{unloaded ? FRAME.theServerDoesNotAnswer : FRAME.thatIsAFaultOf}</p>
      {!unloaded && <p className="mt-2 text-xs text-soft">{FRAME.whatWasSaid(message.slice(0, 200))}</p>}
      <div className="mt-4 flex flex-wrap gap-2">
        {!unloaded && past.length > 0 && (
          <Button look="brass" onClick={() => dispatch(undone())}>
            {FRAME.undoTheLastChange}
          </Button>
        )}
        <Button look={unloaded ? 'brass' : 'plain'} onClick={() => (unloaded ? location.reload() : resetErrorBoundary())}>
          {unloaded ? FRAME.loadThePageAgain : FRAME.tryAgain}
        </Button>
        {id && (
          <Link
            className="inline-flex min-h-8 items-center rounded-md border border-line bg-sheet px-3 py-1 text-[0.78125rem]"
            to={`/versions/${id}`}
          >
            {FRAME.earlierVersions}
          </Link>
        )}
        {id && body && (
          <Button
            onClick={() =>
              download(`${fileName(body.name)}.json`, 'application/json', writeBundle({ studies: [{ id, body }], instruments: [] }))
            }
          >
            {FRAME.exportTheStudy}
          </Button>
        )}
      </div>
      {body && (
        <p className="mt-4 text-soft">
          <Signs>{FRAME.open(isolated(body.name))}</Signs>
        </p>
      )}
    </div>
  );
}
