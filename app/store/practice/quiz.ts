import { dayOf, type AnswerKept, type Round, type StudyBody } from '../../../contract';
import { bestTonic, CoreError, drawer, isRight, ladder, placeIndex, quizRound, samePlace, spotOf, type FactAnswer, type Place, type Question, type QuizGiven, type QuizGround, type QuizKind } from '../../../core'; // prettier-ignore
import { LOOSE } from '../editor';
import { newId } from '../licks';
import type { QuizPrefs } from './quiz-prefs';

/** A round that is being answered. Plain data; what a player does is a function from it to the next. */
export interface Asking {
  readonly ground: QuizGround;
  readonly questions: Question<QuizKind>[];
  /** The question that is open. */
  readonly at: number;
  /** Places that the player has marked for it, in their order. */
  readonly marked: Place[];
  /** What became of it; null while it is open. */
  readonly told: { readonly right: boolean; readonly option: number | null } | null;
  readonly answers: AnswerKept[];
}

/** What of a study questions hang on. */
export type QuizStudy = Pick<StudyBody, 'instrument' | 'scale' | 'layout' | 'school' | 'hand'>;

/** What is asked about: the study's key or one by chance, the frets that were chosen. Shapes are none where the scale does not lie on the neck. */
export function groundOf({ instrument, scale, layout, school, hand }: QuizStudy, { keys, frets }: QuizPrefs, seed: number): QuizGround {
  const tonic = keys === 'any' ? bestTonic(Math.floor(drawer(seed)() * 12), scale.scale) : scale.tonic;
  const asked = { tonic, scale: scale.scale };
  const [from, to] = frets ?? [0, instrument.frets];
  const range = { from: Math.min(from, instrument.frets), to: Math.min(to, instrument.frets) };
  try {
    const { rungs, seams } = ladder(instrument, asked, layout, { hand, ...(school ? { school } : {}) });
    return { instrument, scale: asked, layout, shapes: rungs, seams, ...range };
  } catch (e) {
    if (e instanceof CoreError) return { instrument, scale: asked, layout, shapes: [], seams: [], ...range };
    throw e;
  }
}

/** A new round; or why there is nothing to ask, in words. */
export function beginRound(
  study: QuizStudy,
  prefs: QuizPrefs,
  history: readonly FactAnswer[],
  now: number,
  seed: number,
): Asking | { readonly problem: string } {
  const ground = groundOf(study, prefs, seed);
  try {
    const questions = quizRound(ground, { kinds: prefs.kinds, level: prefs.level, history, now, seed });
    return { ground, questions, at: 0, marked: [], told: null, answers: [] };
  } catch (e) {
    if (e instanceof CoreError) return { problem: e.message };
    throw e;
  }
}

/** A place pressed: marked, or let go; of a line and of "any one" each press counts. */
export function mark(a: Asking, place: Place): Asking {
  const { answer } = a.questions[a.at]!;
  if (a.told || (answer.by !== 'places' && answer.by !== 'line')) return a;
  if (answer.by === 'line') return { ...a, marked: [...a.marked, place] };
  if (answer.need === 'any') return { ...a, marked: [place] };
  const there = a.marked.some((p) => samePlace(p, place));
  return { ...a, marked: there ? a.marked.filter((p) => !samePlace(p, place)) : [...a.marked, place] };
}

/** Whether what is marked is an answer by itself, so that nothing need be said: the one place, or as many as there are. */
export function isWhole({ questions, at, marked }: Asking): boolean {
  const { answer } = questions[at]!;
  if (answer.by === 'line') return marked.length >= answer.line.length;
  return answer.by === 'places' && (answer.need === 'any' ? marked.length === 1 : marked.length >= answer.places.length);
}

/** An answer to the open question after some ms; "I do not know" is `null`. */
export function answered(a: Asking, given: QuizGiven | null, ms: number): Asking {
  const q = a.questions[a.at]!;
  return settled(a, given !== null && isRight(q, given), ms, given && 'option' in given ? given.option : null);
}

