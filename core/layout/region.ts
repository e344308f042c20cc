import { checkWhole } from '../errors';
import { fretsWithScale } from '../neck';
import { BORDER_FRET } from '../place';
import type { LayoutOf } from '../types';
import type { LayoutRule } from './rule';
import { byPitch, type LayoutTask, type Draft } from './shape';

/** Every scale note between two border frets, both included; unisons kept, one shape, no folds (docs/decisions.md). */
function layRegion(task: LayoutTask, layout: LayoutOf<'region'>): Draft[] {
  const { neck } = task;
  const from = checkWhole('BAD_LAYOUT', 'layout.fromFret', layout.fromFret, 0, neck.last);
  const to = checkWhole('BAD_LAYOUT', 'layout.toFret', layout.toFret, from, neck.last);
  const places = neck.upward.flatMap((string) => fretsWithScale(neck, string, from, to).map((fret) => ({ string, fret })));
  return places.length ? [{ number: 1, label: `frets ${from} to ${to}`, places: byPitch(neck, places) }] : [];
}

/** All notes between two frets. */
export const regions: LayoutRule<'region'> = {
  fields: {
    fromFret: { is: 'fret', label: 'From fret', notAbove: 'toFret' },
    toFret: { is: 'fret', label: 'To fret', notBelow: 'fromFret' },
  },
  lay: layRegion,
  school: () => 'finger-per-fret',
  reanchor: (i, _, l) => (l.toFret <= i.frets ? l : { ...l, fromFret: Math.min(l.fromFret, i.frets), toFret: i.frets }),
  says: (l) => `a region, frets ${l.fromFret} to ${l.toFret}`,
  why: (l) => `Every scale note from fret ${l.fromFret} to fret ${l.toFret}, unisons too. What lies here lies again twelve frets away.`,
  offers: ({ instrument }) => [
    { layout: { kind: 'region', fromFret: 0, toFret: Math.min(BORDER_FRET, instrument.frets) }, detail: 'everything between two frets' },
  ],
};
