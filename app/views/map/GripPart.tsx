import { COMING } from '../../ui/coming';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { MAP } from '../../words/views/map';
import type { GripChoice } from './ChooseUnder';

const ChooseUnder = later(async () => (await import('./choosers')).ChooseUnder, COMING);

/** A grip as it is played, and the shapes that lie under it in each way of cutting the neck; choosing one goes there. */
export function GripPart(choice: GripChoice) {
  return (
    <SentencePart name="grip" look="chip" shortcut="g" text={<span>{MAP.grip}</span>}>
      {(close) => <ChooseUnder {...choice} close={close} />}
    </SentencePart>
  );
}
