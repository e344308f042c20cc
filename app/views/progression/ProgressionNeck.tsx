import { useEffect, useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { glyphs, samePlace, type FingeredStep, type Place } from '../../../core';
import { Arrows } from '../../neck/Arrows';
import { fretX, stringY, type NeckGeometry } from '../../neck/geometry';
import { Legend } from '../../neck/Legend';
import { Neck } from '../../neck/Neck';
import { NeckScroll } from '../../neck/NeckScroll';
import { Presses } from '../../neck/Presses';
import { keepInSight, useNeckGeometry } from '../../neck/useNeckGeometry';
import { useAppDispatch } from '../../store';
import type { Ear } from '../../store/ear';
import { overSet } from '../../store/over';
import { Signs } from '../../letters/Signs';
import { scaleOf } from '../../words/harmony-text';
import { PROGRESSION } from '../../words/views/progression';
import { useAhead } from './useAhead';
import type { Ways } from './useWays';

interface Props {
  readonly body: StudyBody;
  readonly ways: Ways;
  /** Where the ear is; null while nothing plays. */
  readonly ear: Ear | null;
  readonly guide: readonly FingeredStep[];
}

const GAPS = { wide: 30, close: 27 };

/** The chord and its scale where the hand is; what is coming as arrows, a beat ahead while the backing plays. */
export function ProgressionNeck({ body, ways, ear, guide }: Props) {
  const { instrument } = body;
  const dispatch = useAppDispatch();
  const neck = useNeckGeometry(instrument, GAPS);
  const { holder, width, g } = neck;
  const { chord, step, next, at } = ways;
  const { target, marks, arrows, names, sentence } = useAhead(body, ways, ear);
  const band = useMemo(() => step && { from: step.shape.lowFret, to: step.shape.highFret }, [step]);
  useEffect(() => keepInSight(holder.current, width, g, band ?? null), [holder, width, g, band]);
  if (!step || !chord) return null;
  const guided = guide[at];
  const guideNext = guide[(at + 1) % Math.max(1, guide.length)];
  const onPress = (place: Place): void => void dispatch(overSet({ target: target && samePlace(target, place) ? null : place }));
  return (
    <div className="rounded-[10px] border border-line bg-sheet p-3">
      <NowAndNext ways={ways} ear={ear} />
      <NeckScroll neck={neck} instrument={instrument} label={PROGRESSION.neck}>
        <Neck
          g={g}
          instrument={instrument}
          marks={marks}
          {...(band ? { band } : {})}
          title={glyphs(PROGRESSION.neckTitle(chord.symbol, scaleOf(step.ref), step.shape.label))}
        >
          <Arrows g={g} arrows={arrows} />
          {guided && guideNext && <GuideLine g={g} from={guided} to={guideNext} />}
          {target && <Ring g={g} of="target" place={target} />}
          {guided && <Ring g={g} of="guide" place={guided} />}
          <Presses g={g} onPress={onPress} />
        </Neck>
      </NeckScroll>
      <div className="mt-1 flex flex-wrap justify-between gap-x-4 text-xs text-soft">
        <p>
          <Signs>{PROGRESSION.legend(chord.symbol, scaleOf(step.ref))}</Signs>{' '}
          <span className="text-brass-deep">
            <Signs>{sentence}</Signs>
          </span>
          {guided && guideNext && (
            <>
              {' '}
              <Signs>{PROGRESSION.guideNow(names(guided, step.ref), names(guideNext, (next?.step ?? step).ref))}</Signs>
            </>
          )}
        </p>
        <p className="num">{PROGRESSION.handAt(step.shape.handFret, Math.round(step.moveMm))}</p>
      </div>
      <Legend marks={marks} />
    </div>
  );
}

/** The chord that sounds with its scale, and the one after it. */
function NowAndNext({ ways: { chord, step, next }, ear }: Pick<Props, 'ways' | 'ear'>) {
  if (!chord || !step) return null;
  return (
    <div className="mb-1 flex flex-wrap items-baseline justify-between gap-x-4">
      <p className="font-display text-[1.25rem] leading-7 font-semibold" aria-live={ear ? 'off' : 'polite'}>
        <Signs>{chord.symbol}</Signs>{' '}
        <span className="text-[1rem] font-medium text-soft">
          <Signs>{`${scaleOf(step.ref)} · ${step.shape.label}`}</Signs>
        </span>
      </p>
      {next && (
        <p className={`font-display text-[1.0625rem] ${ear && ear.left <= 1 ? 'font-semibold text-brass-deep' : 'text-soft'}`}>
          {ear?.counting ? `${PROGRESSION.counting(ear.counting)} · ` : ''}
          {PROGRESSION.then} <Signs>{`${next.chord.symbol} · ${scaleOf(next.step.ref)}`}</Signs>
          {ear && ear.at >= 0 ? ` ${PROGRESSION.inBeats(ear.left)}` : ''}
        </p>
      )}
    </div>
  );
}

const GUIDE = '#8fc9d0';

/** From this chord's note of the guide line to the next one's. */
function GuideLine({ g, from, to }: { readonly g: NeckGeometry; readonly from: Place; readonly to: Place }) {
  if (samePlace(from, to)) return null;
  return (
    <line
      x1={fretX(g, from.fret)}
      y1={stringY(g, from.string)}
      x2={fretX(g, to.fret)}
      y2={stringY(g, to.string)}
      stroke={GUIDE}
      strokeWidth={2}
      strokeDasharray="3 4"
    />
  );
}

const RINGS = { target: { stroke: '#f2b84b' }, guide: { stroke: GUIDE, strokeDasharray: '5 3' } };

/** Round a place that is spoken of. */
function Ring({ g, of, place }: { readonly g: NeckGeometry; readonly of: keyof typeof RINGS; readonly place: Place }) {
  return (
    <circle
      data-ring={of}
      cx={fretX(g, place.fret)}
      cy={stringY(g, place.string)}
      r={19 * g.scale}
      fill="none"
      strokeWidth={2.5}
      {...RINGS[of]}
    />
  );
}
