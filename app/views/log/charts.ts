/** What the charts of the log show, worked out without drawing. Days are local dates, YYYY-MM-DD. */
import type { PassCharts } from '../../../contract';

const DAY = 86_400_000;
/** A local date as a number of days, so that dates can be counted with whatever the summer time does. */
export const dayNumber = (day: string): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY);
export const dayOfNumber = (n: number): string => new Date(n * DAY).toISOString().slice(0, 10);
/** The Monday of the week that a day is in (ISO 8601). */
export const mondayOf = (day: string): string => {
  const n = dayNumber(day);
  return dayOfNumber(n - ((((n + 3) % 7) + 7) % 7));
};

export interface Bar {
  /** The day, or the Monday of the week. */
  readonly day: string;
  readonly minutes: number;
}

/** Minutes of each of the last `count` days or weeks up to a day, empty ones too. */
export function minuteBars(days: PassCharts['days'], until: string, by: 'day' | 'week', count: number): Bar[] {
  const step = by === 'day' ? 1 : 7;
  const keyOf = by === 'day' ? (d: string): string => d : mondayOf;
  const last = dayNumber(keyOf(until));
  const seconds = new Map<string, number>();
  for (const d of days) seconds.set(keyOf(d.day), (seconds.get(keyOf(d.day)) ?? 0) + d.seconds);
  return Array.from({ length: count }, (_, k) => {
    const day = dayOfNumber(last - (count - 1 - k) * step);
    return { day, minutes: (seconds.get(day) ?? 0) / 60 };
  });
}

export interface TempoPoint {
  readonly day: string;
  readonly tempo: number;
}

/** The highest clean tempo of each day that has one, thinned to `most` points: of neighbours the higher one stays. */
export function tempoPoints(days: PassCharts['days'], most = 400): TempoPoint[] {
  const points = days.flatMap((d) => (d.top === null ? [] : [{ day: d.day, tempo: d.top }]));
  if (points.length <= most) return points;
  const per = Math.ceil(points.length / most);
  return Array.from({ length: Math.ceil(points.length / per) }, (_, k) =>
    points.slice(k * per, (k + 1) * per).reduce((a, b) => (b.tempo > a.tempo ? b : a)),
  );
}

/** Days played of the last 28, and weeks running (up to this week, or the last one if this has none yet) with a day played. */
export function streakOf(days: PassCharts['days'], today: string): { readonly days: number; readonly weeks: number } {
  const now = dayNumber(today);
  const recent = days.filter((d) => dayNumber(d.day) > now - 28 && dayNumber(d.day) <= now).length;
  const weeks = new Set(days.map((d) => mondayOf(d.day)));
  const monday = dayNumber(mondayOf(today));
  let at = weeks.has(dayOfNumber(monday)) ? monday : monday - 7;
  let running = 0;
  for (; weeks.has(dayOfNumber(at)); at -= 7) running++;
  return { days: recent, weeks: running };
}
