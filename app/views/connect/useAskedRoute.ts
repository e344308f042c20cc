import { useCallback, useEffect, useMemo, useRef } from 'react';
import type { StudyBody } from '../../../contract';
import { midiOf, pickStrokes, placesOf, type Place, type Route, type Shape } from '../../../core';
import { say } from '../../shell/say';
import { eighths, soundsOf } from '../../sound/heard';
import { useHearLine } from '../../sound/useHearLine';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { pinNote, keepRoute, type RouteEnds } from '../../store/connection';
import type { RouteLine } from '../../store/route-lick';
import { useHeld } from '../../ui/useHeld';
import { useLatest } from '../../ui/useLatest';
import { useToggle } from '../../ui/useToggle';
import type { Search } from '../../workers/useSearch';
import { counted } from '../../words/count-text';
import { effortWords, keptName, shiftWords, WAY_WORDS } from '../../words/route-text';
import { useAsk } from './useAsk';
import { useConnectCommands } from './useConnectCommands';

/** Which note of the line is chosen, and walking along it. */
export interface ChosenNote {
  readonly chosen: number;
  readonly onChoose: (index: number) => void;
  readonly step: (by: 1 | -1) => void;
}

interface Asked {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly ends: RouteEnds;
  readonly route: Route | null;
  readonly found: Search<Route>;
  readonly note: ChosenNote;
}

const NO_STEPS: Route['steps'] = [];

/** The route that is shown: its notes, strokes and sound, what the keys do with it, and what is said when it changes. */
export function useAskedRoute({ body, shapes, ends, route, found, note }: Asked) {
  const { instrument, scale, tempo } = body;
  const { asked } = ends;
  const dispatch = useAppDispatch();
  const onAsk = useAsk();
  const steps = route?.steps ?? NO_STEPS;
  const strokes = useMemo(() => pickStrokes(instrument, steps, asked.picking), [instrument, steps, asked.picking]);
  const sounds = useMemo(() => eighths(soundsOf(instrument, steps)), [instrument, steps]);
  const { hear, toggle } = useHearLine(sounds, tempo);
  const [standing, stand] = useToggle();
  const onHold = useCallback((index: number, place: Place | null) => onAsk((now) => pinNote(now, index, place)), [onAsk]);
  // A route in sight is kept as what it was asked for, though something else is asked by now and still searched for.
  const of = useHeld(ends, !found.stale);
  const name = useHeld(keptName(asked, shapes[ends.from]!, shapes[ends.to]!), !found.stale);
  const keep = useCallback(() => {
    if (route) dispatch(change((now) => keepRoute(now.body, of, route, name)));
  }, [dispatch, of, route, name]);
  const latestRef = useLatest({ steps, chosen: note.chosen });
  const replace = useCallback(
    (by: 1 | -1) => {
      const { steps: now, chosen } = latestRef.current;
      const next = now[chosen] && neighbourPlace(instrument, now[chosen], by);
      if (next) onHold(chosen, next);
    },
    [instrument, onHold, latestRef],
  );
  useConnectCommands({ hear: toggle, keep, stand, ways: found.found.length, step: note.step, replace });
  useTold(route, of.asked.way);
  const line: RouteLine | null = route && { name, steps, strokes, instrument, scale };
  return { steps, strokes, sounds, hear, toggle, standing, stand, onHold, keep, line, way: of.asked.way };
}

/** Says how a route is when another one is shown. */
function useTold(route: Route | null, way: RouteEnds['asked']['way']): void {
  const told = route ? `${counted(route.steps.length, 'note')}, ${shiftWords(route)}, ${effortWords(route)}` : '';
  const before = useRef(told);
  useEffect(() => {
    if (told && told !== before.current) say(`${WAY_WORDS[way].chip}: ${told}`);
    before.current = told;
  }, [told, way]);
}

/** The same pitch on the next place up (1) or down (-1) the neck. */
function neighbourPlace(i: StudyBody['instrument'], at: Place, by: 1 | -1): Place | null {
  const midi = midiOf(i.strings[at.string - 1]!.open) + at.fret;
  const places = placesOf(i, midi).sort((a, b) => a.fret - b.fret);
  const now = places.findIndex((p) => p.string === at.string);
  return places[now + by] ?? null;
}
