import { COMING } from '../../ui/coming';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { rootWords } from '../../words/root-text';
import type { RootChoice } from './ChooseRoot';

const ChooseRoot = later(async () => (await import('./choosers')).ChooseRoot, COMING);

/** Where the root lies, and under which finger: the hand goes to the rung that has it. */
export function RootPart(choice: RootChoice) {
  return (
    <SentencePart name="root" text={rootWords(choice.root)} shortcut="r">
      {(close) => <ChooseRoot {...choice} close={close} />}
    </SentencePart>
  );
}
