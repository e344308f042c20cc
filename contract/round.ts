import './words';
import { boolean, number, string } from 'yup';
import { QUIZ_KINDS, QUIZ_LEVELS, ROUND, type FactAnswer, type QuizKind, type QuizLevel } from '../core';
import { built, id, list, name, oneOf, record, whole } from './parts';
import { problemsOf } from './record';

/** One question of a round as it was answered. */
export interface AnswerKept {
  /** What was asked, whatever the study: its schedule hangs on it. */
  readonly fact: string;
  readonly kind: QuizKind;
  readonly right: boolean;
  /** From question to answer. */
  readonly ms: number;
  /** The place it was about: open string and fret, `E2+3`; null where it was about none. */
  readonly spot: string | null;
}

/** A round of questions, as its browser made it. */
export interface Round {
  /** Made by the browser, so that a round that is sent twice is kept once. */
  readonly id: string;
  /** When it ended, ms since 1970 by the player's clock, and the local date then. */
  readonly at: number;
  readonly day: string;
  /** The study, or null for a loose leaf; and its name then. */
  readonly study: string | null;
  readonly studyName: string;
  readonly level: QuizLevel;
  readonly seconds: number;
  readonly answers: AnswerKept[];
}

const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
const AT: [number, number] = [946_684_800_000, 7_258_118_400_000];
const LONGEST = 7200; // seconds
const SLOWEST = 3_600_000; // ms

const answerSchema = built(() =>
  record<AnswerKept>({
    fact: name(120, 'what was asked is missing.'),
    kind: oneOf(QUIZ_KINDS),
    right: boolean().strict().required(),
    ms: whole(0, SLOWEST),
    spot: string().strict().nullable().defined().max(16),
  }),
);

export const roundSchema = built(() =>
  record<Round>({
    id: id(),
    at: whole(...AT),
    day: string().strict().required().matches(DAY, 'day: a date as 2026-03-09 is expected here.'),
    study: string().strict().nullable().defined().max(64),
    studyName: name(120, 'the study has a name.'),
    level: number()
      .strict()
      .required()
      .oneOf([...QUIZ_LEVELS]),
    seconds: number().strict().required().min(0).max(LONGEST),
    answers: list(answerSchema(), ROUND, { min: 1 }),
  }).required(),
);

/** Why a round cannot be kept, or null. */
export const roundProblem = (v: unknown): string | null => problemsOf(roundSchema, v)[0]?.message ?? null;

/** Rounds told at most: the newest. */
export const MOST_ROUNDS_TOLD = 2000;

/** What became of rounds that were sent: those kept (now or before), and those that cannot be, with why. */
export interface RoundsKept {
  readonly kept: string[];
  readonly refused: { readonly id: string; readonly message: string }[];
}

/** Every answer of some rounds, in order of time, as the schedule asks for them. */
export const answersOf = (rounds: readonly Round[]): FactAnswer[] =>
  [...rounds].sort((a, b) => a.at - b.at).flatMap((r) => r.answers.map(({ fact, kind, right, ms }) => ({ fact, kind, right, ms, at: r.at }))); // prettier-ignore
