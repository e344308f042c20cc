import { COMING } from '../../ui/coming';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { scaleName } from '../../words/scale-text';
import { MAP } from '../../words/views/map';
import type { OverChoice } from './ChooseOver';

const ChooseOver = later(async () => (await import('./choosers')).ChooseOver, COMING);

/** A second scale laid over the first in the same place. */
export function OverPart(choice: OverChoice) {
  const { over } = choice;
  return (
    <SentencePart
      name="scale laid over"
      look="chip"
      fixed="w-40"
      shortcut="o"
      text={
        <>
          <span className="text-soft">{MAP.overIt}</span>
          <b className="font-semibold">
            <Signs>{over ? scaleName(over) : MAP.nothing}</Signs>
          </b>
        </>
      }
    >
      {(close) => <ChooseOver {...choice} close={close} />}
    </SentencePart>
  );
}
