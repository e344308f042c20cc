import { degreesOf, glyphs, isScale, type DegreeName, type ScaleRef } from '../../../core';
import { Signs } from '../../letters/Signs';
import { MAP } from '../../words/views/map';

export interface FocusChoice {
  readonly scale: ScaleRef;
  readonly focus: DegreeName[];
  readonly onFocus: (focus: DegreeName[]) => void;
}

/** Which degrees stand out: all, the roots, or some. */
export function ChooseFocus({ scale, focus, onFocus }: FocusChoice) {
  const degrees = isScale(scale.scale) ? degreesOf(scale.scale) : [];
  const toggle = (d: DegreeName): void =>
    onFocus(focus.includes(d) ? focus.filter((f) => f !== d) : degrees.filter((x) => x === d || focus.includes(x)));
  return (
    <>
      <div className="flex gap-2">
        <button type="button" className="chip" aria-pressed={focus.length === 0} onClick={() => onFocus([])}>
          {MAP.allNotes}
        </button>
        <button type="button" className="chip" aria-pressed={focus.join() === '1'} onClick={() => onFocus(['1'])}>
          {MAP.rootsOnly}
        </button>
      </div>
      <div role="group" aria-label={MAP.degreesThatStandOut} className="flex flex-wrap gap-1">
        {degrees.map((d) => (
          <button
            key={d}
            type="button"
            className="chip"
            aria-pressed={focus.includes(d)}
            aria-label={MAP.degree(glyphs(d))}
            onClick={() => toggle(d)}
          >
            <Signs>{d}</Signs>
          </button>
        ))}
      </div>
    </>
  );
}
