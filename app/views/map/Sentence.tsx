import type { ReactNode } from 'react';
import type { StudyBody } from '../../../contract';
import type { Shape } from '../../../core';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { leadRoot, toRoot, withInstrument, withLayout, withScale } from '../../store/moves';
import { Signs } from '../../ui/Signs';
import { scaleFacts } from '../../words/scale-text';
import { LayoutPart } from './LayoutPart';
import { RootPart } from './RootPart';
import { ScalePart } from './ScalePart';
import { TuningPart } from './TuningPart';

interface Props {
  body: StudyBody;
  shapes: Shape[];
  current: number;
}

/** What is mapped, as a sentence whose parts are the controls. */
export function Sentence({ body, shapes, current }: Props) {
  const dispatch = useAppDispatch();
  const shape = shapes[current] ?? null;
  const root = leadRoot(shape);
  const facts = scaleFacts(body.scale);
  return (
    <header>
      <h1 className="text-[21px] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[25px]">
        <ScalePart scale={body.scale} onScale={(scale) => dispatch(edited(withScale(body, scale)))} /> on{' '}
        <TuningPart instrument={body.instrument} onInstrument={(i) => dispatch(edited(withInstrument(body, i)))} />, laid out as{' '}
        <LayoutPart layout={body.layout} onLayout={(layout) => dispatch(edited(withLayout(body, layout, shape)))} />
        {root && (
          <>
            , root on <RootPart shapes={shapes} root={root} onRoot={(r) => dispatch(edited(toRoot(shapes, current, r) ?? {}))} />
          </>
        )}
      </h1>
      <p className="mt-0.5 text-[13px] text-soft">
        {facts.map((f, k): ReactNode => (
          <span key={f}>
            {k > 0 && <span aria-hidden> · </span>}
            <Signs>{f}</Signs>
          </span>
        ))}
      </p>
    </header>
  );
}
