import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { CoreError, gripTravel, moveGrip, type Grip, type GripMoves, type Place } from '../../../core';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { gripText } from '../../words/grip-sign';
import { readingsOf } from '../../words/grip-text';
import { HARMONY } from '../../words/views/harmony';
import { GripGrid } from './GripGrid';
import { TypeGrip } from './TypeGrip';
import { useHold } from './useHold';

const SHOWN = 4;

function movesOf({ instrument, hand }: StudyBody, symbol: string, grip: readonly Place[]): GripMoves | null {
  try {
    return moveGrip(instrument, symbol, grip, { hand });
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** Where the grip that is held can go: the other region, other strings, its inversions. */
export function MovesCard({ body, grip }: { readonly body: StudyBody; readonly grip: Place[] }) {
  const { instrument, scale } = body;
  const hold = useHold();
  const symbol = useMemo(() => readingsOf(instrument, grip, scale)[0]?.symbol ?? null, [instrument, grip, scale]);
  const moves = useMemo(() => (symbol ? movesOf(body, symbol, grip) : null), [body, symbol, grip]);
  if (!symbol)
    return (
      <Panel title={HARMONY.page.leading}>
        <p className="mb-2 text-[0.84375rem] text-soft">{HARMONY.movesNothing}</p>
        <TypeGrip body={body} onGrip={hold} />
      </Panel>
    );
  const row = (title: string, grips: readonly Grip[]) => (
    <section>
      <h3 className="mt-3 mb-1 text-[0.84375rem] font-semibold">{title}</h3>
      {grips.length === 0 && <p className="text-[0.84375rem] text-soft">{HARMONY.nowhere}</p>}
      <GripGrid
        instrument={instrument}
        symbol={symbol}
        grips={grips.slice(0, SHOWN)}
        note={(g) => HARMONY.travel(Math.round(gripTravel(instrument, grip, g.places, body.hand)))}
      />
    </section>
  );
  return (
    <Panel title={HARMONY.moves(`${gripText(instrument, grip)}, ${symbol},`)}>
      <TypeGrip body={body} onGrip={hold} />
      {moves ? (
        <>
          {row(HARMONY.otherRegion, moves.region)}
          {row(HARMONY.inversions, moves.inversions)}
          {row(HARMONY.otherStrings, moves.strings)}
        </>
      ) : (
        <p className="mt-2 text-soft">
          <Signs>{HARMONY.nowhere}</Signs>
        </p>
      )}
    </Panel>
  );
}
