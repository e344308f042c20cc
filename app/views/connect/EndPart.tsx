import { ascii } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { matchEnds, type EndChoice } from '../../words/end-text';
import { CONNECT } from '../../words/views/connect';

interface Props {
  readonly name: string;
  readonly text: string;
  readonly shortcut: string;
  readonly goal: boolean;
  readonly where: Omit<Parameters<typeof matchEnds>[1], 'goal'>;
  readonly onEnd: (end: EndChoice) => void;
}

/** Where a route begins or ends: a rung, a place, a fret under the hand, a pitch. */
export function EndPart({ name, text, shortcut, goal, where, onEnd }: Props) {
  return (
    <SentencePart name={name} text={<Signs>{text}</Signs>} shortcut={shortcut}>
      {(close) => (
        <Chooser<EndChoice>
          label={goal ? CONNECT.aRungString1Fret : CONNECT.aRungOrAString}
          placeholder={goal ? CONNECT.box319Hand : CONNECT.box162}
          find={(typed) => matchEnds(ascii(typed), { ...where, goal })}
          onChoose={(end) => { onEnd(end); close(); }} // prettier-ignore
          empty={CONNECT.noNoteOfTheScale}
          render={(t) => <Signs>{t}</Signs>}
        />
      )}
    </SentencePart>
  );
}
