import { useMemo } from 'react';
import type { StudyBody } from '../../contract';
import type { Place } from '../../core';
import { Button } from '../ui/Button';
import { Signs } from '../letters/Signs';
import { gripText } from '../words/grip-sign';
import { readingsOf, shapesUnderGrip, type Under } from '../words/grip-text';
import { MAP } from '../words/views/map';

interface Props {
  readonly body: StudyBody;
  readonly grip: Place[];
  readonly onUnder: (under: Under) => void;
  readonly onClear: () => void;
}

/** What has been pressed on the neck, and the shapes that lie under it; choosing one goes there. */
export function GripLine({ body, grip, onUnder, onClear }: Props) {
  const { instrument, scale, layout } = body;
  const answer = useMemo(() => shapesUnderGrip(grip, instrument, scale, layout), [grip, instrument, scale, layout]);
  const name = useMemo(() => readingsOf(instrument, grip, scale)[0]!.symbol, [grip, instrument, scale]);
  return (
    <section
      aria-label={MAP.grip}
      aria-live="polite"
      className="mt-3 flex flex-wrap items-center gap-2 rounded-[10px] border border-line bg-sheet p-3"
    >
      <p className="mr-1">
        {MAP.grip} <strong className="font-semibold">{gripText(instrument, grip)}</strong>
        <Signs>{MAP.soundsAs(name)}</Signs>
        {'found' in answer ? MAP.liesUnder : ''}
      </p>
      {'found' in answer ? (
        answer.found.map((u) => (
          <Button key={`${u.detail} ${u.title}`} onClick={() => onUnder(u)}>
            <span>
              <Signs>{`${u.title}: ${u.detail}`}</Signs>
            </span>
          </Button>
        ))
      ) : (
        <p className="text-soft">{answer.problem}</p>
      )}
      <Button onClick={onClear}>{MAP.liftTheGrip}</Button>
    </section>
  );
}
