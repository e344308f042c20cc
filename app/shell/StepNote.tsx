import { useEffect, useState } from 'react';
import { useLatest } from '../ui/useLatest';
import type { StudyBody } from '../../contract';
import { useAppDispatch, useAppSelector } from '../store';
import { redone, undone, type Change, type EditorState } from '../store/editor';
import { selectShape } from '../store/study';
import { Signs } from '../letters/Signs';
import { doneWords, rungWords, stepWords } from '../words/change-text';
import { say } from './say';
import { FRAME } from '../words/views/shell';

/** How long a step stays told, in ms. */
const TOLD_MS = 6000;

type Told = NonNullable<EditorState['told']>;

/** Changes after which a way back is offered in sight: those that turn the page, not those that walk about on it. */
const BIG: readonly (keyof StudyBody)[] = [
  'scale',
  'instrument',
  'layout',
  'licks',
  'routes',
  'pins',
  'over',
  'chord',
  'drills',
  'plan',
  'progressions',
];
/** Changes that say themselves where they are made. */
const SILENT: readonly (keyof StudyBody)[] = ['name', 'set', 'note', 'tempo', 'tags'];

/** A change made here or elsewhere; the others are steps, and always told. */
const CHANGED: readonly Told['kind'][] = ['done', 'elsewhere'];
const touches = ({ after }: Change, fields: readonly (keyof StudyBody)[]): boolean => fields.some((f) => f in after);
const isBig = ({ kind, change }: Told): boolean => !CHANGED.includes(kind) || touches(change, BIG);

/** What the last change or step was, in words: in sight for a while with the way back, and said. */
export function StepNote() {
  const told = useAppSelector((s) => s.editor.told);
  const reason = useAppSelector((s) => s.editor.reason);
  // Until something is told nothing is laid out for it: a view without a neck needs no shapes.
  const shape = useAppSelector((s) => (s.editor.told ? selectShape(s) : null));
  const dispatch = useAppDispatch();
  const [seen, setSeen] = useState(0);
  const count = told?.count ?? 0;
  useEffect(() => {
    if (!count) return undefined;
    const gone = setTimeout(() => setSeen(count), TOLD_MS);
    return () => clearTimeout(gone);
  }, [count]);
  const words = told ? wordsOf(told, reason) : '';
  const rung = told && 'rung' in told.change.after && shape ? rungWords(shape) : '';
  const latestRef = useLatest({ told, words, rung });
  // The words belong to the change: they are said once, when it is made.
  useEffect(() => {
    if (count) say(spoken(latestRef.current));
  }, [count, latestRef]);
  const shown = told !== null && count !== seen && isBig(told);
  return (
    <div
      className={`no-print step-note fixed right-2 bottom-18 left-2 z-20 flex justify-center sm:bottom-3 sm:left-[5.75rem] ${shown ? '' : 'pointer-events-none'}`}
    >
      {shown && (
        <p data-step className="flex items-center gap-3 rounded-lg bg-night px-4 py-2 text-[0.84375rem] text-white shadow-xl">
          <span>
            <Signs>{words}</Signs>
          </span>
          {told.kind !== 'taken back' && told.kind !== 'elsewhere' && (
            <button
              type="button"
              className="cursor-pointer font-semibold text-[#e9c667] underline focus-visible:outline-white"
              onClick={() => dispatch(told.kind === 'undone' ? redone() : undone())}
            >
              {told.kind === 'undone' ? FRAME.redo : FRAME.undo}
            </button>
          )}
        </p>
      )}
    </div>
  );
}

/** What is said of a change; nothing of one that says itself. */
function spoken({ told, words, rung }: { readonly told: Told | null; readonly words: string; readonly rung: string }): string {
  const fields = Object.keys(told?.change.after ?? {});
  if (!told || fields.every((f) => SILENT.includes(f as keyof StudyBody))) return '';
  const walked = CHANGED.includes(told.kind) && fields.every((f) => f === 'rung' || f === 'built');
  return walked ? rung : [words, rung].filter(Boolean).join('. ');
}

function wordsOf({ kind, change }: Told, reason: string): string {
  if (kind === 'done') return doneWords(change);
  if (kind === 'elsewhere') return FRAME.changedElsewhere(doneWords(change));
  return stepWords(kind, change) + (kind === 'taken back' ? `. No study can hold it: ${reason}` : '');
}
