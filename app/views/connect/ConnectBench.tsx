import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLatest } from '../../ui/useLatest';
import { ArrowRightLeft, Bookmark } from 'lucide-react';
import { MOST_KEPT, WAYS, type KeptRoute, type StudyBody } from '../../../contract';
import { defaultSchool, glyphs, midiOf, pickStrokes, placesOf, samePlace, type NeckNote, type Picking, type Place, type Route, type Shape } from '../../../core'; // prettier-ignore
import { LineNeck } from '../../neck/LineNeck';
import { say } from '../../shell/say';
import { eighths, soundsOf } from '../../sound/heard';
import { useHear } from '../../sound/useHear';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { ask, endsNow, hold, keepRoute, settle, settleAll, tell, turned, type Ends } from '../../store/connection';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { counted } from '../../words/count-text';
import { effortWords, keptName, routeNeedsCare, shiftWords, WAY_WORDS } from '../../words/route-text';
import type { Search } from '../../workers/useSearch';
import { CareNote } from '../CareNote';
import { CellChoices } from '../CellChoices';
import { LineFiles } from '../LineFiles';
import { HandPart } from '../HandPart';
import { HearButton, HearProblem, Tempo } from '../HearTools';
import { StudyFooter } from '../StudyFooter';
import { ConnectSentence } from './ConnectSentence';
import { KeptRoutes } from './KeptRoutes';
import { lineOfRoute } from '../../files/papers';
import { MakeLick } from './MakeLick';
import { NotePanel } from './NotePanel';
import { RouteTab } from './RouteTab';
import { SearchNote } from '../SearchNote';
import { useConnectCommands } from './useConnectCommands';
import { WaysThere } from './WaysThere';
import { WeightsPart } from './WeightsPart';
import { CONNECT } from '../../words/views/connect';

interface Props {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly ends: Ends;
  readonly notes: NeckNote[];
  readonly found: Search<Route>;
  readonly route: Route | null;
  readonly line: { readonly chosen: number; readonly onChoose: (index: number) => void; readonly step: (by: 1 | -1) => void };
}

const WAY_OPTIONS = WAYS.map((value) => ({ value, label: WAY_WORDS[value].chip }));
const PICKING_OPTIONS: { readonly value: Picking; readonly label: string }[] = [
  { value: 'alternate', label: CONNECT.alternate },
  { value: 'economy', label: CONNECT.economy },
  { value: 'hammered', label: CONNECT.hammered },
];
const NO_STEPS: Route['steps'] = [];

/** Puts a change of what Connect is asked through the store as it stands then. */
function useAsk(): (make: (ends: Ends) => Partial<StudyBody>) => void {
  const dispatch = useAppDispatch();
  return useCallback(
    (make) =>
      void dispatch(
        change((now) => {
          const ends = endsNow(now);
          return ends && make(ends);
        }),
      ),
    [dispatch],
  );
}

