import { keysOf } from '../typed';
import { CoreError } from '../errors';
import { comesBack, type DayRating } from '../practice';
import { drawer } from '../random';
import { QUIZ_RULES } from './kinds';
import { shuffled } from './make';
import type { Question, QuizGround, QuizLevel, QuizRule } from './types';

/** A kind of question, by name. */
export type QuizKind = keyof typeof QUIZ_RULES;
/** Kinds of question, as they are offered. */
export const QUIZ_KINDS = Object.freeze(keysOf(QUIZ_RULES));
/** The rule by which a kind of question is made and graded. */
export const ruleOfKind = (kind: QuizKind): QuizRule => QUIZ_RULES[kind];

/** Questions of a round. */
export const ROUND = 12;

/** An answer that was given once: when (ms since 1970), right or not, and after how many ms. */
export interface FactAnswer {
  /** What was asked, as an id. */
  readonly fact: string;
  /** The kind of question. */
  readonly kind: QuizKind;
  /** When, in ms since 1970. */
  readonly at: number;
  /** Whether it was right. */
  readonly right: boolean;
  /** How long it took. */
  readonly ms: number;
}

/** How an answer counts: wrong again, right and quick easy, right in time good, slow hard. */
export function answerRating({ kind, right, ms }: Pick<FactAnswer, 'kind' | 'right' | 'ms'>): DayRating {
  const [quick, slow] = QUIZ_RULES[kind].pace;
  return !right ? 'again' : ms <= quick ? 'easy' : ms <= slow ? 'good' : 'hard';
}

/** When a fact comes back: at once where it was answered wrongly last, else by the spaced schedule of its answers, the last one of each day. Answers ascend in time. */
export function factDue(answers: readonly FactAnswer[]): number {
  const last = answers.at(-1);
  if (!last) return -Infinity;
  if (!last.right) return last.at;
  const DAY = 86_400_000;
  const days = new Map<number, FactAnswer>();
  for (const a of answers) days.set(Math.floor(a.at / DAY), a);
  return comesBack([...days.values()].map((a) => ({ at: a.at, rating: answerRating(a) }))).due;
}

/** What a round of questions is to be. */
export interface RoundAsked {
  /** Kinds of question. */
  readonly kinds: readonly QuizKind[];
  /** How hard they are. */
  readonly level: QuizLevel;
  /** Everything that was ever answered, in order of time. */
  readonly history: readonly FactAnswer[];
  /** Ms since 1970. */
  readonly now: number;
  /** Other seeds give other rounds. */
  readonly seed: number;
  /** How many questions; twelve if left out. */
  readonly count?: number;
}

/**
 * The questions of a round: what was wrong last first, then what is due, the longest due first, then what was never asked, each kind in turn in its own order, then what is due next.
 * They come in an order by chance, two of a kind apart where that can be. Throws BAD_OPTION where no kind has a question on this ground.
 */
export function quizRound(g: QuizGround, { kinds, level, history, now, seed, count = ROUND }: RoundAsked): Question<QuizKind>[] {
  const draw = drawer(seed);
  const answers = new Map<string, FactAnswer[]>();
  for (const a of history) {
    const known = answers.get(a.fact);
    if (known) known.push(a);
    else answers.set(a.fact, [a]);
  }
  const facts = kinds.flatMap((kind) => QUIZ_RULES[kind].facts(g, level).map((fact) => ({ kind, fact, answers: answers.get(fact) ?? [] })));
  const asked = facts
    .filter((f) => f.answers.length)
    .map((f) => ({ ...f, due: factDue(f.answers), wrong: f.answers.at(-1)?.right === false }));
  const due = asked.filter((f) => f.due <= now).sort((a, b) => Number(b.wrong) - Number(a.wrong) || a.due - b.due);
  const later = asked.filter((f) => f.due > now).sort((a, b) => a.due - b.due);
  const fresh = inTurn(kinds.map((kind) => facts.filter((f) => f.kind === kind && !f.answers.length)));
  const questions: Question<QuizKind>[] = [];
  for (const { kind, fact } of [...due, ...fresh, ...later]) {
    if (questions.length >= count) break;
    const q = QUIZ_RULES[kind].ask(g, level, fact, draw);
    if (q) questions.push({ kind, fact, level, ...q });
  }
  if (!questions.length)
    throw new CoreError(
      'BAD_OPTION',
      'kinds',
      'There is nothing to ask: choose another kind of question, more frets, or a scale that lies on this neck.',
    );
  return apart(shuffled(questions, draw));
}

/** One of each list in turn. */
function inTurn<T>(lists: readonly (readonly T[])[]): T[] {
  const most = Math.max(0, ...lists.map((l) => l.length));
  return Array.from({ length: most }, (_, k) => lists.flatMap((l) => l.slice(k, k + 1))).flat();
}

/** Neighbours of one kind moved apart as far as it goes: of what is left, the first of the kind that has most left, but not the kind just asked. */
function apart<T extends { readonly kind: string }>(all: readonly T[]): T[] {
  const left = [...all];
  const out: T[] = [];
  const countOf = (kind: string): number => left.filter((q) => q.kind === kind).length;
  while (left.length) {
    const last = out.at(-1)?.kind;
    const others = left.filter((q) => q.kind !== last);
    const from = others.length ? others : left;
    const next = from.reduce((a, b) => (countOf(b.kind) > countOf(a.kind) ? b : a));
    left.splice(left.indexOf(next), 1);
    out.push(next);
  }
  return out;
}
