import type { StudyBody } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { overSet } from '../../store/over';
import { addWritten } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { PROGRESSION } from '../../words/views/progression';
import { HarmonyPages } from '../harmony/HarmonyPages';
import { BringForm } from './BringForm';
import { ProgressionChooser } from './ProgressionPart';

/** A study without a progression: where to begin. */
export function NoProgression({ body }: { readonly body: StudyBody }) {
  const dispatch = useAppDispatch();
  const own = (): void => {
    dispatch(change((n) => addWritten(n.body, { name: PROGRESSION.fresh, text: '' })));
    dispatch(overSet({ writing: true, at: 0 }));
  };
  return (
    <div className="view-column">
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium sm:text-[1.5625rem]">{PROGRESSION.name}</h1>
      <p className="mt-1 mb-3 max-w-prose text-soft">{PROGRESSION.none}</p>
      <div className="no-print">
        <HarmonyPages page="progression" />
      </div>
      <div className="mt-3 grid gap-3 lg:grid-cols-2">
        <Panel title={PROGRESSION.startFrom}>
          <ProgressionChooser body={body} close={() => undefined} />
        </Panel>
        <Panel title={PROGRESSION.writeOwn}>
          <p className="mb-3 text-[0.84375rem] text-soft">{PROGRESSION.how}</p>
          <div className="flex flex-wrap gap-2">
            <Button look="brass" onClick={own}>
              {PROGRESSION.writeOwn}
            </Button>
            <BringForm />
          </div>
        </Panel>
      </div>
    </div>
  );
}
