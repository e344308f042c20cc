import { fail } from '../../errors';
import { checkPlace } from '../../instrument';
import { samePlace } from '../../place';
import type { ConnectRequest, Instrument, Place } from '../../types';
import type { Line } from '../route';

type Ends = Pick<ConnectRequest, 'start' | 'goal'>;

/** The lines from one place to another, both included; those that do not touch them are left out. Throws NO_ROUTE where none does. */
export function betweenPlaces(i: Instrument, lines: readonly Line[], { start, goal }: Ends): Line[] {
  if (start) checkPlace(i, start, 'start');
  if (goal) checkPlace(i, goal, 'goal');
  return lines.flatMap((line) => cutAt(line, start, goal) ?? []);
}

/** Says which end no line of a way touches. */
export function missed(lines: readonly Line[], { start, goal }: Ends): never {
  const field = start && !lines.some((l) => cutAt(l, start, undefined)) ? 'start' : 'goal';
  const p = (field === 'start' ? start : goal) as Place;
  return fail(
    'NO_ROUTE',
    field,
    `This way does not go through string ${p.string}, fret ${p.fret}: choose a note of it, other rungs, or the best route.`,
  );
}

function cutAt(line: Line, start: Place | undefined, goal: Place | undefined): Line | null {
  const touches = (p: Place) => (options: Line['options'][number]) => options.some((o) => samePlace(o, p));
  const from = start ? line.options.findIndex(touches(start)) : 0;
  const to = goal ? line.options.findLastIndex(touches(goal)) : line.options.length - 1;
  if (from < 0 || to <= from) return null;
  const last = line.options.length - 1;
  const only = (p: Place | undefined, options: Line['options'][number]) => (p ? options.filter((o) => samePlace(o, p)) : options);
  const options = line.options.slice(from, to + 1);
  options[0] = only(start, options[0]!);
  options[options.length - 1] = only(goal, options[options.length - 1]!);
  const { endsAt } = line;
  return { ...line, options, ...(endsAt ? { endsAt: (s, k) => k === to - from && endsAt(s, last) } : {}) };
}