/** The open question is answered, right or not. */
export function settled(a: Asking, right: boolean, ms: number, option: number | null = null): Asking {
  if (a.told) return a;
  const q = a.questions[a.at]!;
  const kept: AnswerKept = {
    fact: q.fact,
    kind: q.kind,
    right,
    ms: Math.max(0, Math.round(Math.min(ms, 3_600_000))),
    spot: q.at && spotOf(a.ground, q.at),
  };
  return { ...a, told: { right, option }, answers: [...a.answers, kept] };
}

/** The next question; the same round where it was the last. */
export const nextQuestion = (a: Asking): Asking =>
  a.told && a.at + 1 < a.questions.length ? { ...a, at: a.at + 1, marked: [], told: null } : a;
export const isOver = (a: Asking): boolean => a.answers.length === a.questions.length;

/** What was answered of a round, as the log keeps it; null where nothing was. */
export function roundOf(
  a: Asking,
  study: { readonly id: string | null; readonly name: string },
  level: QuizPrefs['level'],
  now: number,
): Round | null {
  if (!a.answers.length) return null;
  return {
    id: newId(),
    at: now,
    day: dayOf(now),
    study: study.id === LOOSE ? null : study.id,
    studyName: study.name.slice(0, 120).trim() || 'Loose leaf',
    level,
    seconds: a.answers.reduce((sum, x) => sum + x.ms, 0) / 1000,
    answers: a.answers,
  };
}

/** How a place was answered: how often, how often rightly, and the median of ms. */
export interface SpotStand extends Place {
  readonly asked: number;
  readonly right: number;
  readonly ms: number;
}

const median = (all: readonly number[]): number => {
  const sorted = [...all].sort((x, y) => x - y);
  return sorted.length ? sorted[sorted.length >> 1]! : 0;
};

/** What is known of the places of a neck, over the answers that were about one. */
export function spotStands(i: Pick<QuizGround, 'instrument'>['instrument'], answers: readonly AnswerKept[]): SpotStand[] {
  const at = new Map<number, { readonly place: Place; readonly answers: AnswerKept[] }>();
  const open = new Map(i.strings.map((s, k): [string, number] => [s.open, k + 1]));
  for (const a of answers) {
    const [note, fret] = a.spot?.split('+') ?? [];
    const string = open.get(note!);
    if (string === undefined || !(Number(fret) <= i.frets)) continue;
    const place = { string, fret: Number(fret) };
    const known = at.get(placeIndex(place));
    if (known) known.answers.push(a);
    else at.set(placeIndex(place), { place, answers: [a] });
  }
  return [...at.values()].map(({ place, answers: some }) => ({ ...place, asked: some.length, right: some.filter((a) => a.right).length, ms: median(some.map((a) => a.ms)) })); // prettier-ignore
}

/** By day: how many answers, the share that was right, the median of ms. */
export function quizDays(
  rounds: readonly Round[],
): { readonly day: string; readonly asked: number; readonly share: number; readonly ms: number }[] {
  const days = new Map<string, AnswerKept[]>();
  for (const r of rounds) days.set(r.day, [...(days.get(r.day) ?? []), ...r.answers]);
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([day, all]) => ({
      day,
      asked: all.length,
      share: all.filter((a) => a.right).length / all.length,
      ms: median(all.map((a) => a.ms)),
    }));
}

/** By kind of question: how many answers, how many right, the median of ms; the weakest first. */
export function kindStands(
  answers: readonly Pick<AnswerKept, 'kind' | 'right' | 'ms'>[],
): { readonly kind: QuizKind; readonly asked: number; readonly right: number; readonly ms: number }[] {
  const kinds = new Map<QuizKind, Pick<AnswerKept, 'right' | 'ms'>[]>();
  for (const a of answers) kinds.set(a.kind, [...(kinds.get(a.kind) ?? []), a]);
  return [...kinds]
    .map(([kind, all]) => ({ kind, asked: all.length, right: all.filter((a) => a.right).length, ms: median(all.map((a) => a.ms)) }))
    .sort((a, b) => a.right / a.asked - b.right / b.asked || b.ms - a.ms);
}
