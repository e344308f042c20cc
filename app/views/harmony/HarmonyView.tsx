import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { CoreError, parseChord } from '../../../core';
import { useAppSelector } from '../../store';
import { gripOn } from '../../store/harmony';
import { selectRung, type Laid } from '../../store/study';
import { chordsIn } from '../../words/harmony-text';
import { InstrumentBar } from '../InstrumentBar';
import { Problem } from '../Problem';
import { StudyGate } from '../StudyGate';
import { HarmonyBench } from './HarmonyBench';

/** Chords of the mode, grips and what lies under them, arpeggios, and how one grip goes to the next. */
export function HarmonyView() {
  return <StudyGate view="harmony">{(body, laid) => <Open body={body} laid={laid} />}</StudyGate>;
}

const readable = (symbol: string): boolean => {
  try {
    return parseChord(symbol).tones.length > 0;
  } catch (e) {
    if (e instanceof CoreError) return false;
    throw e;
  }
};

function Open({ body, laid }: { readonly body: StudyBody; readonly laid: Laid }) {
  const current = useAppSelector(selectRung);
  const { size, grip: held } = useAppSelector((s) => s.harmony);
  const { scale, instrument } = body;
  const { stacked, chords } = useMemo(() => chordsIn(scale, size), [scale, size]);
  const grip = useMemo(() => gripOn(instrument, held), [instrument, held]);
  const own = body.chord !== null && readable(body.chord) ? body.chord : null;
  const symbol = own ?? (chords.length ? chords[0]!.symbol : scale.tonic);
  return (
    <>
      <InstrumentBar body={body} />
      {laid.error && <Problem error={laid.error} body={body} />}
      <HarmonyBench body={body} shapes={laid.shapes} current={current} stacked={stacked} chords={chords} symbol={symbol} grip={grip} />
    </>
  );
}
