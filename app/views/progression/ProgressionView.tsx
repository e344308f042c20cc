import { StudyGate } from '../StudyGate';
import { InstrumentBar } from '../InstrumentBar';
import { Problem } from '../Problem';
import { useAppSelector } from '../../store';
import { selectProgression } from '../../store/progressions';
import { selectRung, type Laid } from '../../store/study';
import type { StudyBody } from '../../../contract';
import { NoProgression } from './NoProgression';
import { ProgressionBench } from './ProgressionBench';

/** What all the mapping is for: a progression with a scale for each chord, in one place or along the neck, and a backing to play over. */
export function ProgressionView() {
  return <StudyGate view="progression">{(body, laid) => <Open body={body} laid={laid} />}</StudyGate>;
}

function Open({ body, laid }: { readonly body: StudyBody; readonly laid: Laid }) {
  const p = useAppSelector(selectProgression);
  const current = useAppSelector(selectRung);
  return (
    <>
      <InstrumentBar body={body} />
      {laid.error && <Problem error={laid.error} body={body} />}
      {p ? <ProgressionBench body={body} p={p} here={laid.shapes[current]?.handFret ?? 0} /> : <NoProgression body={body} />}
    </>
  );
}
