import { Mic } from 'lucide-react';
import { useEffect } from 'react';
import { holdEar } from '../../sound/listen/ear-held';
import { useEar } from '../../sound/listen/ear-state';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { EAR } from '../../words/views/ear';

const ChooseEar = later(async () => (await import('./ChooseEar')).ChooseEar);

/** Whether something is listened to, and what: a chip of every view that hears. */
export function EarPart() {
  const ear = useEar();
  useEffect(holdEar, []);
  const on = ear.state !== 'off';
  return (
    <SentencePart
      name="listening"
      look="chip"
      text={
        <>
          <Mic size={13} aria-hidden className={on ? 'text-clay' : 'text-soft'} />
          <span className="text-soft">{EAR.listening}:</span>{' '}
          <b className="font-semibold">{on && ear.source ? EAR.short[ear.source] : EAR.short.off}</b>
        </>
      }
    >
      {(close) => <ChooseEar close={close} />}
    </SentencePart>
  );
}
