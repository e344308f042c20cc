import { Download } from 'lucide-react';
import { useEffect, useState, useRef } from 'react';
import type { KeptProgression } from '../../../contract';
import { arrange, keysOf } from '../../../core';
import { FORM_ENDINGS, type FormKind } from '../../../formats/form/endings';
import { MOST_SECONDS, secondsOf } from '../../sound/offline';
import { levelsOf, soundPrefs } from '../../sound/output-prefs';
import type { Form } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { download, fileName } from '../../ui/files';
import { SentencePart } from '../../ui/SentencePart';
import { PROGRESSION } from '../../words/views/progression';
import { useWav } from '../../workers/useSearch';
import type { WavJob } from '../../workers/wav.worker';
import { BringForm } from './BringForm';
import type { BackingOn } from './useBacking';

interface Props {
  readonly p: KeptProgression;
  readonly form: Form;
  readonly backing: BackingOn;
}

const RATE = 44100;
/** Longest sound that is rendered, in minutes. */
const MOST_MINUTES = MOST_SECONDS / 60;

/** The progression as a file for other programs, its backing as sound, and files of chords brought in. */
export function FormFiles(props: Props) {
  return (
    <SentencePart
      name={PROGRESSION.part.files}
      look="chip"
      text={
        <>
          <Download size={14} aria-hidden /> {PROGRESSION.files}
        </>
      }
    >
      {(close) => <Files {...props} close={close} />}
    </SentencePart>
  );
}

function Files({ p, form, backing, close }: Props & { readonly close: () => void }) {
  const { name, meter, tempo, feel, home } = p;
  const file = fileName(name);
  const out = { name, bars: form.bars, meter, tempo, home };
  const none = !form.bars.length;
  const save = async (kind: FormKind): Promise<void> => {
    const { FORM_FORMATS } = await import('../../../formats/form');
    const { media, write } = FORM_FORMATS[kind];
    download(`${file}${FORM_ENDINGS[kind][0]}`, media, write(out, () => arrange(form.bars, { meter, feel, voicings: backing.voicings ?? [] }))); // prettier-ignore
  };
  return (
    <>
      <h3 className="font-semibold">{PROGRESSION.out}</h3>
      <div className="flex flex-wrap gap-2">
        {keysOf(FORM_ENDINGS).map((kind) => (
          <Button key={kind} disabled={none} onClick={() => void save(kind)}>
            {PROGRESSION.saved[kind]}
          </Button>
        ))}
      </div>
      <Wav backing={backing} file={file} />
      <div className="flex flex-wrap gap-2">
        <BringForm onDone={close} />
      </div>
    </>
  );
}

/** The bars that go round, once through with their count-in, at the levels that are set. */
function Wav({ backing: { take }, file }: { readonly backing: BackingOn; readonly file: string }) {
  const [job, setJob] = useState<WavJob | null>(null);
  const { found, done, cancel, refused } = useWav(job);
  const minutes = take ? secondsOf(take) / 60 : 0;
  const savedRef = useRef<Uint8Array | null>(null);
  useEffect(() => {
    const bytes = found[0];
    if (!bytes || done !== null || savedRef.current === bytes) return;
    savedRef.current = bytes;
    download(`${file}.wav`, 'audio/wav', bytes);
  }, [found, done, file]);
  const render = (): void => {
    if (take)
      setJob({ take: { lead: take.lead, score: take.score, tempo: take.tempo, levels: levelsOf(soundPrefs.get()) }, sampleRate: RATE });
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button disabled={!take || minutes > MOST_MINUTES || done !== null} onClick={render}>
        {PROGRESSION.wav}
      </Button>
      {minutes > MOST_MINUTES && <p className="text-clay">{PROGRESSION.tooLong(MOST_MINUTES)}</p>}
      {done !== null && (
        <>
          <span role="status" className="num text-soft">
            {PROGRESSION.rendering(Math.round(done * 100))}
          </span>
          <Button onClick={cancel}>{PROGRESSION.cancel}</Button>
        </>
      )}
      {refused && <p className="text-clay">{refused.message}</p>}
    </div>
  );
}
