import { Play, Square } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState, useLayoutEffect } from 'react';
import type { DrillForm, KeptProgression, StudyBody } from '../../../contract';
import { drillSeconds, glyphs, TICKS, type Climb, type Rating, type ScaleRef, type Shape, type Standing } from '../../../core';
import { say } from '../../shell/say';
import type { DrillHeard } from '../../sound/drill-score';
import { toggleListening } from '../../sound/listen/ear-held';
import { useAppSelector } from '../../store';
import { selectProgression } from '../../store/progressions';
import type { DrillResult, Drilled } from '../../store/practice/drilled';
import { aboutOf } from '../../store/practice/pass';
import { askWarmUp } from '../../store/practice/wish';
import { practisePrefs } from '../../store/practice/practise-prefs';
import { Button } from '../../ui/Button';
import { useToggle } from '../../ui/useToggle';
import { drillFacts, LONG_PASS } from '../../words/drill-said';
import { drillName, timeWords, whatWords } from '../../words/drill-text';
import { LISTEN } from '../../words/views/listen';
import { PRACTISE } from '../../words/views/practise';
import { HearProblem } from '../HearTools';
import { EarPart } from '../listen/EarPart';
import { EarProblem } from '../listen/EarStatus';
import { useRoomSounds } from '../listen/useRoomSounds';
import { StudyFooter } from '../StudyFooter';
import { DrillFiles, useDrillLick } from './DrillFiles';
import { DrillNeck, useDrillMarks } from './DrillNeck';
import { HeardCard } from './HeardCard';
import { RateBar } from './RateBar';
import { DrillsPart } from './DrillsPart';
import { LadderCard } from './LadderCard';
import { OutboxNote } from './OutboxNote';
import { PractiseNav } from './PractiseNav';
import { PractiseSentence } from './PractiseSentence';
import { RunningLine } from './RunningLine';
import { SayCard } from './SayCard';
import { CountInChip, SayPart, SoundsPart } from './SoundsPart';
import { TodayCard } from './TodayCard';
import { backingFor, underOf } from './under';
import { usePractiseCommands } from './usePractiseCommands';
import { useJudge } from './useJudge';
import { useRun } from './useRun';
import { useStanding } from './useStanding';
import { useWarmUp } from './useWarmUp';

interface Props {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly current: number;
  readonly form: DrillForm;
  readonly climb: Climb;
  readonly made: DrillResult;
}

const NOTHING: DrillHeard = { sounds: [], ticks: [], loud: [], slurred: [], beats: 0, returns: [], under: [], backing: [] };
const NO_STARTS: number[] = [];

const heardOf = (d: Drilled, scale: ScaleRef, progression: KeptProgression | null): DrillHeard => ({
  sounds: d.notes,
  ticks: d.line.ticks,
  loud: d.line.loud,
  slurred: d.line.joins.map((j) => j === 'hammer' || j === 'pull' || j === 'slide'),
  beats: d.line.beats,
  returns: d.form.under === 'none' ? [] : d.returns,
  under: underOf(d, scale),
  backing: d.form.under === 'backing' && progression ? backingFor(progression, d.line.beats) : [],
});

/** What is drilled: its sound, its name, and the lick that it can become. */
function useDrilled({ body, shapes, current, form, climb, made }: Props) {
  const drill = 'drill' in made ? made.drill : null;
  const id = useAppSelector((s) => s.editor.id);
  const progression = useAppSelector(selectProgression);
  const { scale } = body;
  const what = whatWords(form, body, shapes[current] ?? null, shapes.length);
  const heard = useMemo(() => (drill ? heardOf(drill, scale, progression) : NOTHING), [drill, scale, progression]);
  const starts = useMemo(() => drill?.starts.map((t) => t / TICKS) ?? NO_STARTS, [drill]);
  const about = useMemo(
    () =>
      drill
        ? aboutOf(id, body, drill, what, climb.goal)
        : { study: null, studyName: '-', shape: '-', what: '-', order: form.order, rhythm: form.rhythm, goal: null },
    [id, body, drill, what, climb.goal, form.order, form.rhythm],
  );
  return { drill, id, what, heard, starts, about, name: drillName(form, what) };
}

/** Where the player stands on the ladder, or warms up below it; a tempo that is chosen begins there afresh. */
function useLadder(id: string | null, key: string | null, form: DrillForm, climb: Climb) {
  const [standing, setStanding] = useStanding(id, key, form, climb);
  const warm = useWarmUp(id, key, climb);
  const onTempo = useCallback(
    (next: number) => {
      askWarmUp(null);
      setStanding({ tempo: next, clean: 0, misses: 0 });
    },
    [setStanding],
  );
  return { at: warm ?? standing, setStanding, onTempo, warm: warm !== null };
}

