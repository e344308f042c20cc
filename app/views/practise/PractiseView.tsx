import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { useAppSelector } from '../../store';
import { drilled } from '../../store/practice/drilled';
import { practiceOf } from '../../store/practice/edit';
import { selectRung, type Laid } from '../../store/study';
import { InstrumentBar } from '../InstrumentBar';
import { Problem } from '../Problem';
import { StudyGate } from '../StudyGate';
import { DrillPlayer } from './DrillPlayer';

/** A drill in time: the neck, the line, what to say, and the tempo ladder. */
export function PractiseView() {
  return <StudyGate view="practise">{(body, laid) => <Open body={body} laid={laid} />}</StudyGate>;
}

function Open({ body, laid }: { readonly body: StudyBody; readonly laid: Laid }) {
  const current = useAppSelector(selectRung);
  const { form, climb } = practiceOf(body);
  const { instrument, scale, layout, school, hand, over, routes, licks } = body;
  const made = useMemo(
    () => drilled(form, { body: { instrument, scale, layout, school, hand, over, routes, licks }, shapes: laid.shapes, current }),
    [form, instrument, scale, layout, school, hand, over, routes, licks, laid.shapes, current],
  );
  return (
    <>
      <InstrumentBar body={body} />
      {laid.error && <Problem error={laid.error} body={body} />}
      <DrillPlayer body={body} shapes={laid.shapes} current={current} form={form} climb={climb} made={made} />
    </>
  );
}
