import { checkWhole, fail } from '../errors';
import { checkDegree, compareScales, mod12, nameScale, scaleNotes, semitonesOf } from '../scale';
import { chromaOf } from '../pitch';
import type { DegreeName, ScaleRef } from '../types';

/**
 * One degree of a line becomes another throughout: "every b7 becomes 6". Pitches are MIDI numbers; those on other
 * degrees stay. Also the scale with that degree changed and, where it has one, its name.
 * Example: F# Dorian, b7 to 6 is no scale of seven; b3 to 3 gives Mixolydian. Throws BAD_DEGREE, UNKNOWN_SCALE.
 * @example changeDegree(dorian, [62, 65], 'b3', '3').pitches // [62, 66]
 */
export function changeDegree(
  ref: ScaleRef,
  pitches: readonly number[],
  from: DegreeName,
  to: DegreeName,
): { readonly pitches: number[]; readonly changed: number[]; readonly scale: ScaleRef; readonly named: string | null } {
  checkDegree(from, 'from');
  checkDegree(to, 'to');
  const notes = scaleNotes(ref);
  const tonic = chromaOf(ref.tonic);
  const by = nearest(semitonesOf(to) - semitonesOf(from));
  const hit = (m: number): boolean => mod12(m - tonic) === mod12(semitonesOf(from));
  const changed = pitches.flatMap((m, k) => (hit(m) ? [k] : []));
  const degrees = withDegree(notes.map((n) => n.degree), from, to); // prettier-ignore
  return {
    pitches: pitches.map((m) => (hit(m) ? m + by : m)),
    changed,
    scale: { tonic: ref.tonic, scale: nameScale(degrees)?.id ?? degrees },
    named: nameScale(degrees)?.name ?? null,
  };
}

/** A degree goes to the nearer side: 7 to b2 is up a whole step, not down ten. */
const nearest = (by: number): number => (by > 6 ? by - 12 : by < -6 ? by + 12 : by);

/**
 * How far each pitch class goes from one scale to another, by the degrees that change: pitch class to half steps, -6 to 6.
 * Example: A Dorian to A Aeolian moves 6 (F♯) by -1. Throws UNKNOWN_SCALE, BAD_NOTE.
 */
export function modeShift(from: ScaleRef, to: ScaleRef): Map<number, number> {
  const tonic = chromaOf(from.tonic);
  const { changed } = compareScales(from, to);
  return new Map(changed.map((c) => [mod12(tonic + semitonesOf(c.from)), nearest(semitonesOf(c.to) - semitonesOf(c.from))]));
}

function withDegree(degrees: DegreeName[], from: DegreeName, to: DegreeName): DegreeName[] {
  const others = degrees.filter(
    (d) => mod12(semitonesOf(d)) !== mod12(semitonesOf(from)) && mod12(semitonesOf(d)) !== mod12(semitonesOf(to)),
  );
  return [...others, to].sort((a, b) => mod12(semitonesOf(a)) - mod12(semitonesOf(b)));
}

/**
 * A line moved along its scale by so many steps: in thirds above, 2; an octave above in a seven-note scale, 7. A note
 * off the scale keeps its distance from the scale note below it. Throws BAD_OPTION, UNKNOWN_SCALE.
 * @example alongScale({ tonic: 'C', scale: 'ionian' }, [60, 62], 2) // [64, 65]
 */
export function alongScale(ref: ScaleRef, pitches: readonly number[], steps: number): number[] {
  checkWhole('BAD_OPTION', 'steps', steps, -21, 21);
  const tonic = chromaOf(ref.tonic);
  const scale = scaleNotes(ref).map((n) => n.semitones);
  const at = (index: number): number =>
    12 * Math.floor(index / scale.length) + scale[((index % scale.length) + scale.length) % scale.length]!;
  return pitches.map((m) => {
    const above = m - tonic;
    const octave = Math.floor(above / 12);
    const k = scale.findLastIndex((s) => s <= mod12(above));
    if (k < 0) return fail('BAD_OPTION', 'pitches', 'pitches: the scale has no root to count from.');
    return tonic + 12 * octave + at(k + steps) + (mod12(above) - scale[k]!);
  });
}
