import { useMemo } from 'react';
import { setPrefs, usePrefs } from '../store/prefs';
import { markWordsOn, MARK_WORDS, type MarkWord } from '../words/mark-text';
import { Mark } from './Mark';
import type { MarkLook, NeckMark } from './marks';
import { DRAWING } from '../words/views/drawing';

const sampleOf = (word: MarkWord): { readonly look: MarkLook; readonly bar?: boolean; readonly aside?: boolean } =>
  word === 'bar' ? { look: 'solid', bar: true } : word === 'aside' ? { look: 'solid', aside: true } : { look: word };

/** What the marks on this neck mean, each as it is drawn; one press, or I, opens it on every view. */
export function Legend({ marks }: { readonly marks: readonly NeckMark[] }) {
  const { legend } = usePrefs();
  const words = useMemo(() => markWordsOn(marks), [marks]);
  return (
    <section aria-label={DRAWING.legend} className="no-print mt-1">
      <button
        type="button"
        className="tap cursor-pointer text-xs text-feather underline"
        aria-expanded={legend}
        aria-keyshortcuts="i"
        onClick={() => setPrefs({ legend: !legend })}
      >
        {legend ? DRAWING.closeTheLegend : DRAWING.whatTheMarksMeanI}
      </button>
      {legend && (
        <ul className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-xs">
          {words.map((w) => (
            <li key={w} className="flex items-center gap-2">
              <svg aria-hidden width={42} height={40} className="shrink-0 rounded bg-[#25262c]">
                <Mark x={21} y={19} {...sampleOf(w)} text="" scale={0.95} mirrored={false} />
              </svg>
              {MARK_WORDS[w]}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
