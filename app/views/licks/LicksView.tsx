import type { StudyBody } from '../../../contract';
import { useAppSelector } from '../../store';
import { neckOf, selectLick } from '../../store/licks';
import { InstrumentBar } from '../InstrumentBar';
import { StudyGate } from '../StudyGate';
import { UndoRedo } from '../UndoRedo';
import { LickEditor } from './LickEditor';
import { NewLickTools } from './NewLickTools';
import { LICKS } from '../../words/views/licks';

/** Short lines with rhythm: entered, checked, and found again all over the neck. */
export function LicksView() {
  return <StudyGate view="licks">{(body) => <OpenLicks body={body} />}</StudyGate>;
}

function OpenLicks({ body }: { readonly body: StudyBody }) {
  const lick = useAppSelector(selectLick);
  return (
    <>
      <InstrumentBar body={body} />
      {lick ? <LickEditor key={lick.id} body={body} lick={lick} neck={neckOf(body, lick)} /> : <NoLicks body={body} />}
    </>
  );
}

function NoLicks({ body }: { readonly body: StudyBody }) {
  return (
    <>
      <h1 className="text-[1.5625rem] font-medium">{LICKS.noLicksInThisStudy}</h1>
      <p className="my-3 max-w-prose">{LICKS.beginOneAndClickIts}</p>
      <NewLickTools body={body} />
      <footer className="mt-6 flex gap-4 text-xs text-soft">
        <UndoRedo />
      </footer>
    </>
  );
}
