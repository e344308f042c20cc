import { fail } from '../errors';
import { nutFret, openMidis } from '../instrument';
import { planRoute } from '../route';
import type { FingeringSchool, Hand, Instrument, Place, ScaleRef } from '../types';
import type { LickNote, PitchedNote } from './types';
import { soundJoins } from './check';

const CHROMATIC: ScaleRef = { tonic: 'C', scale: 'chromatic' };

/**
 * A lick as pitches, its places kept beside them.
 * @example pitchedNotes(six, lick)[0].midi // 45
 */
export function pitchedNotes(i: Instrument, notes: readonly LickNote[]): PitchedNote[] {
  const open = openMidis(i);
  return notes.map(({ place, ...rest }) =>
    place ? { ...rest, midi: open[place.string - 1]! + place.fret, place } : { ...rest, midi: null },
  );
}

/**
 * Notes of a file on an instrument. Places that sound their note here are kept; the others are found by the best route
 * through the whole line. Joins that no longer hold are left out. Throws NO_ROUTE naming the note that has no place.
 * @example placeNotes(six, [{ ticks: 480, midi: 45 }], plain)[0].place // { string: 5, fret: 0 }
 */
export function placeNotes(
  i: Instrument,
  notes: readonly PitchedNote[],
  o: { readonly school: FingeringSchool; readonly hand?: Hand },
): LickNote[] {
  const struck = notes.flatMap((n, k) => (n.midi !== null && n.join !== 'tie' ? [{ k, midi: n.midi, place: n.place }] : []));
  const held = struck.flatMap(({ midi, place }, index) =>
    place && sounds(i, place, midi) ? [{ index, string: place.string, fret: place.fret }] : [],
  );
  const pitches = struck.map((s) => s.midi);
  const places: Place[] =
    held.length === struck.length ? held : pitches.length ? planRoute(i, CHROMATIC, { pitches, held, ...o, count: 1 })[0]!.steps : [];
  let at = -1;
  return soundJoins(
    notes.map(({ midi, ...rest }): LickNote => {
      if (midi === null) return { ...rest, place: null };
      if (rest.join !== 'tie') at++;
      const p = places[at];
      if (!p) return fail('NO_ROUTE', 'notes', 'A note is tied to nothing: the line begins with a tie.');
      return { ...rest, place: { string: p.string, fret: p.fret } };
    }),
  );
}

function sounds(i: Instrument, p: Place, midi: number): boolean {
  const open = openMidis(i)[p.string - 1];
  return open !== undefined && open + p.fret === midi && p.fret >= nutFret(i) && p.fret <= i.frets;
}
