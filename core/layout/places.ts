import { fail } from '../errors';
import { placeKey } from '../place';
import type { LayoutOf } from '../types';
import { onNeck, withFolds } from './climb';
import type { LayoutRule } from './rule';
import { byPitch, type LayoutTask, type Draft } from './shape';
import { becameWords, octavesWords } from './words';

/**
 * Places as they stand, for a shape that was carried to another tuning and is no shape of a school there: those on the
 * neck and in the scale, each once, and their copies twelve frets up and down.
 */
function layPlaces({ neck }: LayoutTask, layout: LayoutOf<'places'>): Draft[] {
  if (!Array.isArray(layout.places) || layout.places.length > MOST_PLACES)
    fail('BAD_LAYOUT', 'layout.places', `layout.places: give 1 to ${MOST_PLACES} places.`);
  const here = layout.places.filter((p) => p.string <= neck.instrument.strings.length && onNeck(neck, p.fret));
  const inScale = here.filter((p) => neck.toneOf[(neck.open[p.string]! + p.fret) % 12]);
  const once = [...new Map(inScale.map((p) => [placeKey(p), { string: p.string, fret: p.fret }])).values()];
  return once.length ? withFolds(neck, byPitch(neck, once)).map((places) => ({ number: 1, label: 'kept shape', places })) : [];
}

/** Most places of such a shape: every fret of twelve strings would be no shape any more. */
export const MOST_PLACES = 160;

/** Places of one's own as one shape. */
export const places: LayoutRule<'places'> = {
  fields: { places: { is: 'places', most: MOST_PLACES } },
  lay: layPlaces,
  school: () => 'finger-per-fret',
  says: (l) => `${l.places.length} kept ${l.places.length === 1 ? 'place' : 'places'}`,
  why: (_, { shape, shapes }) =>
    `A shape kept through a change of tuning: its places as they stand.${becameWords(shape)} ${octavesWords(shapes, shape)}`,
  offers: () => [],
  renamed: true,
};
