import { midiOf } from '../pitch';
import type { FingeredStep, Instrument, Picking, Stroke } from '../types';

/** The stroke of each note. Alternate: down and up by turns. Economy: on to the next string in the direction of the
 * stroke that carries the pick there. Hammered: one stroke a string, the rest by the fretting hand where it can: a higher
 * finger (or any after an open string) hammers, a lower one already down (or the open string) is pulled to, a slide slides.
 * @example pickStrokes(six, fingerNotes(six, box.notes, plain), 'alternate').slice(0, 3) // ['down', 'up', 'down']
 */
export function pickStrokes(i: Instrument, steps: readonly FingeredStep[], picking: Picking): Stroke[] {
  const open = i.strings.map((s) => midiOf(s.open));
  const strokes: Stroke[] = [];
  let last: 'down' | 'up' = 'up';
  steps.forEach((s, k) => {
    const before = steps[k - 1];
    const stroke = (picking === 'hammered' && before && unpicked(before, s)) || picked(picking, last, before, s, open);
    strokes.push(stroke);
    if (stroke === 'down' || stroke === 'up') last = stroke;
  });
  return strokes;
}

/** Towards a higher-sounding string the pick moves down, towards a lower one up. */
function picked(picking: Picking, last: 'down' | 'up', a: FingeredStep | undefined, b: FingeredStep, open: number[]): 'down' | 'up' {
  if (!a) return 'down';
  if (picking === 'economy' && a.string !== b.string) return open[b.string - 1]! >= open[a.string - 1]! ? 'down' : 'up';
  return last === 'down' ? 'up' : 'down';
}

/** How the fretting hand sounds a note of the same string without the pick, if it can. */
function unpicked(a: FingeredStep, b: FingeredStep): Stroke | null {
  if (a.string !== b.string || a.fret === b.fret) return null;
  if (b.move === 'slide') return 'slide';
  if (a.handFret !== b.handFret && a.finger > 0 && b.finger > 0) return null;
  return b.fret > a.fret ? 'hammer' : 'pull';
}
