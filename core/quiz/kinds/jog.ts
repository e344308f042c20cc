import { openMidis, stringsUpward } from '../../instrument';
import { lastPart, choiceOf } from '../make';
import type { QuizGround, QuizRule } from '../types';

/** How many frets each string sits off where endless fourths would have it, seen from a string. */
export function shiftsFrom(g: QuizGround, root: number): { readonly string: number; readonly frets: number }[] {
  const upward = stringsUpward(g.instrument);
  const open = openMidis(g.instrument);
  const at = upward.indexOf(root);
  return upward.flatMap((string, k) => {
    const frets = open[root - 1]! + 5 * (k - at) - open[string - 1]!;
    return frets ? [{ string, frets }] : [];
  });
}

/** "strings 2, 1: 1 fret up": what shifts, by how much; "none" where nothing does. */
export function shiftWords(shifts: readonly { readonly string: number; readonly frets: number }[]): string {
  const groups = new Map<number, number[]>();
  for (const { string, frets } of shifts) groups.set(frets, [...(groups.get(frets) ?? []), string]);
  const words = [...groups].map(([frets, strings]) => `${strings.length === 1 ? 'string' : 'strings'} ${strings.join(', ')}: ${Math.abs(frets)} ${Math.abs(frets) === 1 ? 'fret' : 'frets'} ${frets > 0 ? 'up' : 'down'}`); // prettier-ignore
  return words.join('; ') || 'none';
}

/** Which strings shift, and by how much, when the root is on a string: in this tuning against endless fourths. */
export const jog: QuizRule = {
  facts: (g) => {
    const tuning = openMidis(g.instrument).map((m, k, all) => (k ? all[k - 1]! - m : 0)).slice(1).join('.'); // prettier-ignore
    return stringsUpward(g.instrument).map((s) => `jog/${tuning}@${s}`);
  },
  ask: (g, _, fact, draw) => {
    const root = Number(lastPart(fact).split('@')[1]);
    if (!(root >= 1 && root <= g.instrument.strings.length)) return null;
    const shifts = shiftsFrom(g, root);
    const upward = stringsUpward(g.instrument);
    const next = (string: number, by: number): number => upward[Math.max(0, Math.min(upward.length - 1, upward.indexOf(string) + by))]!;
    const wrong = [
      shifts.map((s) => ({ ...s, frets: -s.frets })),
      shifts.slice(1),
      shifts.slice(0, -1),
      [],
      shifts.map((s) => ({ ...s, frets: s.frets + Math.sign(s.frets) })),
      [{ string: next(root, 1), frets: 1 }],
      [{ string: next(root, 2), frets: -1 }],
      ...shifts.slice(0, 1).map((s) => [{ ...s, string: next(s.string, -1) }, ...shifts]),
    ].map((s) => ({ text: shiftWords(s) }));
    const answer = choiceOf({ text: shiftWords(shifts) }, wrong, draw, 4);
    return answer && { about: { string: root }, shown: [], answer, at: null };
  },
  pace: [5000, 15_000],
};
