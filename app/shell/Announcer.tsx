import { glyphs } from '../../core';
import { useSaid } from './say';
import { FRAME } from '../words/views/shell';

/** The one place from which changes are said to a screen reader. */
export function Announcer() {
  const { words, count } = useSaid();
  return (
    <div role="status" aria-live="polite" aria-label={FRAME.whatChanged} className="sr-only" data-said>
      {/* The same words twice are two sayings: a space more makes them another text. */}
      {glyphs(words) + (count % 2 ? '' : '\u00a0')}
    </div>
  );
}
