import { useNavigate } from 'react-router';
import { listenTo, stopListening } from '../../sound/listen/ear';
import { useEar } from '../../sound/listen/ear-state';
import { listenPrefs, setListenPrefs, SOURCES, type SourceName } from '../../sound/listen/listen-prefs';
import { store } from '../../store';
import { viewPath } from '../../store/paths';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { EAR } from '../../words/views/ear';
import { LISTEN } from '../../words/views/listen';
import { Check } from '../practise/Choices';
import { EarStatus, Level } from './EarStatus';

const OPTIONS = (['off', ...SOURCES] as const).map((value) => ({ value, label: EAR.short[value] }));

/** What is listened to, and how it stands with it. */
export function ChooseEar({ close }: { readonly close: () => void }) {
  const ear = useEar();
  const { source, headphones } = listenPrefs.use();
  const on = ear.state !== 'off';
  return (
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
