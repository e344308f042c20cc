import { chromaOf, openMidis, type Instrument, type Question } from '../../../core';
import { earNow, perform } from '../../sound/listen/ear';

/** The simulated player plays a note so often, ms, and holds it so long. */
const EVERY = 420;
const HELD = 380;

/** MIDI notes that answer a question, from where an instrument has them. */
function notesOf({ answer }: Pick<Question, 'answer'>, i: Instrument): number[] {
  const open = openMidis(i);
  const near = (chroma: number): number => {
    const low = Math.min(...open) + 12;
    return low + ((chroma - low) % 12 + 12) % 12; // prettier-ignore
  };
  switch (answer.by) {
    case 'choice':
      return answer.right.slice(0, 1).flatMap((k) => (answer.options[k]!.sounds === undefined ? [] : [near(answer.options[k]!.sounds)]));
    case 'places': {
      const pitches = [...new Set(answer.places.map((p) => open[p.string - 1]! + p.fret))];
      return answer.need === 'any' ? pitches.slice(0, 1) : pitches;
    }
    case 'names':
      return answer.names.map((n) => near(chromaOf(n)));
    case 'line':
      return answer.line.map((n) => n.midi);
  }
}

/** Lets the simulated player answer a question, in its manner. */
export function answerByPlaying(q: Pick<Question, 'answer'>, i: Instrument): void {
  perform(notesOf(q, i).map((midi, k) => ({ midi, string: 1 + (k % i.strings.length), atMs: k * EVERY, lengthMs: HELD })), earNow()); // prettier-ignore
}
