import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useState } from 'react';
import type { PassCharts } from '../../../contract';
import { Chart, Grid, HEIGHT, PAD, shortDay, Text } from '../../ui/Chart';
import { Segmented } from '../../ui/Segmented';
import { Signs } from '../../letters/Signs';
import { LOG } from '../../words/views/log';
import { dayNumber, minuteBars, tempoPoints } from './charts';

/** The days of a log; none while they are being read. */
interface OfDays {
  readonly days: PassCharts['days'] | undefined;
}

/** The highest clean tempo of each day, with the goal. */
export function TempoChart({ days, of }: OfDays & { readonly of: string }) {
  const points = tempoPoints(days ?? []);
  const goal = days?.reduce((g, d) => d.goal ?? g, 0) ?? 0;
  const [first, last] = [points.at(0), points.at(-1)];
  const span = first && last && `${LOG.dayValue(shortDay(first.day), first.tempo)}; ${LOG.dayValue(shortDay(last.day), last.tempo)}`;
  const said = days && (span ?? LOG.tempoNone);
  return (
    <Chart title={of ? LOG.tempoOf(of) : LOG.tempoChart} about={LOG.tempoAbout} said={said}>
      {(width) => {
        if (!first || !last) return <Text x={width / 2} y={HEIGHT / 2}>{LOG.tempoNone}</Text>; // prettier-ignore
        const tempos = [...points.map((p) => p.tempo), ...(goal ? [goal] : [])];
        const [low, high] = [Math.min(...tempos), Math.max(...tempos)];
        const y = scaleLinear([low - 6, high + 6], [HEIGHT - PAD.bottom, PAD.top]).nice(4);
        const from = dayNumber(first.day);
        const x = scaleLinear([from, Math.max(from + 1, dayNumber(last.day))], [PAD.left + 6, width - PAD.right - 6]);
        const path = line<(typeof points)[number]>((p) => x(dayNumber(p.day)), (p) => y(p.tempo))(points); // prettier-ignore
        return (
          <>
            <Grid values={y.ticks(4)} y={y} width={width} />
            {goal > 0 && <line x1={PAD.left} x2={width - PAD.right} y1={y(goal)} y2={y(goal)} stroke="var(--feather)" strokeWidth={2} strokeDasharray="6 4" />}
            <path d={path ?? ''} fill="none" stroke="var(--color-brass)" strokeWidth={2.5} />
            {points.length < 60 && points.map((p) => <circle key={p.day} cx={x(dayNumber(p.day))} cy={y(p.tempo)} r={4} fill="var(--color-brass)" stroke="var(--sheet)" />)}
            <Text x={PAD.left} y={HEIGHT - 6} anchor="start">{shortDay(first.day)}</Text>
            {last.day !== first.day && <Text x={width - PAD.right} y={HEIGHT - 6} anchor="end">{shortDay(last.day)}</Text>}
          </>
        ); // prettier-ignore
      }}
    </Chart>
  );
}

const BARS = { day: 28, week: 26 };

/** Minutes by day or by week. */
export function MinutesChart({ days, today }: OfDays & { readonly today: string }) {
  const [by, setBy] = useState<'day' | 'week'>('day');
  const bars = minuteBars(days ?? [], today, by, BARS[by]);
  const most = Math.max(1, ...bars.map((b) => b.minutes));
  const filled = bars.filter((b) => b.minutes > 0).map((b) => LOG.dayValue(shortDay(b.day), LOG.minutesOf(Math.round(b.minutes))));
  const said = days && (filled.join('; ') || LOG.minutesNone);
  const tools = (
    <Segmented<'day' | 'week'>
      label={LOG.minutesChart}
      value={by}
      options={[
        { value: 'day', label: LOG.byDay },
        { value: 'week', label: LOG.byWeek },
      ]}
      onChange={setBy}
    />
  );
  return (
    <Chart title={LOG.minutesChart} about="" said={said} tools={tools}>
      {(width) => {
        const y = scaleLinear([0, most], [HEIGHT - PAD.bottom, PAD.top]).nice(3);
        const room = (width - PAD.left - PAD.right) / bars.length;
        return (
          <>
            <Grid values={y.ticks(3)} y={y} width={width} />
            {bars.map((b, k) => (
              <rect
                key={b.day}
                x={PAD.left + k * room + room * 0.15}
                y={y(b.minutes)}
                width={room * 0.7}
                height={Math.max(0, HEIGHT - PAD.bottom - y(b.minutes))}
                rx={1.5}
                fill="var(--color-brass)"
              />
            ))}
            <Text x={PAD.left} y={HEIGHT - 6} anchor="start">{shortDay(bars[0]!.day)}</Text>
            <Text x={width - PAD.right} y={HEIGHT - 6} anchor="end">{shortDay(bars[bars.length - 1]!.day)}</Text>
          </>
        ); // prettier-ignore
      }}
    </Chart>
  );
}

export interface RungTempo {
  readonly label: string;
  readonly top: number | null;
  readonly held: number | null;
}

/** The ladder of rungs, each with the tempo it holds. */
export function RungChart({ rungs }: { readonly rungs: RungTempo[] }) {
  const most = Math.max(1, ...rungs.map((r) => r.top ?? 0));
  return (
    <section className="min-w-0 rounded-[10px] border border-line bg-sheet p-4">
      <h2 className="text-[0.875rem] font-semibold">{LOG.ladderChart}</h2>
      <p className="mb-2 text-xs text-soft">{LOG.ladderAbout}</p>
      <ol className="flex flex-col gap-1">
        {rungs.map((r) => (
          <li key={r.label} className="grid grid-cols-[minmax(5rem,9rem)_minmax(0,1fr)_3rem] items-center gap-2">
            <span className="truncate">
              <Signs>{r.label}</Signs>
            </span>
            <svg width="100%" height={16} aria-hidden preserveAspectRatio="none" viewBox="0 0 100 16">
              <line x1={0} x2={100} y1={8} y2={8} stroke="var(--line)" strokeWidth={2} />
              {r.top !== null && (
                <rect
                  x={0}
                  y={3}
                  width={(r.top / most) * 100}
                  height={10}
                  fill={r.held ? 'var(--color-brass)' : 'none'}
                  stroke="var(--color-brass)"
                  strokeWidth={1.5}
                  vectorEffect="non-scaling-stroke"
                />
              )}
            </svg>
            <span className="num text-right">
              {r.top ?? '–'}
              {r.held !== null && <span className="sr-only">, {LOG.held}</span>}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
