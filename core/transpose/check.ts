import { SPAN_MM } from '../fingering';
import { checkInstrument, nutFret } from '../instrument';
import { placesOf, scaledNeck, widestMm, type ScaledNeck } from '../neck';
import { TICKS } from '../lick/rhythm';
import { chromaOf, midiOf } from '../pitch';
import { mod12, scalesWith, spellerIn } from '../scale';
import type { Instrument, Join, LineTiming, Place, ScaleRef } from '../types';
import type { LineFault } from './types';

const OCTAVE = 12;
/** Leaps so near to an octave that a slip in counting is likelier than a leap. */
const NEARLY = [11, 13];
/** On one string a slip of two frets is as common ("an octave written two frets short"; common practice, no published source). */
const NEARLY_ON_ONE_STRING = [10, 11, 13, 14];
/** Even a large hand opens no wider in one place. */
const WIDEST_MM = SPAN_MM.large;
/** A leap along the neck as wide as this is meant. */
const LEAP_FRETS = 9;
/** A hand that leaps needs a moment to leave and to land, and passes so many millimetres in a second (judgement: a practised hand). */
const LEAVE_AND_LAND_S = 0.05;
const MM_A_SECOND = 2000;

/** What a moved line is checked with. */
export interface CheckOptions extends LineTiming {
  /** Fingers as they are, one entry a note; 0 or nothing for an open string. */
  readonly fingers?: readonly (number | null | undefined)[];
}

/**
 * What a line typed by hand probably has wrong, at most one fault a note, each with the place that was likely meant:
 * a fret beyond the neck, an octave that is not one, a note off the scale (with its degree, and the scales it would be in),
 * a reach that no hand makes, a leap for which there is no time, a hammer-on or pull-off on one finger. Places may lie off
 * the neck; strings too. Joins, lengths, tempo and fingers are judged where they are given.
 * Throws UNKNOWN_SCALE, BAD_INSTRUMENT. Example: C♯ in E natural minor is its 6, and would make it E Dorian.
 * @example checkLine(six, minor, box.notes) // []
 */
export function checkLine(i: Instrument, ref: ScaleRef, places: readonly Place[], o: CheckOptions = {}): LineFault[] {
  checkInstrument(i);
  const line: Checked = { i, ref, neck: scaledNeck(i, ref), places: [...places], o };
  const spell = spellerIn(ref);
  return places.flatMap((p, index): LineFault[] => {
    for (const test of TESTS) {
      const found = test(line, index);
      if (!found) continue;
      if (found.suggestion) line.places[index] = found.suggestion; // the rest is judged as if it were mended
      return [{ index, note: noteName(line, p, spell), ...found }];
    }
    return [];
  });
}

interface Checked {
  /** The instrument. */
  readonly i: Instrument;
  /** The scale. */
  readonly ref: ScaleRef;
  /** What was asked for. */
  readonly o: CheckOptions;
  /** The neck with its scale. */
  readonly neck: ScaledNeck;
  /** The line's places. */
  readonly places: Place[];
}
type Found = Omit<LineFault, 'index' | 'note'> | null;

const isString = ({ i }: Checked, p: Place): boolean => Number.isInteger(p.string) && p.string >= 1 && p.string <= i.strings.length;
const onNeck = (c: Checked, p: Place): boolean =>
  isString(c, p) && Number.isInteger(p.fret) && p.fret >= nutFret(c.i) && p.fret <= c.i.frets;
const soundOf = ({ neck }: Checked, p: Place): number => neck.open[p.string]! + p.fret;
const inScale = (c: Checked, p: Place): boolean => !!c.neck.toneOf[mod12(soundOf(c, p))];

function noteName(c: Checked, p: Place, spell: (midi: number) => string): string {
  if (!isString(c, p) || !Number.isFinite(p.fret)) return '?';
  return spell(midiOf(c.i.strings[p.string - 1]!.open) + Math.round(p.fret)).replace(/-?\d+$/, '');
}

/** Beyond the neck: the same pitch elsewhere near the line, else the octave that fits on the string. */
function offNeck(c: Checked, k: number): Found {
  const p = c.places[k]!;
  if (onNeck(c, p)) return null;
  if (!isString(c, p) || !Number.isInteger(p.fret)) return { problem: 'off-neck' };
  const near = nearestTo(c, k, placesOf(c.i, Math.max(0, soundOf(c, p))));
  const folded = [p.fret - OCTAVE, p.fret + OCTAVE].map((fret) => ({ string: p.string, fret })).find((f) => onNeck(c, f));
  return { problem: 'off-neck', ...suggest(near ?? folded) };
}

/** A leap from the note before that just misses an octave; at the end of a line, off the scale, also from its first note. */
function notAnOctave(c: Checked, k: number): Found {
  const before = c.places[k - 1];
  const ends = k > 1 && k === c.places.length - 1 && !inScale(c, c.places[k]!);
  return (
    (before && octaveMeant(c, before, k, before.string === c.places[k]!.string)) || (ends ? octaveMeant(c, c.places[0]!, k, true) : null)
  );
}

