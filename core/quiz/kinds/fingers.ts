import { choiceOf, lastPart } from '../make';
import type { QuizRule } from '../types';

const PATTERNS = ['1-2-3', '1-2-4', '1-3-4', '2-3-4', '1-2', '1-3', '1-4', '2-3', '2-4', '3-4', '1-1-3', '1-1-4', '1-2-3-4'];
const stepsOf = (steps: readonly string[]): string => steps.join(' ') || '-';

/** Which fingers take the cell of a string, by the shape's own fingering. A fact is a spacing with its fingers. */
export const fingers: QuizRule = {
  facts: (g) => [...new Set(g.shapes.flatMap((s) => s.cells.filter((c) => c.frets.length > 1 && c.fingers.every((f) => f > 0)).map((c) => `fingers/${stepsOf(c.steps)}@${c.fingers.join('-')}`)))], // prettier-ignore
  ask: (g, _, fact, draw) => {
    const [steps, asked] = lastPart(fact).split('@');
    const found = g.shapes.flatMap((s) => s.cells.map((cell) => ({ s, cell }))).filter(({ cell }) => stepsOf(cell.steps) === steps && cell.fingers.join('-') === asked); // prettier-ignore
    const one = found.at(Math.floor(draw() * found.length));
    if (!one) return null;
    const { s, cell } = one;
    const same = PATTERNS.filter((p) => p.split('-').length === cell.frets.length);
    const answer = choiceOf({ text: asked! }, same.map((text) => ({ text })), draw, 4); // prettier-ignore
    const mine = (fret: number, string: number): boolean => string === cell.string && cell.frets.includes(fret);
    const shown = s.notes.map(({ string, fret }) => ({ string, fret, text: mine(fret, string) ? '?' : '' }));
    return answer && { about: { label: s.label, string: cell.string }, shown, answer, at: { string: cell.string, fret: cell.frets[0]! } };
  },
  pace: [4000, 12_000],
};
