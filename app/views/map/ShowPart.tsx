import type { DegreeName } from '../../../core';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { listWords } from '../../words/scale-text';
import { MAP } from '../../words/views/map';
import type { FocusChoice } from './ChooseFocus';

const ChooseFocus = later(async () => (await import('./choosers')).ChooseFocus);

const says = (focus: DegreeName[]): string => (focus.length === 0 ? 'all notes' : focus.join() === '1' ? 'roots' : listWords(focus));

/** Which degrees stand out; the others are dimmed. */
export function ShowPart(choice: FocusChoice) {
  const { focus } = choice;
  return (
    <SentencePart
      name="notes that stand out"
      look="chip"
      fixed="w-28"
      shortcut="f"
      text={
        <>
          <span className="text-soft">{MAP.show}</span>
          <b className="font-semibold">
            <Signs>{says(focus)}</Signs>
          </b>
        </>
      }
    >
      {() => <ChooseFocus {...choice} />}
    </SentencePart>
  );
}
