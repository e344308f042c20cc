import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useMemo, useState } from 'react';
import type { Round, StudyBody } from '../../../contract';
import { placeKey } from '../../../core';
import { fretX, stringY, type NeckGeometry } from '../../neck/geometry';
import { Neck } from '../../neck/Neck';
import { NeckScroll } from '../../neck/NeckScroll';
import { useNeckGeometry } from '../../neck/useNeckGeometry';
import { kindStands, quizDays, spotStands, type SpotStand } from '../../store/practice/quiz';
import { Chart, Grid, HEIGHT, PAD, shortDay, Text } from '../../ui/Chart';
import { Panel } from '../../ui/Panels';
import { Segmented } from '../../ui/Segmented';
import { QUIZ_WORDS, secondsWords } from '../../words/quiz-text';
import { QUIZ } from '../../words/views/quiz';

/** What is known: on the neck, day by day, and by kind of question. */
export function QuizStands({ body, rounds }: { readonly body: StudyBody; readonly rounds: readonly Round[] }) {
  const answers = useMemo(() => rounds.flatMap((r) => r.answers), [rounds]);
  const kinds = useMemo(() => kindStands(answers), [answers]);
  return (
    <>
      <QuizMap body={body} rounds={rounds} />
      <div className="mt-3 grid grid-cols-1 items-start gap-3 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
        <DayChart rounds={rounds} />
        <Panel title={QUIZ.byKind}>
          {kinds.length === 0 ? (
            <p className="text-soft">{QUIZ.mapEmpty}</p>
          ) : (
            <table className="num w-full text-left">
              <thead className="text-soft">
                <tr>
                  <th className="font-normal">{QUIZ.kind}</th>
                  <th className="text-right font-normal">{QUIZ.asked}</th>
                  <th className="text-right font-normal">{QUIZ.rightHead}</th>
                  <th className="text-right font-normal">{QUIZ.median}</th>
                </tr>
              </thead>
              <tbody>
                {kinds.map((k) => (
                  <tr key={k.kind} className="border-t border-line">
                    <td className="py-0.5">{QUIZ_WORDS[k.kind]}</td>
                    <td className="text-right">{k.asked}</td>
                    <td className="text-right">{`${Math.round((100 * k.right) / k.asked)} %`}</td>
                    <td className="text-right">{secondsWords(k.ms)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </Panel>
      </div>
    </>
  );
}

type Shows = 'share' | 'time';
const SHOWS = (['share', 'time'] as const).map((value) => ({ value, label: QUIZ[value] }));
const GAPS = { wide: 32, close: 28 };
/** An answer that takes so long, in ms, is as dark as can be. */
const SLOW = 10_000;

/** Every place that was asked about, with how it was answered: the darker the less sure, the number for those who do not see it. */
function QuizMap({ body, rounds }: { readonly body: StudyBody; readonly rounds: readonly Round[] }) {
  const { instrument } = body;
  const [shows, setShows] = useState<Shows>('share');
  const neck = useNeckGeometry(instrument, GAPS);
  const stands = useMemo(() => spotStands(instrument, rounds.flatMap((r) => r.answers)), [instrument, rounds]); // prettier-ignore
  return (
    <section className="rounded-[10px] border border-line bg-sheet p-3" data-quiz-map={stands.length}>
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <h2 className="text-[0.875rem] font-semibold">{QUIZ.map}</h2>
        <span className="grow text-xs text-soft max-sm:basis-full">{stands.length ? QUIZ.mapAbout : QUIZ.mapEmpty}</span>
        <Segmented<Shows> label={QUIZ.shows} value={shows} options={SHOWS} onChange={setShows} />
      </div>
      <NeckScroll neck={neck} instrument={instrument} label={QUIZ.map}>
        <Neck g={neck.g} instrument={instrument} marks={[]} title={QUIZ.mapSaid(stands.length)}>
          {stands.map((s) => (
            <Spot key={placeKey(s)} g={neck.g} stand={s} shows={shows} />
          ))}
        </Neck>
      </NeckScroll>
    </section>
  );
}

function Spot({ g, stand, shows }: { readonly g: NeckGeometry; readonly stand: SpotStand; readonly shows: Shows }) {
  const share = stand.right / stand.asked;
  const sure = shows === 'share' ? share : 1 - Math.min(1, stand.ms / SLOW);
  const [x, y] = [fretX(g, stand.fret), stringY(g, stand.string)];
  const [w, h] = [30 * g.scale, 24 * g.scale];
  const light = sure < 0.5;
  return (
    <g data-spot={placeKey(stand)}>
      <rect x={x - w / 2} y={y - h / 2} width={w} height={h} rx={5} fill="#f3ead6" stroke="#f3ead6" />
      <rect x={x - w / 2} y={y - h / 2} width={w} height={h} rx={5} fill="#7a2c17" opacity={(1 - sure) * 0.92} />
      <text
        textAnchor="middle"
        transform={`translate(${x} ${y + 4.5 * g.scale})`}
        fontSize={13 * g.scale}
        fontWeight={600}
        fill={light ? '#ffffff' : '#16181d'}
      >
        {shows === 'share' ? Math.round(100 * share) : (stand.ms / 1000).toFixed(1)}
      </text>
    </g>
  );
}

/** The share that was right, and how long answers took, day by day. */
function DayChart({ rounds }: { readonly rounds: readonly Round[] }) {
  const days = useMemo(() => quizDays(rounds).slice(-30), [rounds]);
  const said = days.map((d) => `${shortDay(d.day)}: ${Math.round(100 * d.share)} %, ${secondsWords(d.ms)}`).join('; ') || QUIZ.mapEmpty;
  return (
    <Chart title={QUIZ.overTime} about={QUIZ.overTimeAbout} said={said}>
      {(width) => {
        if (!days.length) return <Text x={width / 2} y={HEIGHT / 2}>{QUIZ.mapEmpty}</Text>; // prettier-ignore
        const y = scaleLinear([0, 100], [HEIGHT - PAD.bottom, PAD.top]);
        const x = scaleLinear([-0.5, Math.max(0.5, days.length - 0.5)], [PAD.left + 4, width - PAD.right]);
        const slow = scaleLinear([0, Math.max(SLOW, ...days.map((d) => d.ms))], [0, HEIGHT - PAD.bottom - PAD.top]);
        const path = line<(typeof days)[number]>((_, k) => x(k), (d) => y(100 * d.share))(days); // prettier-ignore
        const bar = Math.min(26, (x(1) - x(0)) * 0.6);
        return (
          <>
            <Grid values={[0, 50, 100]} y={y} width={width} />
            {days.map((d, k) => (
              <rect key={d.day} x={x(k) - bar / 2} width={bar} y={HEIGHT - PAD.bottom - slow(d.ms)} height={slow(d.ms)} fill="var(--line)" stroke="var(--soft)" strokeWidth={0.5} />
            ))}
            <path d={path ?? ''} fill="none" stroke="var(--feather)" strokeWidth={2.5} />
            {days.map((d, k) => (
              <circle key={d.day} cx={x(k)} cy={y(100 * d.share)} r={4} fill="var(--feather)" stroke="var(--sheet)" />
            ))}
            <Text x={PAD.left} y={HEIGHT - 6} anchor="start">{shortDay(days[0]!.day)}</Text>
            {days.length > 1 && <Text x={width - PAD.right} y={HEIGHT - 6} anchor="end">{shortDay(days[days.length - 1]!.day)}</Text>}
          </>
        ); // prettier-ignore
      }}
    </Chart>
  );
}
