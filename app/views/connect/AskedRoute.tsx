import { WAYS, type StudyBody, type Way } from '../../../contract';
import { defaultSchool, glyphs, type NeckNote, type Route, type Shape } from '../../../core';
import { LineNeck } from '../../neck/LineNeck';
import type { Hear } from '../../sound/useHear';
import { useAppDispatch } from '../../store';
import { askAfresh, pinFinger, pinFingers, changeAsked, type RouteEnds } from '../../store/connection';
import { edited } from '../../store/editor';
import { Segmented } from '../../ui/Segmented';
import { SplitBelow } from '../../ui/SplitBelow';
import { counted } from '../../words/count-text';
import { routeNeedsCare, WAY_WORDS } from '../../words/route-text';
import { CONNECT } from '../../words/views/connect';
import type { Search } from '../../workers/useSearch';
import { CareNote } from '../CareNote';
import { CellChoices } from '../CellChoices';
import { HearButton, HearProblem, Tempo } from '../HearTools';
import { SearchNote } from '../SearchNote';
import { StudyFooter } from '../StudyFooter';
import { ConnectSentence } from './ConnectSentence';
import { KeptRoutes } from './KeptRoutes';
import { NotePanel } from './NotePanel';
import { RouteTab } from './RouteTab';
import { RouteTools } from './RouteTools';
import { useAsk } from './useAsk';
import { useAskedRoute, type ChosenNote } from './useAskedRoute';
import { WaysThere } from './WaysThere';

interface Props {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly ends: RouteEnds;
  readonly notes: NeckNote[];
  readonly found: Search<Route>;
  readonly route: Route | null;
  readonly note: ChosenNote;
}

const WAY_OPTIONS = WAYS.map((value) => ({ value, label: WAY_WORDS[value].chip }));

/** What is asked for as a sentence, the route on the neck and as tab, and the other ways there. */
export function AskedRoute({ body, shapes, ends, notes, found, route, note }: Props) {
  const { instrument } = body;
  const { asked } = ends;
  const onAsk = useAsk();
  const { steps, strokes, sounds, hear, toggle, standing, stand, onHold, keep, line, way } = useAskedRoute({ body, shapes, ends, route, found, note }); // prettier-ignore
  const shown = { instrument, steps, chosen: note.chosen, sounding: hear.now, onChoose: note.onChoose };
  return (
    <div className="view-column">
      <ConnectSentence body={body} ends={ends} shapes={shapes} notes={notes} route={route} />
      <WayRow body={body} asked={asked} hear={hear} silent={!sounds.length} onHear={toggle} />
      <SearchNote
        found={found}
        settled={asked.held.length + asked.fingers.length}
        onFree={() => onAsk((now) => changeAsked(now, { held: [], fingers: [] }))}
      />
      <LineNeck {...shown} notes={notes} title={glyphs(CONNECT.neckWithTheRouteThe(counted(steps.length, 'note')))} onHold={onHold} />
      <RouteTools body={body} asked={asked} route={route} line={line} onKeep={keep} />
      {route && routeNeedsCare(instrument, route) && <CareNote className="after-neck" />}
      <SplitBelow
        main={
          <>
            {line && (
              <RouteTab
                {...shown}
                title={line.name}
                standing={standing}
                onStand={stand}
                scale={body.scale}
                strokes={strokes}
                staff={asked.staff}
              />
            )}{' '}
            {/* prettier-ignore */}
            <KeptRoutes routes={body.routes} open={null} />
          </>
        }
        side={<RouteSide body={body} asked={asked} found={found} way={way} steps={steps} chosen={note.chosen} onHold={onHold} />}
      />
      <StudyFooter hint={CONNECT.n1To4WayThere} />
    </div>
  );
}

interface RowProps {
  readonly body: StudyBody;
  readonly asked: RouteEnds['asked'];
  readonly hear: Hear;
  readonly silent: boolean;
  readonly onHear: () => void;
}

function WayRow({ body, asked, hear, silent, onHear }: RowProps) {
  const dispatch = useAppDispatch();
  const onAsk = useAsk();
  return (
    <>
      <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
        <Segmented
          label={CONNECT.wayThere}
          value={asked.way}
          options={WAY_OPTIONS}
          onChange={(way) => onAsk((now) => askAfresh(now, { way, strings: [] }))}
        />
        <span className="grow" />
        <Tempo tempo={body.tempo} onTempo={(tempo) => dispatch(edited({ tempo }))} />
        <HearButton on={hear.on} disabled={silent} onHear={onHear} />
      </div>
      <HearProblem hear={hear} />
    </>
  );
}

interface SideProps {
  readonly body: StudyBody;
  readonly asked: RouteEnds['asked'];
  readonly found: Search<Route>;
  /** What those that were found were asked for as. */
  readonly way: Way;
  readonly steps: Route['steps'];
  readonly chosen: number;
  readonly onHold: (index: number, place: { readonly string: number; readonly fret: number } | null) => void;
}

/** The chosen note, the fingers that could hold them all, and the ways there that were found. */
function RouteSide({ body, asked, found, way, steps, chosen, onHold }: SideProps) {
  const onAsk = useAsk();
  const { instrument, hand } = body;
  const held = { instrument, school: body.school ?? defaultSchool(body.layout), hand };
  return (
    <>
      {steps[chosen] && (
        <NotePanel
          {...held}
          scale={body.scale}
          steps={steps}
          index={chosen}
          asked={asked}
          onHold={(place) => onHold(chosen, place)}
          onFinger={(finger) => onAsk((now) => pinFinger(now, chosen, finger))}
        />
      )}
      {steps.length > 0 && <CellChoices {...held} places={steps} onChoose={(fingers) => onAsk((now) => pinFingers(now, fingers))} />}
      {found.found.length > 0 && (
        <WaysThere
          way={way}
          routes={found.found}
          choice={Math.min(asked.choice, found.found.length - 1)}
          onChoice={(choice) => onAsk((now) => changeAsked(now, { choice }))}
        />
      )}
    </>
  );
}
