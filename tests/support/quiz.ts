import { ladder, midiOf, parseTuning, QUIZ_LEVELS, ruleOfKind, type Instrument, type Layout, type Place, type Question, type QuizGround, type QuizKind, type QuizLevel, type ScaleRef } from '../../core'; // prettier-ignore

/** Necks, scales and layouts that quizzes are tried on, and the neck by hand. */
export const neck = (low: string, frets = 22): Instrument => ({
  name: 'test',
  strings: parseTuning(low).map((open) => ({ open })),
  frets,
  scaleLengthMm: 648,
});
export const SIX = neck('E2 A2 D3 G3 B3 E4');
export const BOX: Layout = { kind: 'box' };
export const DORIAN: ScaleRef = { tonic: 'F#', scale: 'dorian' };
export const ground = (instrument = SIX, scale = DORIAN, layout: Layout = BOX, from = 0, to = 15): QuizGround => {
  const { rungs, seams } = ladder(instrument, scale, layout);
  return { instrument, scale, layout, shapes: rungs, seams, from, to };
};
export const GROUNDS = [
  ground(),
  ground(neck('C#2 G#2 C#3 F#3 A#3 D#4', 24), { tonic: 'Bb', scale: 'mixolydian' }, { kind: 'per-string', notes: 3 }, 0, 24),
  ground(neck('B1 E2 A2 D3 G3 B3 E4', 24), { tonic: 'C#', scale: 'phrygian' }, { kind: 'window' }, 3, 17),
  ground(neck('E1 A1 D2 G2', 20), { tonic: 'A', scale: 'minor pentatonic' }, BOX, 0, 12),
];
/** Every question of a kind on a ground. */
export const all = (g: QuizGround, kind: QuizKind, level: QuizLevel): Question<QuizKind>[] =>
  ruleOfKind(kind).facts(g, level).flatMap((fact) => { const q = ruleOfKind(kind).ask(g, level, fact, () => 0.4); return q ? [{ kind, fact, level, ...q }] : []; }); // prettier-ignore
export const everywhere = (kind: QuizKind): [QuizGround, Question<QuizKind>][] =>
  GROUNDS.flatMap((g) => QUIZ_LEVELS.flatMap((l) => all(g, kind, l).map((q): [QuizGround, Question<QuizKind>] => [g, q])));
export const midi = (g: QuizGround, p: Place): number => midiOf(g.instrument.strings[p.string - 1]!.open) + p.fret;
/** Every place of the neck by hand. */
export const board = (g: QuizGround): Place[] => g.instrument.strings.flatMap((_, k) => Array.from({ length: g.instrument.frets + 1 }, (__, fret) => ({ string: k + 1, fret }))); // prettier-ignore
export const placesOf = (q: Question): Place[] => (q.answer.by === 'places' ? q.answer.places : []);
export const rightTexts = (q: Question): string[] =>
  q.answer.by === 'choice' ? q.answer.right.map((k) => (q.answer as { options: { text: string }[] }).options[k]!.text) : [];
export const sorted = (ps: readonly Place[]): string[] => ps.map((p) => `${p.string}/${p.fret}`).sort();
export const upTo = (level: QuizLevel): number => [5, 12, 36][level - 1]!;
export const within = (g: QuizGround, level: QuizLevel) => (p: Place): boolean => p.fret >= g.from && p.fret <= Math.min(g.to, g.from + upTo(level)); // prettier-ignore
