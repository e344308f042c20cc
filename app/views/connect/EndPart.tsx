import { ascii } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../ui/Signs';
import { matchEnds, type EndChoice } from '../../words/end-text';

interface Props {
  name: string;
  text: string;
  shortcut: string;
  goal: boolean;
  where: Omit<Parameters<typeof matchEnds>[1], 'goal'>;
  onEnd: (end: EndChoice) => void;
}

/** Where a route begins or ends: a rung, a place, a fret under the hand, a pitch. */
export function EndPart({ name, text, shortcut, goal, where, onEnd }: Props) {
  return (
    <SentencePart name={name} text={<Signs>{text}</Signs>} shortcut={shortcut}>
      {(close) => (
        <Chooser<EndChoice>
          label={goal ? 'A rung, “string 1 fret 9”, “hand 9”, or a pitch such as C#5' : 'A rung, or a string and a fret such as 6 2'}
          placeholder={goal ? 'box 3, 1 9, hand 9, C#5' : 'box 1, 6 2'}
          find={(typed) => matchEnds(ascii(typed), { ...where, goal })}
          onChoose={(end) => { onEnd(end); close(); }} // prettier-ignore
          empty="No note of the scale lies there. Give a rung’s name, or a string and a fret that sound a note of the scale."
          render={(t) => <Signs>{t}</Signs>}
        />
      )}
    </SentencePart>
  );
}
