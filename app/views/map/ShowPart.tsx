import { degreesOf, glyphs, isScale, type DegreeName, type ScaleRef } from '../../../core';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { listWords } from '../../words/scale-text';
import { MAP } from '../../words/views/map';

interface Props {
  readonly scale: ScaleRef;
  readonly focus: DegreeName[];
  readonly onFocus: (focus: DegreeName[]) => void;
}

const says = (focus: DegreeName[]): string => (focus.length === 0 ? 'all notes' : focus.join() === '1' ? 'roots' : listWords(focus));

/** Which degrees stand out; the others are dimmed. */
export function ShowPart({ scale, focus, onFocus }: Props) {
  const degrees = isScale(scale.scale) ? degreesOf(scale.scale) : [];
  const toggle = (d: DegreeName): void =>
    onFocus(focus.includes(d) ? focus.filter((f) => f !== d) : degrees.filter((x) => x === d || focus.includes(x)));
  return (
    <SentencePart
      name="notes that stand out"
      look="chip"
      fixed="w-28"
      shortcut="f"
      text={
        <>
          <span className="text-soft">{MAP.show}</span>
          <b className="font-semibold">
            <Signs>{says(focus)}</Signs>
          </b>
        </>
      }
    >
      {() => (
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
      )}
    </SentencePart>
  );
}
