import { useDeferredValue, useMemo } from 'react';
import { CoreError, handChoices, type CellChoice, type FingerOptions, type HandChoice, type Instrument, type Place } from '../../core';
import { cellWords, choiceWords } from '../words/choice-text';
import { STUDY } from '../words/views/study';

interface Props {
  readonly instrument: Instrument;
  readonly places: readonly (Place & { readonly finger?: number })[];
  readonly school: FingerOptions['school'];
  readonly hand: FingerOptions['hand'];
  /** Settles the cell's fingers, and that of the note after it, so that the hand moves there or does not. */
  readonly onChoose: (fingers: { readonly index: number; readonly finger: number }[]) => void;
}

function choicesFor(instrument: Instrument, places: readonly Place[], o: FingerOptions): CellChoice[] {
  try {
    return handChoices(instrument, places, o);
  } catch (e) {
    if (e instanceof CoreError) return [];
    throw e;
  }
}

/** Two-note cells that the hand can stretch out of, or play close and move on: both ways by name. */
export function CellChoices({ instrument, places, school, hand, onChoose }: Props) {
  const late = useDeferredValue(places);
  const cells = useMemo(() => choicesFor(instrument, late, { school, hand }), [instrument, late, school, hand]);
  const settle = (cell: CellChoice, { steps }: HandChoice): void =>
    onChoose([0, 1, 2].map((k) => ({ index: cell.index + k, finger: steps[cell.index + k]!.finger })).filter((f) => f.finger > 0));
  if (!cells.length) return null;
  return (
    <section aria-label={STUDY.stretchOrCloseAndMove} className="no-print mt-2 grid gap-1.5">
      {cells.map((cell) => (
        <div key={cell.index} role="group" aria-label={cellWords(cell)} className="flex flex-wrap items-center gap-1.5">
          <span className="text-soft">{cellWords(cell)}</span>
          {cell.choices.map((choice) => (
            <button
              key={choice.way}
              type="button"
              className="chip num"
              aria-pressed={choice.fingers.every((f, k) => places[cell.index + k]?.finger === f)}
              onClick={() => settle(cell, choice)}
            >
              {choiceWords(choice, cell)}
            </button>
          ))}
        </div>
      ))}
    </section>
  );
}
