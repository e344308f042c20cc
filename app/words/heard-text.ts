import { glyphs, type FingeredStep, type PassScore, type Spot, type WeakSpots } from '../../core';
import { counted } from './count-text';
import { FINGER_WORDS, placeWords } from './route-text';

/** "14 of 16 right, 1 wrong, 1 missed": what was heard of a pass. */
export function scoreWords({ notes, extra }: PassScore): string {
  const count = (v: string): number => notes.filter((n) => n.verdict === v).length;
  const [right, wrong, missed] = ['right', 'wrong', 'missed'].map(count);
  const parts = [
    right === notes.length ? `all ${counted(right, 'note')} right` : `${right} of ${notes.length} right`,
    wrong ? `${wrong} wrong` : '',
    missed ? `${missed} missed` : '',
    extra.length ? `${extra.length} too many` : '',
  ];
  return parts.filter(Boolean).join(', ');
}

/** "9 ms late on the whole, 41 ms at the widest": how it lay in time; empty where nothing was right. */
export function timingWords({ notes }: PassScore): string {
  const offs = notes.flatMap((n) => (n.verdict === 'right' && n.offMs !== undefined ? [n.offMs] : []));
  if (!offs.length) return '';
  const mean = Math.round(offs.reduce((a, b) => a + b, 0) / offs.length);
  const widest = Math.round(Math.max(...offs.map(Math.abs)));
  return `${offWords(mean)} on the whole, ${widest} ms at the widest`;
}

export const offWords = (ms: number): string =>
  Math.round(ms) === 0 ? 'in time' : `${Math.abs(Math.round(ms))} ms ${ms > 0 ? 'late' : 'early'}`;

/** What was wrong with a spot: "wrong 2 of 4", "missed 1 of 4", "out of time 3 of 4", "58 ms late". */
export function troubleWords(s: Spot): string {
  const of = (n: number, word: string): string => (n ? `${word} ${n} of ${s.played}` : '');
  const parts = [of(s.wrong, 'wrong'), of(s.missed, 'missed'), of(s.untimely, 'out of time')].filter(Boolean);
  if (s.untimely && s.offMs !== null) parts.push(offWords(s.offMs));
  return parts.join(', ');
}

/** The weakest note, string, shift and pair of fingers in words; those without trouble are left out. */
export function weakWords(
  spots: WeakSpots,
  steps: readonly Pick<FingeredStep, 'string' | 'fret'>[],
  nameOf: (k: number) => string,
): string[] {
  const worst = spots.notes.reduce((best, s, k) => (s.trouble > spots.notes[best]!.trouble ? k : best), 0);
  const [string, shift, pair] = [spots.strings.at(0), spots.shifts.at(0), spots.fingers.at(0)];
  return [
    spots.notes[worst]!.trouble ? `${glyphs(nameOf(worst))} on ${placeWords(steps[worst]!)}: ${troubleWords(spots.notes[worst]!)}` : '',
    string?.trouble ? `string ${string.string}: ${troubleWords(string)}` : '',
    shift?.trouble ? `the shift of the hand from fret ${shift.from} to ${shift.to}: ${troubleWords(shift)}` : '',
    pair?.trouble ? `${FINGER_WORDS[pair.from]} to ${FINGER_WORDS[pair.to]} finger: ${troubleWords(pair)}` : '',
  ].filter(Boolean);
}

/** The sign of a note's trouble, over some passes; null where it has none. What happened most, of equal ones the worse. */
export type TroubleSign = '×' | '○' | '◂' | '▸';
export function troubleSign(s: Spot): TroubleSign | null {
  const most = Math.max(s.wrong, s.missed, s.untimely);
  if (!most) return null;
  if (s.wrong === most) return '×';
  if (s.missed === most) return '○';
  return (s.offMs ?? 0) < 0 ? '◂' : '▸';
}
