import { TEMPO } from '../../contract';
import { NumberField } from '../ui/NumberField';
import { STUDY } from '../words/views/study';

/** Beats a minute, by number or by slider. */
export function TempoFields({ tempo, onTempo }: { readonly tempo: number; readonly onTempo: (tempo: number) => void }) {
  return (
    <>
      <NumberField label={STUDY.beatsAMinute} value={tempo} min={TEMPO.min} max={TEMPO.max} onChange={onTempo} />
      <input
        type="range"
        aria-label={STUDY.tempo2}
        min={TEMPO.min}
        max={TEMPO.max}
        value={tempo}
        onChange={(e) => onTempo(Number(e.target.value))}
        className="accent-brass"
      />
    </>
  );
}

/** The tempo, with the caution that belongs to what sounds in the ear. */
export function ChooseTempo(choice: { readonly tempo: number; readonly onTempo: (tempo: number) => void }) {
  return (
    <>
      <TempoFields {...choice} />
      <p className="text-xs text-soft">{STUDY.withHeadphonesBeginQuietlyAnd}</p>
    </>
  );
}
