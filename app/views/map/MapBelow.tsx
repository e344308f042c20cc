import type { StudyBody } from '../../../contract';
import type { Laid } from '../../store/study';
import { MapPanels, WhyLine } from './MapPanels';

export interface Shown {
  readonly body: StudyBody;
  readonly laid: Laid;
  readonly current: number;
  readonly seam: number;
}

/** What stands below the neck: why the shape is as it is, its scale and its steps. */
export function MapBelow({ body, laid, current, seam }: Shown) {
  const shape = laid.shapes[current];
  return (
    <>
      {shape && <WhyLine body={body} shape={shape} shapes={laid.shapes} />}
      <MapPanels body={body} laid={laid} current={current} seam={seam} />
    </>
  );
}
