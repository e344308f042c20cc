import { memo, useMemo, type ReactNode } from 'react';
import { hangsOn, isScale, rootPlaces, ruleOf, type Instrument, type Layout, type Place, type ScaleRef, type Shape } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { fingerOf, leadRoot, toRoot, typedScale, withInstrument, withLayout } from '../../store/moves';
import { Signs } from '../../letters/Signs';
import { scaleFacts } from '../../words/scale-text';
import { EarPart } from '../listen/EarPart';
import { PractiseIt, THE_SHAPE } from '../PractiseIt';
import { LayoutPart } from './LayoutPart';
import { RootPart } from './RootPart';
import { ScalePart } from './ScalePart';
import { TuningPart } from './TuningPart';
import { MAP } from '../../words/views/map';

interface Props {
  readonly scale: ScaleRef;
  readonly instrument: Instrument;
  readonly layout: Layout;
  readonly shapes: Shape[];
  readonly current: number;
}

/** What is mapped, as a sentence whose parts are the controls. */
export function Sentence({ scale, instrument, layout, shapes, current }: Props) {
  const dispatch = useAppDispatch();
  const root = leadRoot(shapes[current] ?? null);
  return (
    <header>
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
        <What scale={scale} instrument={instrument} layout={layout} root={root} />
        {root && !hangsOn(layout) && (
          <>
            {MAP.rootOn}{' '}
            <RootPart
              instrument={instrument}
              scale={scale}
              shapes={shapes}
              root={ruleOf(layout.kind).still ? { ...root, finger: fingerOf(shapes[current]!, root) } : root}
              onRoot={(wish) => dispatch(change((now) => toRoot(now.body.layout, now.shapes, now.current, wish)))}
            />
          </>
        )}
      </h1>
      <div className="mt-1.5 flex flex-wrap items-center gap-x-3 gap-y-1 max-sm:mb-2.5">
        <ScaleLine scale={scale} />
        <EarPart />
        <PractiseIt asked={THE_SHAPE} />
      </div>
    </header>
  );
}

/** The parts that stay while the hand walks along the ladder. */
const What = memo(function What({
  scale,
  instrument,
  layout,
  root,
}: Pick<Props, 'scale' | 'instrument' | 'layout'> & { readonly root: Place | null }) {
  const dispatch = useAppDispatch();
  const roots = useMemo(() => (isScale(scale.scale) ? rootPlaces(instrument, scale) : []), [instrument, scale]);
  return (
    <>
      <ScalePart scale={scale} onScale={(next) => dispatch(change(({ body }) => typedScale(body, next)))} /> {MAP.on2}{' '}
      <TuningPart instrument={instrument} onInstrument={(next) => dispatch(change(({ body }) => withInstrument(body, next)))} />
      {MAP.laidOutAs}{' '}
      <LayoutPart
        layout={layout}
        roots={roots}
        start={{ instrument, scale, root: root ?? roots[roots.length - 1] ?? { string: 1, fret: 0 } }}
        onLayout={(next) => dispatch(change(({ body, shape }) => withLayout(body, next, shape)))}
      />
    </>
  );
});

const ScaleLine = memo(function ScaleLine({ scale }: { readonly scale: ScaleRef }) {
  return (
    <p className="mt-0.5 grow text-[0.8125rem] text-soft">
      {scaleFacts(scale).map((f, k): ReactNode => (
        <span key={f}>
          {k > 0 && <span aria-hidden> · </span>}
          <Signs>{f}</Signs>
        </span>
      ))}
    </p>
  );
});
