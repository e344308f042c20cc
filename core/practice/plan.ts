import { comesBack, dayRating } from './spacing';

/** What was played of one shape on one day. */
export interface PlayedDay {
  /** Local date, YYYY-MM-DD. */
  readonly day: string;
  /** When the first pass of it ended, ms since 1970. */
  readonly at: number;
  /** Clean passes on it. */
  readonly clean: number;
  /** Misses on it. */
  readonly misses: number;
  /** The goal was held. */
  readonly reached: boolean;
  /** How long was played. */
  readonly seconds: number;
}

/** What the player says of a shape, whatever the log says. */
export type Said = 'known' | 'skipped' | null;

/** One shape of a plan, with what is known of it. */
export interface PlanShape {
  /** Its id. */
  readonly id: string;
  /** What the player said of it. */
  readonly said: Said;
  /** Days on which it was played, in order. */
  readonly days: readonly PlayedDay[];
  /** Where the hand is, and whether it reaches far. */
  readonly handFret: number;
  /** Whether it asks for a stretch. */
  readonly wide: boolean;
}

/** How a shape of the plan stands. */
export type PlanState = 'waiting' | 'open' | 'learned' | 'known' | 'skipped';

/** How a shape stands: `due` is when a learned or known one comes back, in ms since 1970; null where it does not. */
export interface Stands {
  /** Id of the shape. */
  readonly id: string;
  /** How it stands. */
  readonly state: PlanState;
  /** When it comes again, in ms since 1970; null where it does not. */
  readonly due: number | null;
  /** In how many days from the last one it was to come back. */
  readonly inDays: number | null;
}

/**
 * One position at a time: the first shape that is neither learned nor known nor skipped is open, those after it wait.
 * @example standOf([]) // []
 */
export function standOf(shapes: readonly PlanShape[]): Stands[] {
  let open = false;
  return shapes.map(({ id, said, days }): Stands => {
    const held = days.findIndex((d) => d.reached);
    if (said === 'skipped') return { id, state: 'skipped', due: null, inDays: null };
    if (held >= 0 || said === 'known') {
      const reviews = held >= 0 ? days.slice(held) : days;
      const back = reviews.length ? comesBack(reviews.map((d) => ({ at: d.at, rating: dayRating(d) }))) : null;
      return { id, state: held >= 0 ? 'learned' : 'known', due: back?.due ?? null, inDays: back?.inDays ?? null };
    }
    const state = open ? 'waiting' : 'open';
    open = true;
    return { id, state, due: null, inDays: null };
  });
}

/** Something to do today. Minutes are whole. */
export type TodayItem =
  | { readonly kind: 'warm-up'; readonly shape: string; readonly minutes: number }
  | { readonly kind: 'review'; readonly shape: string; readonly minutes: number; readonly inDays: number }
  | { readonly kind: 'learn'; readonly shape: string; readonly minutes: number }
  | { readonly kind: 'rest'; readonly minutes: number; readonly after: 'wide' | 'long' };

/** Minutes of each kind, and how much at most; common practice, no published source. */
export const TODAY = Object.freeze({ warmUp: 3, review: 4, learn: 8, rest: 2, breath: 1, restAfter: 20, mostReviews: 4, middle: 7 });

/** A day of the plan. */
export interface Day {
  /** Now, ms since 1970, and the end of the day that it is in. */
  readonly now: number;
  /** In ms since 1970. */
  readonly endOfDay: number;
  /** Minutes that the player has. */
  readonly minutes: number;
}

/**
 * What to do today, in order: a warm-up in the middle of the neck, learned shapes that are due (the longest overdue first,
 * four at most, so that missed days pile nothing up), then the open shape of each plan as far as the time goes; a short
 * rest between two wide reaches, a longer one after every 20 minutes. Nothing where there is nothing to play.
 */
export function today(plans: readonly (readonly PlanShape[])[], { endOfDay, minutes }: Day): TodayItem[] {
  const shapes = new Map(plans.flat().map((s) => [s.id, s]));
  const stands = plans.map(standOf);
  const due = stands
    .flat()
    .filter((s) => s.due !== null && s.due <= endOfDay)
    .sort((a, b) => (a.due ?? 0) - (b.due ?? 0))
    .slice(0, TODAY.mostReviews);
  const open = stands.flatMap((s) => s.filter((x) => x.state === 'open'));
  if (!due.length && !open.length) return [];
  const items: TodayItem[] = [];
  const warm = warmUp(plans.flat(), stands.flat());
  let left = minutes;
  const take = (item: Exclude<TodayItem, { readonly kind: 'rest' }>): void => {
    // One thing at least besides the warm-up, however short the day.
    if (left <= 0 && items.some((i) => i.kind === 'review' || i.kind === 'learn')) return;
    items.push({ ...item, minutes: Math.max(1, Math.min(item.minutes, Math.max(left, 1))) });
    left -= item.minutes;
  };
  if (warm) take({ kind: 'warm-up', shape: warm.id, minutes: TODAY.warmUp });
  for (const s of due) take({ kind: 'review', shape: s.id, minutes: TODAY.review, inDays: s.inDays ?? 0 });
  for (const s of open) take({ kind: 'learn', shape: s.id, minutes: TODAY.learn });
  return withRests(items, shapes);
}

/** The shape nearest to the middle of the neck of those begun, narrow ones first. */
function warmUp(shapes: readonly PlanShape[], stands: readonly Stands[]): PlanShape | undefined {
  const begun = shapes.filter((_, k) => stands[k]!.state !== 'waiting' && stands[k]!.state !== 'skipped');
  const far = (s: PlanShape): number => Math.abs(s.handFret - TODAY.middle) + (s.wide ? 24 : 0);
  return begun.reduce<PlanShape | undefined>((best, s) => (best && far(best) <= far(s) ? best : s), undefined);
}

function withRests(items: readonly TodayItem[], shapes: ReadonlyMap<string, PlanShape>): TodayItem[] {
  const all: TodayItem[] = [];
  let played = 0;
  items.forEach((item, k) => {
    const before = items[k - 1];
    const wide = (i: TodayItem | undefined): boolean => !!i && i.kind !== 'rest' && !!shapes.get(i.shape)?.wide;
    if (before && played >= TODAY.restAfter) {
      all.push({ kind: 'rest', minutes: TODAY.rest, after: 'long' });
      played = 0;
    } else if (wide(before) && wide(item)) all.push({ kind: 'rest', minutes: TODAY.breath, after: 'wide' });
    all.push(item);
    played += item.minutes;
  });
  return all;
}