export function ConnectBench({ body, shapes, ends, notes, found, route, line }: Props) {
  const { instrument } = body;
  const { asked } = ends;
  const dispatch = useAppDispatch();
  const onAsk = useAsk();
  const steps = route?.steps ?? NO_STEPS;
  const school = body.school ?? defaultSchool(body.layout);
  const { hand } = body;
  const strokes = useMemo(() => pickStrokes(instrument, steps, asked.picking), [instrument, steps, asked.picking]);
  const sounds = useMemo(() => soundsOf(instrument, steps), [instrument, steps]);

  const hear = useHear();
  const { on, start, stop } = hear;
  const toggleHear = useCallback(() => {
    if (on) stop();
    else if (sounds.length) start(eighths(sounds), body.tempo);
  }, [on, start, stop, sounds, body.tempo]);

  const [standing, setStanding] = useState(false);
  const stand = useCallback(() => setStanding((s) => !s), []);
  const onHold = useCallback((index: number, place: Place | null) => onAsk((now) => hold(now, index, place)), [onAsk]);
  const keep = useKeep(ends, shapes, route);
  const latestRef = useLatest({ steps, chosen: line.chosen });
  const replace = useCallback(
    (by: 1 | -1) => {
      const { steps: now, chosen } = latestRef.current;
      const next = now[chosen] && neighbourPlace(instrument, now[chosen], by);
      if (next) onHold(chosen, next);
    },
    [instrument, onHold, latestRef],
  );
  useConnectCommands({ hear: toggleHear, keep, stand, ways: found.found.length, step: line.step, replace });
  const told = route ? `${counted(steps.length, 'note')}, ${shiftWords(route)}, ${effortWords(route)}` : '';
  const before = useRef(told);
  useEffect(() => {
    if (told && told !== before.current) say(`${WAY_WORDS[asked.way].chip}: ${told}`);
    before.current = told;
  }, [told, asked.way]);
  const asLine = route && { name: keptName(asked, shapes[ends.from], shapes[ends.to]), steps, strokes, instrument, scale: body.scale };
  const isKept = route !== null && body.routes.some((r) => sameLine(r, route));

  return (
    <div className="view-column">
      <ConnectSentence body={body} ends={ends} shapes={shapes} notes={notes} route={route} />
      <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
        <Segmented
          label={CONNECT.wayThere}
          value={asked.way}
          options={WAY_OPTIONS}
          onChange={(way) => onAsk((now) => ask(now, { way, strings: [] }))}
        />
        <span className="grow" />
        <Tempo tempo={body.tempo} onTempo={(tempo) => dispatch(edited({ tempo }))} />
        <HearButton on={on} disabled={!sounds.length} onHear={toggleHear} />
      </div>
      <HearProblem hear={hear} />
      <SearchNote
        found={found}
        settled={asked.held.length + asked.fingers.length}
        onFree={() => onAsk((now) => tell(now, { held: [], fingers: [] }))}
      />
      <LineNeck
        instrument={instrument}
        notes={notes}
        steps={steps}
        title={glyphs(CONNECT.neckWithTheRouteThe(counted(steps.length, 'note')))}
        chosen={line.chosen}
        sounding={hear.now}
        onChoose={line.onChoose}
        onHold={onHold}
      />
      <div className="no-print after-neck mt-3 flex flex-wrap items-center gap-2">
        <Button icon={<ArrowRightLeft size={14} aria-hidden />} onClick={() => onAsk(turned)}>
          {CONNECT.turnRound}
        </Button>
        <WeightsPart weights={asked.weights} onWeights={(weights) => onAsk((now) => tell(now, { weights, choice: 0 }))} />
        <HandPart layout={body.layout} school={body.school} hand={body.hand} onHand={(fields) => dispatch(edited(fields))} />
        <Segmented
          label={CONNECT.picking}
          value={asked.picking}
          options={PICKING_OPTIONS}
          onChange={(picking) => onAsk((now) => tell(now, { picking }))}
        />
        <button
          type="button"
          className="chip text-[0.78125rem]"
          aria-pressed={asked.staff}
          onClick={() => onAsk((now) => tell(now, { staff: !now.asked.staff }))}
        >
          {CONNECT.staff}
        </button>
        <span className="grow" />
        <Button
          look="link"
          icon={<Bookmark size={14} aria-hidden />}
          disabled={!route || isKept || body.routes.length >= MOST_KEPT}
          onClick={keep}
        >
          {isKept ? CONNECT.kept : body.routes.length >= MOST_KEPT ? CONNECT.keptDropOneFirst(MOST_KEPT) : CONNECT.keepThisRoute}
        </Button>
        <MakeLick line={asLine} />
        <LineFiles what="route" body={body} line={asLine && lineOfRoute(asLine, body.tempo)} />
      </div>
      {route && routeNeedsCare(instrument, route) && <CareNote className="after-neck" />}
      <div className="after-tools mt-3 grid grid-cols-1 items-start gap-3 lg:grid-cols-[1fr_21rem]">
        <div className="grid min-w-0 grid-cols-1 gap-3">
          {route && (
            <RouteTab
              title={asLine?.name ?? CONNECT.route}
              standing={standing}
              onStand={stand}
              instrument={instrument}
              scale={body.scale}
              steps={steps}
              strokes={strokes}
              staff={asked.staff}
              chosen={line.chosen}
              sounding={hear.now}
              onChoose={line.onChoose}
            />
          )}
          <KeptRoutes routes={body.routes} open={null} />
        </div>
        <div className="grid min-w-0 grid-cols-1 gap-3">
          {steps[line.chosen] && (
            <NotePanel
              scale={body.scale}
              instrument={instrument}
              steps={steps}
              index={line.chosen}
              asked={asked}
              school={school}
              hand={hand}
              onHold={(place) => onHold(line.chosen, place)}
              onFinger={(finger) => onAsk((now) => settle(now, line.chosen, finger))}
            />
          )}
          {steps.length > 0 && (
            <CellChoices
              instrument={instrument}
              places={steps}
              school={school}
              hand={hand}
              onChoose={(fingers) => onAsk((now) => settleAll(now, fingers))}
            />
          )}
          {
            found.found.length > 0 &&
            <WaysThere way={asked.way} routes={found.found} choice={Math.min(asked.choice, found.found.length - 1)} onChoice={(choice) => onAsk((now) => tell(now, { choice }))} /> // prettier-ignore
          }
        </div>
      </div>
      <StudyFooter hint={CONNECT.n1To4WayThere} />
    </div>
  );
}

/** Whether a kept route is this very line, finger by finger. */
const sameLine = (kept: KeptRoute, route: Route): boolean =>
  kept.steps.length === route.steps.length &&
  kept.steps.every((s, k) => samePlace(s, route.steps[k]) && s.finger === route.steps[k].finger && s.handFret === route.steps[k].handFret);

/** The same pitch on the next place up (1) or down (-1) the neck. */
function neighbourPlace(i: StudyBody['instrument'], at: Place, by: 1 | -1): Place | null {
  const midi = midiOf(i.strings[at.string - 1].open) + at.fret;
  const ways = placesOf(i, midi).sort((a, b) => a.fret - b.fret);
  const now = ways.findIndex((p) => p.string === at.string);
  return ways[now + by] ?? null;
}

/** Keeps what is asked and the notes as they are. */
function useKeep(ends: Ends, shapes: Shape[], route: Route | null): () => void {
  const dispatch = useAppDispatch();
  return useCallback(() => {
    if (route) dispatch(change(({ body }) => keepRoute(body, ends, route, keptName(ends.asked, shapes[ends.from], shapes[ends.to]))));
  }, [dispatch, ends, shapes, route]);
}