function octaveMeant(c: Checked, from: Place, k: number, far: boolean): Found {
  if (!onNeck(c, from)) return null;
  const p = c.places[k]!;
  const leap = soundOf(c, p) - soundOf(c, from);
  if (!(far ? NEARLY_ON_ONE_STRING : NEARLY).includes(Math.abs(leap))) return null;
  const meant = { string: p.string, fret: p.fret - leap + OCTAVE * Math.sign(leap) };
  return onNeck(c, meant) && inScale(c, meant) ? { problem: 'not-an-octave', suggestion: meant } : null;
}

/** Off the scale: the scale's note a fret away on the same string; of two, the one that makes the smaller step to the note before. */
function offScale(c: Checked, k: number): Found {
  const p = c.places[k]!;
  if (inScale(c, p)) return null;
  const beside = [-1, 1, -2, 2].map((by) => ({ string: p.string, fret: p.fret + by })).filter((q) => onNeck(c, q) && inScale(c, q));
  const before = c.places[k - 1];
  const away = (q: Place): number => Math.abs(q.fret - p.fret);
  const step = (q: Place): number => (before && onNeck(c, before) ? stepCost(soundOf(c, q) - soundOf(c, before)) : 0);
  const [best] = [...beside].sort((a, b) => away(a) - away(b) || step(a) - step(b));
  return { problem: 'off-scale', ...suggest(best), ...scalesWith(c.ref, mod12(soundOf(c, p) - chromaOf(c.ref.tonic))) };
}

/** A note struck twice is the least likely thing to have been meant. */
const stepCost = (by: number): number => (by === 0 ? 99 : Math.abs(by));

/** Too wide for a hand that stays, and not a leap along the neck: another place of the pitch that is near both neighbours. */
function tooWide(c: Checked, k: number): Found {
  const [a, p] = [c.places[k - 1], c.places[k]];
  if (!a || isTapped(c, k) || !onNeck(c, a) || reach(c, a, p!) <= WIDEST_MM) return null;
  if (isSlur(c.o.joins?.[k])) return { problem: 'too-wide' }; // the hand cannot leave a note that it slurs from
  const wide = (q: Place): boolean => reach(c, a, q) > WIDEST_MM;
  const after = c.places[k + 1];
  const back = after && onNeck(c, after) && reach(c, p!, after) > WIDEST_MM;
  if (Math.abs(a.fret - p!.fret) >= LEAP_FRETS && !back) return null;
  const spared = placesOf(c.i, soundOf(c, p!)).filter((q) => !wide(q));
  const best = nearestTo(c, k, spared);
  if (!best && a.string === p!.string) return null;
  return { problem: 'too-wide', ...suggest(best) };
}

const isSlur = (join: Join | null | undefined): boolean => join === 'hammer' || join === 'pull';

/** The other hand plays this note, or the one before: there is nothing to reach from. */
const isTapped = ({ o }: Checked, k: number): boolean => o.joins?.[k] === 'tap' || o.joins?.[k - 1] === 'tap';

/** A leap along the neck, where the note before is too short for the hand to get there. */
function tooFast(c: Checked, k: number): Found {
  const { ticks, tempo } = c.o;
  const [a, p] = [c.places[k - 1], c.places[k]];
  if (!a || !ticks || !tempo || isTapped(c, k) || !onNeck(c, a)) return null;
  const mm = reach(c, a, p!);
  const seconds = ((ticks[k - 1] ?? 0) / TICKS) * (60 / tempo);
  return mm > WIDEST_MM && seconds < LEAVE_AND_LAND_S + mm / MM_A_SECOND ? { problem: 'too-fast' } : null;
}

/** A hammer-on or pull-off between two stopped notes on one finger: it takes two. */
function sameFinger({ o, places, neck }: Checked, k: number): Found {
  const [before, finger] = [o.fingers?.[k - 1], o.fingers?.[k]];
  const open = places[k]!.fret === neck.nut || places[k - 1]?.fret === neck.nut;
  return isSlur(o.joins?.[k]) && o.joins?.[k - 1] !== 'tap' && !open && finger && finger === before ? { problem: 'same-finger' } : null;
}

const suggest = (suggestion: Place | null | undefined): { readonly suggestion?: Place } =>
  suggestion ? { suggestion: { string: suggestion.string, fret: suggestion.fret } } : {};

/** Millimetres between two places; an open string asks for no reach. */
function reach({ i, neck }: Checked, a: Place, b: Place): number {
  if (a.fret === neck.nut || b.fret === neck.nut) return 0;
  return Math.abs(widestMm(i, [a.string, b.string], Math.min(a.fret, b.fret), Math.max(a.fret, b.fret)));
}

/** Of some places the one nearest to the neighbours in the line. */
function nearestTo(c: Checked, k: number, places: Place[]): Place | null {
  const sides = [c.places[k - 1], c.places[k + 1]].filter((n) => n && onNeck(c, n));
  const away = (p: Place): number => sides.reduce((sum, n) => sum + Math.abs(n!.fret - p.fret) + 0.1 * Math.abs(n!.string - p.string), 0);
  return places.reduce<Place | null>((best, p) => (best && away(best) <= away(p) ? best : p), null);
}

const TESTS: readonly ((c: Checked, k: number) => Found)[] = [offNeck, notAnOctave, offScale, tooWide, tooFast, sameFinger];
