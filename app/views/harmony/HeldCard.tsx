import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { holdGrip, type Place } from '../../../core';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { gripText } from '../../words/grip-sign';
import { readingsOf, shapesUnderGrip } from '../../words/grip-text';
import { HARMONY } from '../../words/views/harmony';
import { useUnder } from '../useUnder';
import { KeepPart } from './KeepPart';
import { degreesUnder } from '../../files/papers';
import { KeptGrips } from './KeptGrips';
import { TypeGrip } from './TypeGrip';
import { useHold } from './useHold';

/** Readings shown of a grip, and shapes under it. */
const READINGS = 4;
const UNDER = 7;

/** What is held: what it is called, how a hand holds it, which shapes lie under it; and the grips that were kept. */
export function HeldCard({ body, grip }: { readonly body: StudyBody; readonly grip: Place[] }) {
  const hold = useHold();
  return (
    <Panel title={HARMONY.held}>
      <div className="flex flex-wrap gap-2">
        <TypeGrip body={body} onGrip={hold} />
        {grip.length > 0 && <KeepPart body={body} grip={grip} />}
        {grip.length > 0 && <Button onClick={() => hold([])}>{HARMONY.lift}</Button>}
      </div>
      {grip.length > 0 ? <Held body={body} grip={grip} /> : <p className="mt-2 text-[0.84375rem] text-soft">{HARMONY.heldNothing}</p>}
      <KeptGrips body={body} grip={grip} />
    </Panel>
  );
}

function Held({ body, grip }: { readonly body: StudyBody; readonly grip: Place[] }) {
  const { instrument, scale, layout, hand } = body;
  const dispatch = useAppDispatch();
  const onUnder = useUnder();
  const readings = useMemo(() => readingsOf(instrument, grip, scale), [instrument, grip, scale]);
  const held = useMemo(() => holdGrip(instrument, grip, hand), [instrument, grip, hand]);
  const under = useMemo(() => shapesUnderGrip(grip, instrument, scale, layout), [grip, instrument, scale, layout]);
  return (
    <div aria-live="polite" className="mt-3 text-[0.84375rem]">
      <p>
        <b className="num font-semibold">{gripText(instrument, grip)}</b>{' '}
        <Signs>{`${HARMONY.degreesOf(degreesUnder(instrument, readings[0]!.symbol, grip).join(' '))}; ${'why' in held ? '' : HARMONY.fingers(held.fingers.join(' '), Math.round(held.costMm))}`}</Signs>
      </p>
      {'why' in held && (
        <p role="alert" className="text-clay">
          {HARMONY.notHeld(held.why)}
        </p>
      )}
      <h3 className="mt-2 mb-1 font-semibold">{HARMONY.readAs}</h3>
      <div className="flex flex-wrap gap-2">
        {readings.slice(0, READINGS).map((r) => (
          <Button key={r.symbol} onClick={() => dispatch(edited({ chord: r.symbol }))}>
            <span>
              <Signs>{r.omitted.length ? `${r.symbol}, ${HARMONY.without(r.omitted.join(' '))}` : r.symbol}</Signs>
            </span>
          </Button>
        ))}
      </div>
      <h3 className="mt-3 mb-1 font-semibold">{HARMONY.under}</h3>
      {'found' in under ? (
        <ul className="flex flex-col gap-1">
          {under.found.slice(0, UNDER).map((u) => (
            <li key={`${u.title} ${u.detail}`}>
              <button type="button" className="tap cursor-pointer text-left text-feather underline" onClick={() => onUnder(u)}>
                <Signs>{u.title}</Signs>
              </button>{' '}
              <span className="text-xs text-soft">
                <Signs>{u.detail}</Signs>
              </span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-soft">{under.problem}</p>
      )}
    </div>
  );
}
