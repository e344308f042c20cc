import type { StudyBody } from '../../contract';
import { defaultSchool, type FingeringSchool, type Hand, type Layout } from '../../core';
import { Select } from '../ui/Select';
import { SentencePart } from '../ui/SentencePart';
import { SCHOOL_WORDS } from '../words/school-text';

const SIZES: { value: Hand['size']; label: string }[] = [
  { value: 'small', label: 'small: opens to 105 mm' },
  { value: 'medium', label: 'medium: opens to 120 mm' },
  { value: 'large', label: 'large: opens to 135 mm' },
];

type Fields = Pick<StudyBody, 'school' | 'hand'>;

/** Whose hand it is: the school of fingering and how far it opens. */
export function HandPart({ layout, school, hand, onHand }: Fields & { layout: Layout; onHand: (fields: Partial<Fields>) => void }) {
  const options = (Object.keys(SCHOOL_WORDS) as FingeringSchool[]).map((value) => ({ value: value, label: SCHOOL_WORDS[value] }));
  return (
    <SentencePart name="fingering" look="chip" text={<span>{SCHOOL_WORDS[school ?? defaultSchool(layout)]}</span>}>
      {() => (
        <>
          <Select
            label="Fingering school"
            value={school ?? ''}
            options={[{ value: '', label: `as the layout wants: ${SCHOOL_WORDS[defaultSchool(layout)]}` }, ...options]}
            onChange={(v) => onHand({ school: v || null })}
          />
          <Select label="Hand" value={hand} options={SIZES} onChange={(size) => onHand({ hand: size })} />
          <p className="text-xs text-soft">
            Windows fix their fingers by the fret of the first one. Stop a stretch that hurts; this is no medical advice.
          </p>
        </>
      )}
    </SentencePart>
  );
}
