import { COMING } from '../../ui/coming';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { instrumentWords } from '../../words/tuning-text';
import type { InstrumentChoice } from './ChooseTuning';

const ChooseTuning = later(async () => (await import('./choosers')).ChooseTuning, COMING);

/** Strings and tuning, number of frets, capo. */
export function TuningPart(choice: InstrumentChoice) {
  return (
    <SentencePart name="strings and tuning" text={<Signs>{instrumentWords(choice.instrument)}</Signs>} shortcut="t">
      {(close) => <ChooseTuning {...choice} close={close} />}
    </SentencePart>
  );
}
