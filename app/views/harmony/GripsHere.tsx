import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import type { Place, Shape } from '../../../core';
import { useAppDispatch } from '../../store';
import { harmonySet } from '../../store/harmony';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { gripsHere } from './grips-here';
import { HARMONY } from '../../words/views/harmony';
import { GripGrid } from './GripGrid';

interface Props {
  readonly body: StudyBody;
  readonly shape: Shape | null;
  readonly symbol: string;
  readonly grip: readonly Place[];
}

const SHOWN = 6;

/** The grips of the chord whose places all lie in the chosen position. */
export function GripsHere({ body, shape, symbol, grip }: Props) {
  const { instrument, hand } = body;
  const dispatch = useAppDispatch();
  const grips = useMemo(() => (shape ? gripsHere(instrument, shape, symbol, SHOWN, { hand }) : []), [instrument, shape, symbol, hand]);
  return (
    <Panel title={HARMONY.gripsHere(shape?.label ?? HARMONY.noPosition)}>
      {grips.length === 0 && <p className="text-[0.84375rem] text-soft">{HARMONY.noGripsHere}</p>}
      <GripGrid instrument={instrument} symbol={symbol} grips={grips} held={grip} />
      <div className="mt-2">
        <Button look="link" onClick={() => dispatch(harmonySet({ page: 'grips' }))}>
          {HARMONY.page.grips}
        </Button>
      </div>
    </Panel>
  );
}
