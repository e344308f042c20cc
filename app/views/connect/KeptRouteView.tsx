import { useMemo, useState } from 'react';
import type { KeptRoute, StudyBody } from '../../../contract';
import { glyphs, neckNotes } from '../../../core';
import { LineNeck } from '../../neck/LineNeck';
import { useCommands } from '../../shell/keys';
import { eighths, soundsOf } from '../../sound/heard';
import { useHearLine } from '../../sound/useHearLine';
import { useAppDispatch } from '../../store';
import { solveAgain } from '../../store/connection';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { useToggle } from '../../ui/useToggle';
import { counted } from '../../words/count-text';
import { keptOnWords, keptSettingWords } from '../../words/kept-text';
import { LineFiles } from '../LineFiles';
import { PractiseIt } from '../PractiseIt';
import { HearButton, HearProblem, Tempo } from '../HearTools';
import { StudyFooter } from '../StudyFooter';
import { KEPT_COMMANDS } from './connect-commands';
import { KeptRoutes } from './KeptRoutes';
import { lineOfRoute } from '../../files/papers';
import { MakeLick } from './MakeLick';
import { RouteTab } from './RouteTab';
import { isolated } from '../../words/name-text';
import { CONNECT } from '../../words/views/connect';

interface Props {
  readonly body: StudyBody;
  readonly kept: KeptRoute;
}

/** A kept route as it was kept: nothing of it is worked out again, whatever became of the study. */
export function KeptRouteView({ body, kept }: Props) {
  const { steps, on } = kept;
  const dispatch = useAppDispatch();
  const [chosen, setChosen] = useState(-1);
  const [staff, setStaff] = useState(kept.asked.staff);
  const [standing, stand] = useToggle();
  const notes = useMemo(() => neckNotes(on.instrument, on.scale), [on]);
  const sounds = useMemo(() => eighths(soundsOf(on.instrument, steps)), [steps, on]);
  const { hear, toggle } = useHearLine(sounds, body.tempo);
  const count = steps.length;
  useCommands('connect', KEPT_COMMANDS, {
    next: () => setChosen((k) => Math.min(count - 1, k + 1)),
    before: () => setChosen((k) => Math.max(0, k - 1)),
    hear: toggle,
    stand,
    again: () => dispatch(edited(solveAgain(kept))),
    back: () => dispatch(edited({ route: null })),
  });
  const shown = { instrument: on.instrument, steps, chosen, sounding: hear.now, onChoose: setChosen };
  return (
    <>
      <KeptHead body={body} kept={kept} />
      <div className="no-print my-3 flex flex-wrap items-center gap-2">
        <KeptTools body={body} kept={kept} />
        <button type="button" className="chip text-[0.78125rem]" aria-pressed={staff} onClick={() => setStaff(!staff)}>
          {CONNECT.staff}
        </button>
        <span className="grow" />
        <Tempo tempo={body.tempo} onTempo={(tempo) => dispatch(edited({ tempo }))} />
        <HearButton on={hear.on} disabled={!sounds.length} onHear={toggle} />
      </div>
      <HearProblem hear={hear} />
      <LineNeck {...shown} notes={notes} title={glyphs(CONNECT.neckWithTheKeptRoute(counted(count, 'note')))} />
      <div className="mt-3 grid min-w-0 grid-cols-1 gap-3">
        <RouteTab {...shown} title={kept.name} standing={standing} onStand={stand} scale={on.scale} strokes={kept.strokes} staff={staff} />
        <KeptRoutes routes={body.routes} open={kept.id} />
      </div>
      <StudyFooter hint={CONNECT.noteSpaceHearSSolve} />
    </>
  );
}

/** Its name, what it was asked with, and what has changed on the instrument since. */
function KeptHead({ body, kept }: Props) {
  const lost = keptOnWords(kept, body.instrument);
  return (
    <>
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
        {CONNECT.keptRoute} <b className="font-semibold text-feather"><Signs>{isolated(kept.name)}</Signs></b>{CONNECT.asItWasKept}
      </h1>
      <p className="num mt-0.5 mb-3 text-[0.8125rem] text-soft">
        <Signs>{keptSettingWords(kept, body)}</Signs>
      </p>
      {lost && (
        <p role="note" className="mb-2 text-clay">
          <Signs>{lost}</Signs>
        </p>
      )}
    </>
  ); // prettier-ignore
}

function KeptTools({ body, kept }: Props) {
  const dispatch = useAppDispatch();
  const { name, steps, strokes, on } = kept;
  const line = { name, steps, strokes, instrument: on.instrument, scale: on.scale };
  return (
    <>
      <Button look="link" onClick={() => dispatch(edited(solveAgain(kept)))}>
        {CONNECT.solveAgain}
      </Button>
      <Button onClick={() => dispatch(edited({ route: null }))}>{CONNECT.backToWhatIsAsked}</Button>
      <MakeLick line={line} />
      <PractiseIt asked={{ of: 'route', line: kept.id, order: 'up' }} />
      <LineFiles what="route" body={body} line={lineOfRoute(line, body.tempo)} />
    </>
  );
}
