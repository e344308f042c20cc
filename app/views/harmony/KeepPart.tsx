import { useState } from 'react';
import { MOST_GRIPS, type StudyBody } from '../../../contract';
import type { Place } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { keepGrip } from '../../store/grips';
import { Button } from '../../ui/Button';
import { SentencePart } from '../../ui/SentencePart';
import { gripText } from '../../words/grip-sign';
import { readingsOf } from '../../words/grip-text';
import { HARMONY } from '../../words/views/harmony';

/** Keeps the grip that is held in the study, under a name. */
export function KeepPart({ body, grip }: { readonly body: StudyBody; readonly grip: Place[] }) {
  return (
    <SentencePart name="keep" look="chip" shortcut="k" text={HARMONY.keep}>
      {(close) => <Keep body={body} grip={grip} close={close} />}
    </SentencePart>
  );
}

function Keep({ body, grip, close }: { readonly body: StudyBody; readonly grip: Place[]; readonly close: () => void }) {
  const dispatch = useAppDispatch();
  const symbol = readingsOf(body.instrument, grip, body.scale)[0]?.symbol ?? null;
  const [name, setName] = useState(`${symbol ?? ''} ${gripText(body.instrument, grip)}`.trim());
  const full = body.grips.length >= MOST_GRIPS;
  const keep = (): void => {
    dispatch(change((now) => keepGrip(now.body, name.trim(), symbol, grip)));
    close();
  };
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (name.trim() && !full) keep();
      }}
    >
      <label className="flex flex-col gap-1 text-xs text-soft">
        {HARMONY.keepName}
        <input
          value={name}
          maxLength={80}
          autoFocus
          onChange={(e) => setName(e.target.value)}
          className="rounded-md border border-line bg-paper px-2 py-1.5 text-[0.84375rem] text-ink"
        />
      </label>
      <Button look="brass" type="submit" disabled={!name.trim() || full}>
        {HARMONY.keep}
      </Button>
      {full && <p className="text-clay">{HARMONY.full(MOST_GRIPS)}</p>}
    </form>
  );
}
