import { chromaOf } from '../pitch';
import { nutFret, openMidis } from '../instrument';
import { scaleNotes } from '../scale';
import type { DegreeName, Instrument, NoteName, Place, ScaleRef, Shape } from '../types';

/** A note of a shape that the next scale has not, and the note of that scale that it gives way to. */
export interface ScaleMove {
  /** Where the note was. */
  readonly from: Place;
  /** Where it goes. */
  readonly to: Place;
  /** Semitones, up or down. */
  readonly by: -2 | -1 | 1 | 2;
  /** What it was in the old scale. */
  readonly was: { readonly degree: DegreeName; readonly name: NoteName };
  /** What it is in the new one. */
  readonly becomes: { readonly degree: DegreeName; readonly name: NoteName };
}

/** What of a shape stays when the scale changes, what moves, and what is left without a neighbour. */
export interface ScaleChange {
  /** Places of both scales. */
  readonly stays: Place[];
  /** Places that move by a semitone or two. */
  readonly moves: ScaleMove[];
  /** Places of the old scale alone. */
  readonly goes: Place[];
}

const STEPS = [1, -1, 2, -2] as const;

/**
 * What becomes of the notes of a shape when another scale comes: those that it has too stay; each other one moves along its string by a
 * half or a whole step to a note that is new in it, the half step and upward first; those that have none go. Every place of the shape is
 * told of once.
 * @example changesTo(six, box, minor, { tonic: 'A', scale: 'major-pentatonic' }).stays.length // 5
 */
export function changesTo(i: Instrument, shape: Shape, from: ScaleRef, to: ScaleRef): ScaleChange {
  const open = openMidis(i);
  const nut = nutFret(i);
  const before = new Set(scaleNotes(from).map((n) => chromaOf(n.name)));
  const after = new Map(scaleNotes(to).map((n) => [chromaOf(n.name), n]));
  const result: ScaleChange = { stays: [], moves: [], goes: [] };
  for (const { string, fret, degree, name } of shape.notes) {
    const place = { string, fret };
    const sound = (open[string - 1]! + fret) % 12;
    if (after.has(sound)) {
      result.stays.push(place);
      continue;
    }
    const by = STEPS.find((s) => {
      const there = (sound + s + 12) % 12;
      return fret + s >= nut && fret + s <= i.frets && after.has(there) && !before.has(there);
    });
    const next = by && after.get((sound + by + 12) % 12);
    if (by && next)
      result.moves.push({ from: place, to: { string, fret: fret + by }, by, was: { degree, name }, becomes: { degree: next.degree, name: next.name } }); // prettier-ignore
    else result.goes.push(place);
  }
  return result;
}
