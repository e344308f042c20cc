import { Play, Square } from 'lucide-react';
import type { Hear } from '../sound/useHear';
import { Button } from '../ui/Button';
import { later } from '../ui/later';
import { SentencePart } from '../ui/SentencePart';
import { STUDY } from '../words/views/study';
import { NO_SOUND } from '../words/sound-text';

const ChooseTempo = later(async () => (await import('./ChooseTempo')).ChooseTempo);

/** The tempo as a chip. */
export function Tempo({ tempo, onTempo }: { readonly tempo: number; readonly onTempo: (tempo: number) => void }) {
  return (
    <SentencePart
      name="tempo"
      look="chip"
      text={
        <>
          <span className="text-soft">{STUDY.tempo}</span>
          <b className="num font-semibold">{tempo}</b>
        </>
      }
    >
      {() => <ChooseTempo tempo={tempo} onTempo={onTempo} />}
    </SentencePart>
  );
}

/** Starts and stops hearing. */
export function HearButton({ on, disabled, onHear }: { readonly on: boolean; readonly disabled: boolean; readonly onHear: () => void }) {
  return (
    <Button
      look="brass"
      disabled={disabled}
      icon={on ? <Square size={14} fill="currentColor" aria-hidden /> : <Play size={14} fill="currentColor" aria-hidden />}
      onClick={onHear}
    >
      {on ? STUDY.stop : STUDY.hearIt}
    </Button>
  );
}

/** Why nothing sounds, and what to do. */
export function HearProblem({ hear }: { readonly hear: Pick<Hear, 'error' | 'takeOver'> }) {
  if (!hear.error) return null;
  return (
    <div role="alert" className="mb-2 flex flex-wrap items-center gap-3 text-clay">
      <p>{NO_SOUND[hear.error]}</p>
      {hear.error === 'elsewhere' && <Button onClick={hear.takeOver}>{STUDY.playHere}</Button>}
    </div>
  );
}