/** The drill that runs, rated by the player and by what is heard of it, and the keys for it. */
function usePlaying(props: Props) {
  const { body, form, climb } = props;
  const drilled = useDrilled(props);
  const { drill, id, heard, starts, about, name } = drilled;
  const prefs = practisePrefs.use();
  const ladder = useLadder(id, drill?.key ?? null, form, climb);
  const { at, setStanding, onTempo, warm } = ladder;
  const dry = prefs.dry || warm;
  const [half, setHalf] = useState(false);
  const lick = useDrillLick({ body, drill, tempo: at.tempo, name });
  const rateHeardRef = useRef<(pass: number, rating: Rating) => void>(() => undefined);
  const judging = useJudge(drill, heard, starts, (pass, rating) => rateHeardRef.current(pass, rating));
  const [sounds, onlyClick] = useRoomSounds(prefs.sounds);
  const { countIn } = prefs;
  const run = useRun({
    heard,
    starts,
    climb,
    standing: at,
    onStanding: setStanding,
    about,
    sounds,
    countIn,
    dry,
    half,
    along: judging.along,
  });
  useLayoutEffect(() => {
    rateHeardRef.current = run.judge;
  });
  const [standingUp, stand] = useToggle();
  const long = drill !== null && drillSeconds(drill.line, at.tempo) > LONG_PASS;
  const canStart = drill !== null && !long;
  usePractiseCommands({
    run,
    canStart,
    climb,
    standing: at,
    onTempo,
    half: () => setHalf((h) => !h),
    stand,
    lick: lick.make,
    listen: toggleListening,
  });
  useTold(run.moved, at, run.run?.held ?? false);
  return { ...drilled, ...ladder, dry, half, setHalf, judging, onlyClick, run, standingUp, stand, long, canStart };
}

type Playing = ReturnType<typeof usePlaying>;

/** A drill that is played: what it is, the neck, the line, the ladder and what was heard of it. */
export function DrillPlayer(props: Props) {
  const { body, shapes, current, form, climb, made } = props;
  const playing = usePlaying(props);
  const { drill, what, name, at, onTempo, warm, dry, half, judging, onlyClick, run, long } = playing;
  const marks = useDrillMarks(body, drill);
  const problem = 'problem' in made ? made.problem : long && drill ? PRACTISE.longPass(timeWords(drillSeconds(drill.line, at.tempo))) : null; // prettier-ignore
  return (
    <div className="view-column">
      <PractiseSentence body={body} shapes={shapes} current={current} form={form} what={what} tempo={at.tempo} onTempo={onTempo} />
      <p className="num mt-1 min-h-5 text-[0.84375rem] text-soft">{drill && glyphs(drillFacts(drill, at.tempo))}</p>
      <DrillTools body={body} form={form} climb={climb} playing={playing} />
      <HearProblem hear={run} />
      <EarProblem />
      {onlyClick && <p className="mb-2 text-soft">{LISTEN.onlyClick}</p>}
      {problem && (
        <p role="alert" className="mb-2 text-clay">
          {glyphs(problem)}
        </p>
      )}
      <OutboxNote />
      {drill && <DrillNeck drill={drill} now={run.now} on={run.on} what={what} marks={marks} spots={judging.spots} />}
      {drill && <LineAndSay drill={drill} body={body} playing={playing} />}
      {drill && <HeardCard body={body} drill={drill} what={what} judging={judging} />}
      <div className="after-tools mt-3 grid grid-cols-1 items-start gap-3 lg:grid-cols-[minmax(0,1.9fr)_minmax(0,1fr)]">
        <LadderCard climb={climb} standing={at} run={run} warm={warm} dry={dry} half={half} onTempo={onTempo} />
        <TodayCard body={body} shapes={shapes} />
      </div>
      <RateBar run={run} dry={dry} />
      <DrillFiles body={body} drill={drill} tempo={at.tempo} name={name} marks={marks} />
      <StudyFooter hint={PRACTISE.hint} />
    </div>
  );
}

function DrillTools({ body, form, climb, playing }: Pick<Props, 'body' | 'form' | 'climb'> & { readonly playing: Playing }) {
  const { name, half, setHalf, run, canStart } = playing;
  const Icon = run.on ? Square : Play;
  return (
    <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
      <PractiseNav page="drill" />
      <DrillsPart body={body} form={form} climb={climb} name={name} />
      <SoundsPart half={half} onHalf={setHalf} />
      <SayPart form={form} />
      <CountInChip />
      <EarPart />
      <span className="grow" />
      <span className="num min-w-16 text-right text-[1.125rem]">
        {run.counting ? PRACTISE.countingIn : run.run && run.run.pass > 0 ? PRACTISE.pass(run.run.pass) : ''}
      </span>
      <Button
        look="brass"
        disabled={!canStart && !run.on}
        className="min-h-9 text-[0.9375rem]"
        icon={<Icon size={14} fill="currentColor" aria-hidden />}
        onClick={run.on ? run.stop : run.start}
      >
        {run.on ? PRACTISE.stop : PRACTISE.start}
      </Button>
    </div>
  );
}

function LineAndSay({ drill, body, playing }: Pick<Props, 'body'> & { readonly drill: Drilled; readonly playing: Playing }) {
  const { run, what, standingUp, stand, at, half } = playing;
  return (
    <div className="after-neck mt-3 grid grid-cols-1 items-stretch gap-3 sm:grid-cols-[minmax(0,1fr)_13rem] lg:grid-cols-[minmax(0,1fr)_15rem]">
      <RunningLine drill={drill} now={run.now} title={what} standing={standingUp} onStand={stand} />
      <SayCard drill={drill} scale={body.scale} now={run.now} counting={run.counting} tempo={at.tempo * (half ? 0.5 : 1)} />
    </div>
  );
}

/** What the ladder did is said, for those who do not look. */
function useTold(moved: -1 | 0 | 1, standing: Standing, held: boolean): void {
  const before = useRef(standing.tempo);
  useEffect(() => {
    if (moved && before.current !== standing.tempo) say(moved > 0 ? PRACTISE.climbed(standing.tempo) : PRACTISE.fell(standing.tempo));
    before.current = standing.tempo;
  }, [moved, standing.tempo]);
  useEffect(() => {
    if (held) say(PRACTISE.goalHeld);
  }, [held]);
}
