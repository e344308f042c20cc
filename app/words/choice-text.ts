import { type CellChoice, type FingeredStep, type HandChoice } from '../../core';

/** "string 3, 9 12". */
export const cellWords = ({ string, frets }: CellChoice): string => `string ${string}, ${frets.join(' ')}`;

/** Whether the hand opens beyond its rest for the cell or for the note after it. */
const reaches = (steps: readonly FingeredStep[], index: number): boolean =>
  [0, 1, 2].some(
    (k) => steps[index + k]!.finger > 0 && steps[index + k]!.fret !== steps[index + k]!.handFret + steps[index + k]!.finger - 1,
  );

/** "1-3 and reach", "1-3 and stay", "1-4 and move". */
export function choiceWords({ way, fingers, steps }: HandChoice, { index }: CellChoice): string {
  return `${fingers.join('-')} and ${way === 'move' ? 'move' : reaches(steps, index) ? 'reach' : 'stay'}`;
}

/** Fingers of a shape played downward, string by string where they are others than upward; thickest string last, as they come. */
export function downWords(
  up: readonly { readonly string: number; readonly fret: number; readonly finger?: number }[],
  down: readonly FingeredStep[],
): string {
  const strings = [...new Set(down.map((s) => s.string))];
  const on = (string: number): FingeredStep[] => down.filter((s) => s.string === string);
  const same = (s: FingeredStep): boolean => up.some((u) => u.string === s.string && u.fret === s.fret && u.finger === s.finger);
  const others = strings.filter((string) => !on(string).every(same));
  return others.length
    ? others.map((s) => `string ${s}: ${on(s).map((n) => n.finger).join(' ')}`).join('; ') // prettier-ignore
    : 'the same fingers';
}
