import './words';
import { boolean, number, string } from 'yup';
import { DRILL_ORDERS, DRILL_RHYTHMS, type DrillOrder, type DrillRhythm, type PlayedDay } from '../core';
import { hasOnly, isWhole } from './lick';
import { built, ID, id, isPlainName, name, oneOf, record, whole } from './parts';
import { problemsOf } from './record';

export const VERDICTS = ['clean', 'miss', 'unrated', 'dry'] as const;
export type Verdict = (typeof VERDICTS)[number];
export const RATED_BY = ['player', 'listening', 'nobody'] as const;

/** One pass of a drill that was played to its end, as its browser made it. */
export interface Pass {
  /** Made by the browser, so that a pass that is sent twice is kept once. */
  readonly id: string;
  /** When it ended, ms since 1970 by the player's clock, and the local date then. */
  readonly at: number;
  readonly day: string;
  /** The study, or null for a loose leaf; and its name then. */
  readonly study: string | null;
  readonly studyName: string;
  /** What was played: `box/1` for the shape of a layout with a number, `rungs`, `route/…`, `lick/…`. */
  readonly shape: string;
  /** The same in words: "box 1 of F♯ Dorian". */
  readonly what: string;
  readonly order: DrillOrder;
  readonly rhythm: DrillRhythm;
  /** Beats a minute; and the goal of its ladder, null without one. */
  readonly tempo: number;
  readonly goal: number | null;
  readonly verdict: Verdict;
  /** The goal was held with this pass. */
  readonly reached: boolean;
  readonly seconds: number;
  readonly by: (typeof RATED_BY)[number];
}

/** A pass as it is kept: `seq` counts up in the order in which passes came in, whatever the clock says. */
export interface KeptPass extends Pass {
  readonly seq: number;
}

/** The local date of a time, YYYY-MM-DD. */
export function dayOf(ms: number): string {
  const d = new Date(ms);
  return [d.getFullYear(), d.getMonth() + 1, d.getDate()].map((n) => String(n).padStart(2, '0')).join('-');
}

const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
/** 2000-01-01 to 2200-01-01: a clock that is far off is refused, a clock put back is not. */
const AT: [number, number] = [946_684_800_000, 7_258_118_400_000];
const LONGEST = 7200; // seconds

export const passSchema = built(() =>
  record<Pass>({
    id: id(),
    at: whole(...AT),
    day: string().strict().required().matches(DAY, 'day: a date as 2026-03-09 is expected here.'),
    study: string().strict().nullable().defined().max(64),
    studyName: name(120, 'the study has a name.'),
    shape: name(64, 'what was played is missing.'),
    what: name(160, 'what was played is missing.'),
    order: oneOf(DRILL_ORDERS),
    rhythm: oneOf(DRILL_RHYTHMS),
    tempo: number().strict().required().min(10).max(400),
    goal: number().strict().nullable().defined().min(10).max(400),
    verdict: oneOf(VERDICTS),
    reached: boolean().strict().required(),
    seconds: number().strict().required().min(0).max(LONGEST),
    by: oneOf(RATED_BY),
  }).required(),
);

const isOf = (values: readonly string[], value: unknown): boolean => typeof value === 'string' && values.includes(value);
const isNumber = (value: unknown, min: number, max: number): boolean => typeof value === 'number' && value >= min && value <= max;
const PASS_KEYS = built(() => new Set(Object.keys(passSchema().fields)));

/** What the schema of a pass passes, without asking it: a log holds a hundred thousand. */
export const isPlainPass = (v: unknown): v is Pass =>
  hasOnly(v, PASS_KEYS()) &&
  typeof v.id === 'string' &&
  ID.test(v.id) &&
  isWhole(v.at, AT) &&
  typeof v.day === 'string' &&
  DAY.test(v.day) &&
  (v.study === null || (typeof v.study === 'string' && v.study.length <= 64)) &&
  isPlainName(v.studyName, 120) &&
  isPlainName(v.shape, 64) &&
  isPlainName(v.what, 160) &&
  isOf(DRILL_ORDERS, v.order) &&
  isOf(DRILL_RHYTHMS, v.rhythm) &&
  isNumber(v.tempo, 10, 400) &&
  (v.goal === null || isNumber(v.goal, 10, 400)) &&
  isOf(VERDICTS, v.verdict) &&
  typeof v.reached === 'boolean' &&
  isNumber(v.seconds, 0, LONGEST) &&
  isOf(RATED_BY, v.by);

/** Why a pass cannot be kept, or null. */
export const passProblem = (v: unknown): string | null => (isPlainPass(v) ? null : (problemsOf(passSchema, v)[0]?.message ?? null));

/** What became of passes that were sent: those kept (now or before), and those that cannot be, with why. */
export interface PassesKept {
  readonly kept: string[];
  readonly refused: { readonly id: string; readonly message: string }[];
}

/** What of a pass can be corrected afterwards. */
export type Correction = Pick<Pass, 'verdict' | 'tempo' | 'reached'>;
export const correctionSchema = built(() =>
  record<Correction>({
    verdict: oneOf(VERDICTS),
    tempo: number().strict().required().min(10).max(400),
    reached: boolean().strict().required(),
  }).required(),
);

/** Which passes: by study, shape, order, verdict, and days (both included); all may be left out. */
export interface PassFilter {
  readonly study?: string;
  readonly shape?: string;
  readonly order?: string;
  readonly verdict?: string;
  readonly from?: string;
  readonly to?: string;
}
export const FILTER_FIELDS = ['study', 'shape', 'order', 'verdict', 'from', 'to'] as const satisfies readonly (keyof PassFilter)[];

/** A page of the log, newest first. */
export interface PassPage {
  readonly passes: KeptPass[];
  /** How many there are in all under the filter. */
  readonly total: number;
  /** What there is to filter by, of the whole log. */
  readonly studies: { readonly study: string | null; readonly name: string; readonly passes: number }[];
  /** Shapes of the filtered study. */
  readonly shapes: { readonly shape: string; readonly what: string; readonly passes: number }[];
}

/** The log for its charts, under the filter. */
export interface PassCharts {
  /** For each day: the highest clean tempo, the highest goal, passes and seconds. */
  readonly days: {
    readonly day: string;
    readonly top: number | null;
    readonly goal: number | null;
    readonly passes: number;
    readonly seconds: number;
  }[];
  /** For each shape of each study: the highest clean tempo and the highest one at which its goal was held. */
  readonly shapes: {
    readonly study: string | null;
    readonly shape: string;
    readonly top: number | null;
    readonly held: number | null;
    readonly passes: number;
  }[];
}

/** What was played of each shape of some studies, day by day, for a plan; and the last rated passes of it in each order and rhythm, oldest first. */
export interface PassHistory {
  readonly days: (PlayedDay & { readonly study: string; readonly shape: string })[];
  readonly last: {
    readonly study: string;
    readonly shape: string;
    readonly order: DrillOrder;
    readonly rhythm: DrillRhythm;
    readonly tempo: number;
    readonly rating: 'clean' | 'miss';
  }[];
}
