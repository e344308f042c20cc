import type { FingeredStep, Instrument, LineTiming, Place, Route } from '../types';
import { checkWhole, fail } from '../errors';
import { bestPaths, noCosts, stepsOf, timed, type Path, type State, type Task } from '../fingering';
import { samePlace } from '../place';
import { widestMm, type ScaledNeck } from '../neck';
import { pitchName } from '../pitch';
import type { RouteOptions } from '../types';
import type { RouteTask } from './costs';
import { handPlaces, type HandPlace } from './hand-places';
import type { Option } from '../fingering';

/** One line that a search is to solve. */
export interface Line {
  /** For each note, the places where it may be played. */
  readonly options: Option[][];
  /** Beside what the hand allows: whether one place may follow another, tags told apart. */
  readonly follows?: (a: State, b: State) => boolean;
  /** Whether it may begin with a state. */
  readonly startsAt?: (s: State) => boolean;
  /** Whether it may end with a state at its note k. */
  readonly endsAt?: (s: State, k: number) => boolean;
  /** Rung by tag, where the line follows rungs. */
  readonly rungOf?: readonly number[];
  /** Joins, bends and lengths, where the line has them. */
  readonly timing?: LineTiming;
}

const MOST_ROUTES = 50;
/** Routes that are looked for where no number is asked. */
export const USUAL_COUNT = 3;

/** Solves several lines and merges what they give, cheapest first. Yields the share of the work done. */
export function* solve(neck: ScaledNeck, costs: RouteTask, lines: Line[], o: RouteOptions): Generator<number, Route[]> {
  const count = o.count === undefined ? USUAL_COUNT : checkWhole('BAD_OPTION', 'count', o.count, 1, MOST_ROUTES);
  const routes: Route[] = [];
  const fitting = lines.map((l) => withHeld(neck, l, o.held ?? [])).filter((l) => l !== null);
  if (lines.length && !fitting.length) wrongHeld(neck, lines[0]!, o.held ?? []);
  for (const [k, line] of fitting.entries()) {
    const search = bestPaths(taskOf(costs, line, o), count, (a, b) => differ(a.states, b.states));
    let turn = search.next();
    for (; !turn.done; turn = search.next()) yield (k + turn.value) / fitting.length;
    for (const path of turn.value) routes.push(routeOf(neck.instrument, costs, path, line));
  }
  return distinct(routes.sort((a, b) => a.cost - b.cost)).slice(0, count);
}

function taskOf(costs: RouteTask, line: Line, o: RouteOptions): Task {
  const { follows } = line;
  const pins: number[] = [];
  for (const { index, finger } of o.pins ?? []) pins[index] = checkWhole('BAD_OPTION', 'pins.finger', finger, 0, 4);
  return timed(
    {
      ...costs,
      // What passes where the line itself forbids steps is no other line's.
      ...(follows ? { follows, kept: noCosts() } : {}),
      options: line.options,
      pins,
      ...(line.startsAt ? { startsAt: line.startsAt } : {}),
      ...(line.endsAt ? { endsAt: line.endsAt } : {}),
    },
    line.timing ?? {},
  );
}

/** The line with its held notes settled, or null where a held place does not sound the note of this line. */
function withHeld(neck: ScaledNeck, line: Line, held: readonly (Place & { readonly index: number })[]): Line | null {
  if (!held.length) return line;
  const options = [...line.options];
  for (const { index, string, fret } of held) {
    const here = options[index];
    if (!here?.length || neck.open[string]! + fret !== neck.open[here[0]!.string]! + here[0]!.fret) return null;
    if (fret < neck.nut || fret > neck.last) return null;
    options[index] = [...new Set(here.map((p) => p.tag ?? 0))].map((tag) => ({ string, fret, tag }));
  }
  return { ...line, options };
}

function wrongHeld(neck: ScaledNeck, line: Line, held: readonly (Place & { readonly index: number })[]): never {
  const wrong = held.find((h) => !withHeld(neck, line, [h])) ?? held[0];
  const [there] = line.options[wrong!.index] ?? [];
  const wanted = there ? pitchName(neck.open[there.string]! + there.fret) : 'no note';
  return fail(
    'NO_ROUTE',
    'held',
    `String ${wrong!.string}, fret ${wrong!.fret} is no place of note ${wrong!.index + 1}: the line has ${wanted} there.`,
  );
}

/** A note of a way: where it is played, and where the hand is (0 where it has not come down yet). */
type Played = Place & { readonly hand: number };

/**
 * Whether a player sees two ways as different: another succession of hand places, or another place for a quarter of the notes
 * at least; or another number of notes (docs/decisions.md).
 */
function differ(a: readonly Played[], b: readonly Played[]): boolean {
  if (a.length !== b.length || succession(a) !== succession(b)) return true;
  return 4 * a.filter((p, k) => !samePlace(p, b[k])).length >= a.length;
}

const succession = (way: readonly Played[]): string =>
  way.flatMap(({ hand }) => hand || []).filter((hand, k, all) => hand !== all[k - 1]).join(); // prettier-ignore

/** The routes that differ from all before them. */
export function distinct<R extends Pick<Route, 'steps'>>(routes: readonly R[]): R[] {
  const kept: { readonly route: R; readonly way: Played[] }[] = [];
  for (const route of routes) {
    const way = route.steps.map((s) => ({ string: s.string, fret: s.fret, hand: s.handFret }));
    if (kept.every((k) => differ(k.way, way))) kept.push({ route, way });
  }
  return kept.map((k) => k.route);
}

function routeOf(i: Instrument, costs: RouteTask, path: Path, line: Line): Route {
  const steps = stepsOf(costs.hand, path);
  const { rungOf } = line;
  return {
    steps,
    cost: path.cost,
    ...measures(i, steps),
    ...(rungOf ? { rungs: path.states.map((s) => rungOf[s.tag]!) } : {}),
  };
}

/** Shifts, travel and reach of a fingered line. */
export function measures(i: Instrument, steps: FingeredStep[]): Pick<Route, 'shifts' | 'travelMm' | 'widestMm' | 'stringChanges'> {
  const strings = i.strings.map((_, k) => k + 1);
  let [shifts, travelMm, stringChanges] = [0, 0, 0];
  steps.slice(1).forEach((s, k) => {
    const last = steps[k];
    if (s.string !== last!.string) stringChanges++;
    if (s.handFret === last!.handFret) return;
    shifts++;
    travelMm += Math.abs(widestMm(i, strings, last!.handFret, s.handFret));
  });
  return { shifts, travelMm, stringChanges, widestMm: Math.max(0, ...handPlaces(steps).map((h) => widthOf(i, steps, h))) };
}

/** Width in mm of one stay of the hand, on the longest string it stops. */
function widthOf(i: Instrument, steps: FingeredStep[], h: HandPlace): number {
  const stopped = steps.slice(h.from, h.to + 1).filter((s) => s.finger > 0);
  if (!stopped.length) return 0;
  const frets = stopped.map((s) => s.fret);
  return widestMm(i, [...new Set(stopped.map((s) => s.string))], Math.min(...frets), Math.max(...frets));
}
