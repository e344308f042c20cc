import { pickStrokes } from '../route/picking';
import type { FingeredStep, Instrument, Join, Place, Stroke } from '../types';
import type { DrillArticulation } from './types';

/** Ways to articulate a drill, in the order in which they are offered. */
export const ARTICULATIONS: readonly DrillArticulation[] = ['alternate', 'economy', 'hammered', 'slides'];

/** How each note follows the one before it on its string: hammered up and pulled down, or every third of a run along a string slid into. */
export function joinsOf(places: readonly Place[], articulation: DrillArticulation): (Join | null)[] {
  let run = 0;
  return places.map((p, k) => {
    const before = places[k - 1];
    const along = before?.string === p.string && before.fret !== p.fret;
    run = along ? run + 1 : 0;
    if (!along) return null;
    if (articulation === 'hammered') return p.fret > before.fret ? 'hammer' : 'pull';
    // A slide needs a stopped string at both ends.
    return articulation === 'slides' && run % 3 === 2 && before.fret > 0 && p.fret > 0 ? 'slide' : null;
  });
}

/** Strokes of a line: what is joined is not picked, the rest alternates or sweeps on. */
export function strokesOf(
  i: Instrument,
  steps: readonly FingeredStep[],
  joins: readonly (Join | null)[],
  articulation: DrillArticulation,
): Stroke[] {
  const picked = steps.filter((_, k) => !joins[k]);
  const strokes = pickStrokes(i, picked, articulation === 'economy' ? 'economy' : 'alternate');
  let at = 0;
  return joins.map((join) => (join === 'hammer' || join === 'pull' || join === 'slide' ? join : strokes[at++]!));
}
