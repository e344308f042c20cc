import { defaultSchool } from '../../core';
import { later } from '../ui/later';
import { SentencePart } from '../ui/SentencePart';
import { SCHOOL_WORDS } from '../words/school-text';
import { STUDY } from '../words/views/study';
import type { HandChoice } from './ChooseHand';

const ChooseHand = later(async () => (await import('./ChooseHand')).ChooseHand);

/** Whose hand it is: the school of fingering and how far it opens. */
export function HandPart(choice: HandChoice) {
  const { school, layout } = choice;
  return (
    <SentencePart
      name="fingering"
      look="chip"
      text={
        <span title={SCHOOL_WORDS[school ?? defaultSchool(layout)]}>
          {STUDY.hand}
          <span className="sr-only">{`: ${SCHOOL_WORDS[school ?? defaultSchool(layout)]}`}</span>
        </span>
      }
    >
      {() => <ChooseHand {...choice} />}
    </SentencePart>
  );
}
