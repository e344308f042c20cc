import { createSelector } from '@reduxjs/toolkit';
import { MOST_KEPT, MOST_KEPT_NOTES, type Connection, type KeptRoute, type StudyBody } from '../../contract';
import { newId } from './licks';
import {
  defaultSchool,
  pickStrokes,
  samePlace,
  type ConnectRequest,
  type FingeredStep,
  type Instrument,
  type Place,
  type Route,
  type RouteRequest,
  type ScaleRef,
  type Shape,
} from '../../core';
import type { EndChoice } from '../words/end-text';
import { asAsked, usualConnection } from './question';
import { rungIndex, rungOf, selectBody, selectLaid, selectRung } from './study';

/** How many ways there are offered side by side. */
const OFFERED = 4;

/** What the route worker is asked. */
export type RouteJob = { readonly instrument: Instrument; readonly scale: ScaleRef } & (
  { readonly plan: RouteRequest } | { readonly connect: ConnectRequest }
);

/** A connection with its rungs found on the ladder as it is now. */
export interface RouteEnds {
  readonly asked: Connection;
  readonly from: number;
  readonly to: number;
}

/** What is asked of the study as it stands; null where there is no ladder. */
export function endsNow({
  body,
  shapes,
  current,
}: {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly current: number;
}): RouteEnds | null {
  if (!shapes.length) return null;
  const asked = body.connection ?? usualConnection(shapes, current);
  const to = rungIndex(shapes, asked.to);
  const from = rungWith(shapes, rungIndex(shapes, asked.from), asked.start, to);
  return { asked, from, to: rungWith(shapes, to, placeOf(asked.goal), from) };
}

/** A goal that is a place; null where it is a fret for the hand, or a pitch. */
export const placeOf = (goal: Connection['goal']): Place | null => (goal && 'string' in goal ? goal : null);

/** The rung nearest to the one asked that has a place, another than that of the other end if there is one; the one asked where none has it. */
function rungWith(shapes: Shape[], asked: number, place: Place | null, other: number): number {
  if (!place) return asked;
  const far = (k: number): number => Math.abs(k - asked) + (k === other ? shapes.length : 0);
  const having = shapes.flatMap((s, k) => (s.notes.some((n) => samePlace(n, place)) ? [k] : []));
  return having.length ? having.reduce((a, b) => (far(b) < far(a) ? b : a)) : asked;
}

export const selectEnds = createSelector([selectBody, selectLaid, selectRung], (body, laid, current): RouteEnds | null =>
  body && laid ? endsNow({ body, shapes: laid.shapes, current }) : null,
);

type Fields = Partial<Connection>;

/** A change to what Connect is asked. */
export const askAfresh = (ends: RouteEnds, fields: Fields): Partial<StudyBody> => ({
  route: null,
  connection: { ...ends.asked, ...asAsked, ...fields },
});
/** A change that leaves the line as it is. */
export const changeAsked = (ends: RouteEnds, fields: Fields): Partial<StudyBody> => ({
  route: null,
  connection: { ...ends.asked, ...fields },
});

/** Another start: a rung, or a place, which holds for every way. */
export const askFrom = (ends: RouteEnds, shapes: Shape[], end: EndChoice): Partial<StudyBody> =>
  askAfresh(ends, 'rung' in end ? { from: rungOf(shapes[end.rung]!), start: null } : 'place' in end ? { start: end.place } : {});

/** Another goal: a rung, or a place, which hold for every way; a fret under the hand or a pitch, which ask for the best route. */
export function askTo(ends: RouteEnds, shapes: Shape[], end: EndChoice): Partial<StudyBody> {
  if ('rung' in end) return askAfresh(ends, { to: rungOf(shapes[end.rung]!), goal: null });
  if ('place' in end) return askAfresh(ends, { goal: end.place });
  return askAfresh(ends, { way: 'best', goal: 'hand' in end ? { fret: end.hand } : { pitch: end.pitch } });
}

/** Back the way it came. A goal that is no place cannot be a start: the rung's end note stands for it. */
export function turned(ends: RouteEnds): Partial<StudyBody> {
  const { from, to, start, goal, pitches } = ends.asked;
  return askAfresh(ends, { from: to, to: from, start: placeOf(goal), goal: start, pitches: [...pitches].reverse() });
}

/** One note held on a place; the same place again lets it go. */
export function pinNote(ends: RouteEnds, index: number, place: Place | null): Partial<StudyBody> {
  const others = ends.asked.held.filter((h) => h.index !== index);
  return changeAsked(ends, { held: place ? [...others, { index, string: place.string, fret: place.fret }] : others, choice: 0 });
}

/** One note's finger settled, or free again. */
export function pinFinger(ends: RouteEnds, index: number, finger: number | null): Partial<StudyBody> {
  const others = ends.asked.fingers.filter((f) => f.index !== index);
  return changeAsked(ends, { fingers: finger === null ? others : [...others, { index, finger }], choice: 0 });
}

