import { createEmptyCard, fsrs, Rating as Grade, type Grade as AnyGrade } from 'ts-fsrs';

/** How a day of practice on a learnt shape went. */
export type DayRating = 'again' | 'hard' | 'good' | 'easy';
/** One day on which a shape was played: when its first pass ended (ms since 1970), and how it went. */
export interface DayOf {
  /** In ms since 1970. */
  readonly at: number;
  /** How it went. */
  readonly rating: DayRating;
}

function gradeOf(rating: DayRating): AnyGrade {
  const grades: Record<DayRating, AnyGrade> = { again: Grade.Again, hard: Grade.Hard, good: Grade.Good, easy: Grade.Easy };
  return grades[rating];
}
/** The library's own defaults, whole days only, nothing by chance. Made when it is first asked, so that views that need none do not load it. */
let scheduler: ReturnType<typeof fsrs> | null = null;
const schedulerNow = () => (scheduler ??= fsrs({ enable_fuzz: false, enable_short_term: false }));

/**
 * When a shape comes back, in ms since 1970, and in how many days from its last one; by the spaced schedule FSRS of ts-fsrs with its published defaults.
 * @example comesBack([{ at: 0, rating: 'good' }]).inDays // 3
 */
export function comesBack(days: readonly DayOf[]): { readonly due: number; readonly inDays: number } {
  const [first] = days;
  let card = createEmptyCard(first!.at);
  let latest = first!.at;
  for (const { at, rating } of days) {
    latest = Math.max(latest, at); // a clock that was put back does not go backwards here
    card = schedulerNow().next(card, latest, gradeOf(rating)).card;
  }
  return { due: card.due.getTime(), inDays: card.scheduled_days };
}

/**
 * What the passes of one day say: the goal held without a miss, held, something clean, nothing clean.
 * @example dayRating({ clean: 3, misses: 0, reached: true }) // 'easy'
 */
export const dayRating = ({
  clean,
  misses,
  reached,
}: {
  readonly clean: number;
  readonly misses: number;
  readonly reached: boolean;
}): DayRating => (reached ? (misses ? 'good' : 'easy') : clean ? 'hard' : 'again');
