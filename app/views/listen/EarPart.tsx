import { Mic } from 'lucide-react';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { holdEar, listenTo, stopListening, useEar } from '../../sound/listen/ear';
import { listenPrefs, setListenPrefs, SOURCES, type SourceName } from '../../sound/listen/listen-prefs';
import { store } from '../../store';
import { viewPath } from '../../store/paths';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { SentencePart } from '../../ui/SentencePart';
import { LISTEN } from '../../words/views/listen';
import { Check } from '../practise/Choices';
import { EarStatus, Level } from './EarStatus';

const OPTIONS = (['off', ...SOURCES] as const).map((value) => ({ value, label: LISTEN.short[value] }));

/** Whether something is listened to, and what: a chip of every view that hears. */
export function EarPart() {
  const ear = useEar();
  useEffect(holdEar, []);
  const { source, headphones } = listenPrefs.use();
  const on = ear.state !== 'off';
  return (
    <SentencePart
      name="listening"
      look="chip"
      text={
        <>
          <Mic size={13} aria-hidden className={on ? 'text-clay' : 'text-soft'} />
          <span className="text-soft">{LISTEN.listening}:</span>{' '}
          <b className="font-semibold">{on && ear.source ? LISTEN.short[ear.source] : LISTEN.short.off}</b>
        </>
      }
    >
      {(close) => (
        <>
          <Segmented<'off' | SourceName>
            label={LISTEN.source}
            value={on && ear.source ? ear.source : 'off'}
            options={OPTIONS}
            onChange={(next) => (next === 'off' ? stopListening() : void listenTo(next))}
          />
          <EarStatus />
          {on && <Level />}
          {(ear.source ?? source) === 'microphone' && (
            <>
              <Check label={LISTEN.headphones} checked={headphones} onChange={(v) => setListenPrefs({ headphones: v })} />
              <p className="text-xs text-soft">{LISTEN.headphonesHint}</p>
            </>
          )}
          <ToListen onGo={close} />
        </>
      )}
    </SentencePart>
  );
}

function ToListen({ onGo }: { readonly onGo: () => void }) {
  const navigate = useNavigate();
  return (
    <Button
      look="link"
      onClick={() => {
        onGo();
        void navigate(viewPath(store.getState().editor.id, 'listen'));
      }}
    >
      {LISTEN.more}
    </Button>
  );
}
