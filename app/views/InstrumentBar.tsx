import type { StudyBody } from '../../contract';
import { useAppDispatch } from '../store';
import { useInstrumentsQuery } from '../store/api';
import { change } from '../store/change';
import { withInstrument } from '../store/moves';
import { Button } from '../ui/Button';
import { Signs } from '../letters/Signs';
import { differenceWords } from '../words/instrument-text';
import { isolated } from '../words/name-text';
import { STUDY } from '../words/views/study';

/** The study's instrument was changed since: says how, and leaves the choice. */
export function InstrumentBar({ body }: { readonly body: StudyBody }) {
  const { data } = useInstrumentsQuery(undefined, { skip: body.instrumentId === null, refetchOnMountOrArgChange: true });
  const dispatch = useAppDispatch();
  const now = data?.find((i) => i.id === body.instrumentId)?.body;
  const lines = now ? differenceWords(body.instrument, now) : [];
  if (!now || !lines.length) return null;
  return (
    <div role="alert" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-feather bg-sheet p-3">
      <p className="grow">
        <Signs>{STUDY.wasChangedSinceThisStudy(isolated(now.name), lines.join('; '))}</Signs>
      </p>
      <Button look="link" onClick={() => dispatch(change((n) => withInstrument(n.body, now, n.body.instrumentId)))}>
        {STUDY.takeTheChange}
      </Button>
      <Button look="link" onClick={() => dispatch(change(() => ({ instrumentId: null })))}>
        {STUDY.keepTheStudyAsIt}
      </Button>
    </div>
  );
}
