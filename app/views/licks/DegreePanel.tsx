import { useState } from 'react';
import type { Lick, StudyBody } from '../../../contract';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Panel } from '../../ui/Panels';
import { Select } from '../../ui/Select';
import { Signs } from '../../letters/Signs';
import {
  defaultSchool,
  alongScale,
  changeDegree,
  CoreError,
  degreesOf,
  glyphs,
  lickPitches,
  scaleTitle,
  type DegreeName,
  type Instrument,
  type LickNote,
} from '../../../core';
import { counted } from '../../words/count-text';
import { withPitches } from '../../store/lick-notes';
import { LICKS } from '../../words/views/licks';

interface Props {
  readonly body: StudyBody;
  readonly lick: Lick;
  readonly neck: Instrument;
  readonly onNotes: (notes: LickNote[]) => void;
}

const ALL: DegreeName[] = ['1', 'b2', '2', 'b3', '3', '4', '#4', 'b5', '5', '#5', 'b6', '6', 'b7', '7'];

/** One degree for another throughout, and the line moved along its scale. */
export function DegreePanel({ body, lick, neck, onNotes }: Props) {
  const { scale } = body;
  const { notes } = lick;
  const degrees = degreesOf(scale.scale);
  const [from, setFrom] = useState<DegreeName>(degrees.includes('b7') ? 'b7' : degrees[degrees.length - 1]!);
  const [to, setTo] = useState<DegreeName>('6');
  const [steps, setSteps] = useState(2);
  const [problem, setProblem] = useState<string | null>(null);
  const pitches = lickPitches(neck, notes);
  const source = degrees.includes(from) ? from : degrees[0];
  const changed = changeDegree(scale, pitches, source!, to);
  const attempt = (make: () => number[]): void => {
    try {
      onNotes(withPitches(neck, notes, make(), { school: body.school ?? defaultSchool(body.layout), hand: body.hand }));
      setProblem(null);
    } catch (e) {
      if (!(e instanceof CoreError)) throw e;
      setProblem(e.message);
    }
  };
  const option = (d: DegreeName): { readonly value: DegreeName; readonly label: string } => ({ value: d, label: glyphs(d) });
  return (
    <Panel title={LICKS.changeItsNotes} className="no-print">
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
        <Select label={LICKS.every} value={source!} options={degrees.map(option)} onChange={setFrom} />
        <Select label={LICKS.becomes} value={to} options={ALL.map(option)} onChange={setTo} />
        <Button disabled={!changed.changed.length || source === to} onClick={() => attempt(() => changed.pitches)}>
          {LICKS.change}
        </Button>
      </div>
      <p className="num mt-1 text-xs text-soft">
        <Signs>
          {LICKS.ofTheScaleWithIt(
            changed.changed.length,
            counted(pitches.length, 'note'),
            changed.named
              ? `${body.scale.tonic} ${changed.named}`
              : `${body.scale.tonic} ${scaleTitle(changed.scale.scale)}, which has no name of its own`,
          )}
        </Signs>
      </p>
      <div className="mt-3 grid grid-cols-[1fr_auto] items-end gap-2">
        <NumberField label={LICKS.alongTheScaleSteps} value={steps} min={-14} max={14} onChange={setSteps} />
        <Button disabled={!pitches.length || steps === 0} onClick={() => attempt(() => alongScale(body.scale, pitches, steps))}>
          {LICKS.move}
        </Button>
      </div>
      {problem && (
        <p role="alert" className="mt-2 text-clay">
          <Signs>{problem}</Signs>
        </p>
      )}
    </Panel>
  );
}
