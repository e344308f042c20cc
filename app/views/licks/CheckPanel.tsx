import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { checkLine, struckNotes, type Instrument, type LickNote, type Place } from '../../../core';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../ui/Signs';
import { faultWords } from '../../words/lick-text';
import { placeWords } from '../../words/route-text';
import { scaleName } from '../../words/scale-text';

interface Props {
  body: StudyBody;
  neck: Instrument;
  notes: LickNote[];
  onMend: (index: number, place: Place) => void;
}

/** What the line probably has wrong, each with the likely intended note as one press. */
export function CheckPanel({ body, neck, notes, onMend }: Props) {
  const struck = useMemo(() => struckNotes(notes), [notes]);
  const faults = useMemo(() => checkLine(neck, body.scale, struck.map((s) => s.place)), [neck, body.scale, struck]); // prettier-ignore
  return (
    <Panel title="Check the line">
      {faults.length === 0 ? (
        <p className="text-soft">
          <Signs>
            {notes.length ? `Every note is in ${scaleName(body.scale)}, on the neck and under the hand.` : 'Nothing to check yet.'}
          </Signs>
        </p>
      ) : (
        <ul className="grid gap-2">
          {faults.map((f) => {
            const { index } = struck[f.index];
            return (
              <li key={index} className="flex flex-wrap items-center gap-2">
                <span className="grow basis-48">
                  <Signs>{faultWords(f, f.index)}</Signs>
                </span>
                {f.suggestion && (
                  <Button
                    look="link"
                    aria-label={`Mend note ${f.index + 1}: ${placeWords(f.suggestion)}`}
                    onClick={() => f.suggestion && onMend(index, f.suggestion)}
                  >
                    Mend
                  </Button>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </Panel>
  );
}
