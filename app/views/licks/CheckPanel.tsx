import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { checkLine, startsOf, struckNotes, type FingeredStep, type Instrument, type LickNote, type Place } from '../../../core';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { faultWords } from '../../words/lick-text';
import { placeWords } from '../../words/route-text';
import { scaleName } from '../../words/scale-text';
import { FirstWords } from '../FirstWords';
import { LICKS } from '../../words/views/licks';

interface Props {
  readonly body: StudyBody;
  readonly neck: Instrument;
  readonly notes: LickNote[];
  /** Fingers as shown, null for rests and ties. */
  readonly steps: readonly (FingeredStep | null)[];
  readonly tempo: number;
  readonly onMend: (index: number, place: Place) => void;
}

/** What the line probably has wrong, each with the likely intended note as one press. */
export function CheckPanel({ body, neck, notes, steps, tempo, onMend }: Props) {
  const struck = useMemo(() => struckNotes(notes), [notes]);
  const faults = useMemo(() => {
    // Frets that the study's own neck does not have are not there, whatever neck a pasted tab needed.
    const here = { ...neck, frets: Math.min(neck.frets, body.instrument.frets) };
    const places = struck.map((s) => s.place);
    const starts = startsOf(notes);
    return checkLine(here, body.scale, places, {
      joins: struck.map(({ index }) => notes[index]!.join),
      fingers: struck.map(({ index }) => steps[index]?.finger),
      ticks: struck.map(({ index }, k) => (struck[k + 1] ? starts[struck[k + 1]!.index]! - starts[index]! : notes[index]!.ticks)),
      tempo,
    });
  }, [neck, body.scale, body.instrument.frets, struck, notes, steps, tempo]);
  return (
    <Panel title={LICKS.checkTheLine}>
      {faults.length > 0 && <FirstWords words={['mend']} />}
      {faults.length === 0 ? (
        <p className="text-soft">
          <Signs>{notes.length ? LICKS.everyNoteIsInOn(scaleName(body.scale)) : LICKS.nothingToCheckYet}</Signs>
        </p>
      ) : (
        <ul className="grid gap-2">
          {faults.map((f) => {
            const { index } = struck[f.index]!;
            return (
              <li key={index} className="flex flex-wrap items-center gap-2">
                <span className="grow basis-48">
                  <Signs>{faultWords(f, f.index, body.scale.tonic)}</Signs>
                </span>
                {f.suggestion && (
                  <Button
                    look="link"
                    aria-label={LICKS.mendNote(f.index + 1, placeWords(f.suggestion))}
                    onClick={() => f.suggestion && onMend(index, f.suggestion)}
                  >
                    {LICKS.mend}
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
