import { useCallback, useMemo, useState } from 'react';
import type { KeptRoute, StudyBody } from '../../../contract';
import { glyphs, neckNotes } from '../../../core';
import { LineNeck } from '../../neck/LineNeck';
import { useCommands } from '../../shell/keys';
import { eighths, soundsOf } from '../../sound/heard';
import { useHear } from '../../sound/useHear';
import { useAppDispatch } from '../../store';
import { solveAgain } from '../../store/connection';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Signs } from '../../ui/Signs';
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

/** A kept route as it was kept: nothing of it is worked out again, whatever became of the study. */
export function KeptRouteBench({ body, kept }: { readonly body: StudyBody; readonly kept: KeptRoute }) {
  const { steps, strokes, on } = kept;
  const dispatch = useAppDispatch();
  const [chosen, setChosen] = useState(-1);
  const [staff, setStaff] = useState(kept.asked.staff);
  const [standing, setStanding] = useState(false);
  const stand = useCallback(() => setStanding((s) => !s), []);
  const notes = useMemo(() => neckNotes(on.instrument, on.scale), [on]);
  const sounds = useMemo(() => soundsOf(on.instrument, steps), [steps, on]);
  const hear = useHear();
  const { on: hearing, start, stop } = hear;
  const toggleHear = useCallback(() => (hearing ? stop() : start(eighths(sounds), body.tempo)), [hearing, start, stop, sounds, body.tempo]);
  const count = steps.length;
  useCommands('connect', KEPT_COMMANDS, {
    next: () => setChosen((k) => Math.min(count - 1, k + 1)),
    before: () => setChosen((k) => Math.max(0, k - 1)),
    hear: toggleHear,
    stand,
    again: () => dispatch(edited(solveAgain(kept))),
    back: () => dispatch(edited({ route: null })),
  });
  const line = { name: kept.name, steps, strokes, instrument: on.instrument, scale: on.scale };
  const changed = keptSettingWords(kept, body);
  const lost = keptOnWords(kept, body.instrument);
  return (
    <>
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
        {CONNECT.keptRoute} <b className="font-semibold text-feather"><Signs>{isolated(kept.name)}</Signs></b>{CONNECT.asItWasKept}
      </h1>
      <p className="num mt-0.5 mb-3 text-[0.8125rem] text-soft">
        <Signs>{changed}</Signs>
      </p>
      {lost && (
        <p role="note" className="mb-2 text-clay">
          <Signs>{lost}</Signs>
        </p>
      )}
      <div className="no-print my-3 flex flex-wrap items-center gap-2">
        <Button look="link" onClick={() => dispatch(edited(solveAgain(kept)))}>
          {CONNECT.solveAgain}
        </Button>
        <Button onClick={() => dispatch(edited({ route: null }))}>{CONNECT.backToWhatIsAsked}</Button>
        <MakeLick line={line} />
        <PractiseIt asked={{ of: 'route', line: kept.id, order: 'up' }} />
        <LineFiles what="route" body={body} line={lineOfRoute(line, body.tempo)} />
        <button type="button" className="chip text-[0.78125rem]" aria-pressed={staff} onClick={() => setStaff(!staff)}>
          {CONNECT.staff}
        </button>
        <span className="grow" />
        <Tempo tempo={body.tempo} onTempo={(tempo) => dispatch(edited({ tempo }))} />
        <HearButton on={hearing} disabled={!sounds.length} onHear={toggleHear} />
      </div>
      <HearProblem hear={hear} />
      <LineNeck
        instrument={on.instrument}
        notes={notes}
        steps={steps}
        title={glyphs(CONNECT.neckWithTheKeptRoute(counted(steps.length, 'note')))}
        chosen={chosen}
        sounding={hear.now}
        onChoose={setChosen}
      />
      <div className="mt-3 grid min-w-0 grid-cols-1 gap-3">
        <RouteTab
          title={kept.name}
          standing={standing}
          onStand={stand}
          instrument={on.instrument}
          scale={on.scale}
          steps={steps}
          strokes={strokes}
          staff={staff}
          chosen={chosen}
          sounding={hear.now}
          onChoose={setChosen}
        />
        <KeptRoutes routes={body.routes} open={kept.id} />
      </div>
      <StudyFooter hint={CONNECT.noteSpaceHearSSolve} />
    </>
  ); // prettier-ignore
}
