import { COMING } from '../../ui/coming';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { MAP } from '../../words/views/map';
import type { ChordChoice } from './ChooseShownChord';

const ChooseShownChord = later(async () => (await import('./choosers')).ChooseShownChord, COMING);

/** A chord whose tones stand out in the shape. */
export function ChordPart(choice: ChordChoice) {
  const { chord } = choice;
  return (
    <SentencePart
      name="chord"
      look="chip"
      fixed="w-28"
      shortcut="c"
      text={
        <>
          <span className="text-soft">{MAP.chord}</span>
          <b className="font-semibold">
            <Signs>{chord ?? MAP.none}</Signs>
          </b>
        </>
      }
    >
      {(close) => <ChooseShownChord {...choice} close={close} />}
    </SentencePart>
  );
}