/** Several notes' fingers settled at once. */
export function pinFingers(ends: RouteEnds, fingers: readonly { readonly index: number; readonly finger: number }[]): Partial<StudyBody> {
  const others = ends.asked.fingers.filter((f) => !fingers.some((o) => o.index === f.index));
  return changeAsked(ends, { fingers: [...others, ...fingers], choice: 0 });
}

/** Whether the line goes up the neck, as its rungs lie. */
export const goesUp = (ends: RouteEnds): boolean => ends.from <= ends.to;

/** The note a line begins or ends with, of a rung: its lowest or highest. */
export const endNote = (shape: Shape, highest: boolean): Place => {
  const sorted = [...shape.notes].sort((a, b) => a.midi - b.midi);
  const { string, fret } = sorted[highest ? sorted.length - 1 : 0]!;
  return { string, fret };
};

/** Start and goal of a best route: as named, or the outermost notes of the rungs. */
export function routeEnds(ends: RouteEnds, shapes: Shape[]): { readonly from: Place; readonly to: NonNullable<Connection['goal']> } {
  const up = goesUp(ends);
  const { start, goal } = ends.asked;
  return { from: start ?? endNote(shapes[ends.from]!, !up), to: goal ?? endNote(shapes[ends.to]!, up) };
}

/** What to ask the worker; null where there is no ladder. */
export const selectJob = createSelector([selectBody, selectLaid, selectEnds], (body, laid, ends): RouteJob | null => {
  if (!body || !laid || !ends) return null;
  const { instrument, scale, layout, school, hand } = body;
  const { asked } = ends;
  const options = {
    school: school ?? defaultSchool(layout),
    hand,
    weights: asked.weights,
    count: OFFERED,
    held: asked.held,
    pins: asked.fingers,
  };
  const strings = asked.strings.length ? { strings: asked.strings } : {};
  if (asked.way !== 'best') {
    const goal = placeOf(asked.goal);
    const places = { ...(asked.start ? { start: asked.start } : {}), ...(goal ? { goal } : {}) };
    const connect: ConnectRequest = { way: asked.way, layout, fromRung: ends.from, toRung: ends.to, ...places, ...options, ...strings };
    return { instrument, scale, connect };
  }
  const where = { ...strings, ...(asked.within ? { within: asked.within } : {}) };
  if (asked.motion === 'given') return { instrument, scale, plan: { pitches: asked.pitches, ...options, ...where } };
  return { instrument, scale, plan: { ...routeEnds(ends, laid.shapes), motion: asked.motion, ...options, ...where } };
});

/** The kept route that Connect shows as it was kept; null where it shows what is asked now. */
export const selectKept = createSelector([selectBody], (body): KeptRoute | null => body?.routes.find((r) => r.id === body.route) ?? null);

/** Effort to two decimals: a kept route is no measurement. */
export const settled = (s: FingeredStep): FingeredStep => ({ ...s, costMm: Math.round(s.costMm * 100) / 100 });

/** Keeps a route: its notes, fingers, hand places and strokes as they are, and beside them what was asked and of what. Null where there is no room. */
export function keepRoute(body: StudyBody, { asked }: RouteEnds, route: Route, name: string): Partial<StudyBody> | null {
  if (body.routes.length >= MOST_KEPT || route.steps.length > MOST_KEPT_NOTES) return null;
  const { instrument, scale, layout, school, hand } = body;
  const strokes = pickStrokes(instrument, route.steps, asked.picking);
  const kept: KeptRoute = {
    id: newId(),
    name: name.slice(0, 120),
    steps: route.steps.map(settled),
    strokes,
    asked,
    on: { instrument, scale, layout, school, hand },
  };
  return { connection: asked, routes: [...body.routes, kept] };
}

/** The question of a kept route asked again, of the study as it is now. */
export const solveAgain = ({ asked }: KeptRoute): Partial<StudyBody> => ({ route: null, connection: { ...asked, ...asAsked } });

export const renameRoute = (body: StudyBody, id: string, name: string): Partial<StudyBody> => ({
  routes: body.routes.map((r) => (r.id === id ? { ...r, name } : r)),
});
export const dropRoute = (body: StudyBody, id: string): Partial<StudyBody> => ({
  routes: body.routes.filter((r) => r.id !== id),
  ...(body.route === id ? { route: null } : {}),
});
/** One place up (-1) or down (1) in the list. */
export function reorderRoute(body: StudyBody, id: string, by: 1 | -1): Partial<StudyBody> | null {
  const at = body.routes.findIndex((r) => r.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= body.routes.length) return null;
  const routes = [...body.routes];
  [routes[at], routes[to]] = [routes[to]!, routes[at]!];
  return { routes };
}
