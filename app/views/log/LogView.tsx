import { useDeferredValue, useMemo, useState } from 'react';
import { VERDICTS, type PassCharts, type PassFilter, type PassPage } from '../../../contract';
import { DRILL_ORDERS } from '../../../core';
import { usePageTitle } from '../../shell/title';
import { now } from '../../store/practice/clock';
import { dayOf } from '../../../contract';
import { logFile, usePassChartsQuery, usePassesQuery } from '../../store/practice/log-api';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { ORDER_WORDS, timeWords, VERDICT_WORDS } from '../../words/drill-text';
import { LOG } from '../../words/views/log';
import { OutboxNote } from '../practise/OutboxNote';
import { PractiseNav } from '../practise/PractiseNav';
import { MinutesChart, RungChart, TempoChart, type RungTempo } from './Charts';
import { streakOf } from './charts';
import { PassTable } from './PassTable';

const PAGE = 50;
/** A loose leaf has no study; the filter calls it so. */
const LEAVES = '-';
const NO_SHAPES: PassCharts['shapes'] = [];

/** What of the log is looked at: a page of its passes, the charts of them, and the tempos of one drill. */
function useLog() {
  const [filter, setFilter] = useState<PassFilter>({});
  const [offset, setOffset] = useState(0);
  const page = usePassesQuery({ ...filter, offset, limit: PAGE });
  const charts = usePassChartsQuery(filter);
  // A line of one drill: of the filtered one, else of the one played last.
  const newest = page.data?.passes.at(0);
  const drill = filter.shape || !newest ? filter : { ...filter, study: newest.study ?? LEAVES, shape: newest.shape };
  const tempos = usePassChartsQuery(drill);
  const asked = [page, charts, tempos];
  const failed = asked.some((q) => q.isError);
  const again = (): void => asked.forEach((q) => void q.refetch());
  const look = (next: PassFilter): void => {
    setFilter(clean(next));
    setOffset(0);
  };
  // Drawn in parts that the browser may look up between.
  const { days, shapes = NO_SHAPES }: Partial<PassCharts> = useDeferredValue(charts.data) ?? {};
  const data = useDeferredValue(page.data);
  const tempo = useDeferredValue(tempos.data);
  return { filter, look, offset, setOffset, failed, again, page, data, days, shapes, drill, tempos: tempo?.days };
}

type Log = ReturnType<typeof useLog>;

/** What was practised, when, at which tempo: charts and the passes themselves. */
export function LogView() {
  const log = useLog();
  const { filter, look, failed, again, data } = log;
  usePageTitle('log', '');
  return (
    <div className="view-column">
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium sm:text-[1.5625rem]">{LOG.title}</h1>
      <div className="no-print my-3 flex flex-wrap items-center gap-3">
        <PractiseNav page="log" />
        <span className="grow" />
        {(['csv', 'json'] as const).map((format) => (
          <a
            key={format}
            href={logFile(format, filter)}
            download
            className="inline-flex min-h-8 items-center rounded-md border border-line bg-sheet px-3 text-[0.78125rem] hover:border-soft"
          >
            {LOG[format]}
          </a>
        ))}
      </div>
      <OutboxNote />
      {failed && (
        <p role="alert" className="mb-3 flex items-center gap-3 text-clay">
          {LOG.cannot} <Button onClick={again}>{LOG.again}</Button>
        </p>
      )}
      <Filters filter={filter} data={data} onFilter={(fields) => look({ ...filter, ...fields })} onClear={() => look({})} />
      {data && !data.total ? (
        <p className="py-8 text-center text-lg text-soft">{data.studies.length ? LOG.noneHere : LOG.none}</p>
      ) : (
        <Practised log={log} />
      )}
    </div>
  );
}

/** How much it was, in words and charts, and the passes. */
function Practised({ log: { page, days, shapes, drill, tempos, offset, setOffset } }: { readonly log: Log }) {
  const { data } = page;
  const rungs = useMemo(() => rungsOf(data, shapes), [data, shapes]);
  const today = dayOf(now());
  return (
    <>
      <p className="mb-2 min-h-[2lh] text-soft sm:min-h-[1lh]">{data && days && totalWords(data.total, days, today)}</p>
      <div className="grid grid-cols-1 gap-3 lg:grid-cols-2">
        <TempoChart days={tempos} of={data?.passes.find((p) => p.shape === drill.shape)?.what ?? ''} />
        <MinutesChart days={days} today={today} />
      </div>
      <div className="mt-3 grid grid-cols-1 items-start gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,2fr)]">
        <RungChart rungs={rungs} />
        <div className="min-w-0">
          {data && <PassTable passes={data.passes} />}
          {data && data.total > PAGE && <Pages total={data.total} offset={offset} onOffset={setOffset} />}
        </div>
      </div>
    </>
  );
}

function totalWords(passes: number, days: PassCharts['days'], today: string): string {
  const streak = streakOf(days, today);
  const seconds = days.reduce((sum, d) => sum + d.seconds, 0);
  return `${LOG.passes(passes)}, ${LOG.totalTime(timeWords(seconds))}. ${LOG.streak(streak.days, streak.weeks)}`;
}

interface PagesProps {
  readonly total: number;
  readonly offset: number;
  readonly onOffset: (offset: number) => void;
}

const Pages = ({ total, offset, onOffset }: PagesProps) => (
  <nav aria-label={LOG.pages} className="no-print mt-2 flex flex-wrap items-center gap-2">
    <Button disabled={offset === 0} onClick={() => onOffset(Math.max(0, offset - PAGE))}>
      {LOG.newer}
    </Button>
    <Button disabled={offset + PAGE >= total} onClick={() => onOffset(offset + PAGE)}>
      {LOG.older}
    </Button>
    <span className="num text-soft">{LOG.fromTo(offset + 1, Math.min(total, offset + PAGE), total)}</span>
  </nav>
);

const clean = (f: PassFilter): PassFilter => Object.fromEntries(Object.entries(f).filter(([, v]) => v !== '' && v !== undefined));

const ALL = { value: '', label: LOG.all };

function Filters({
  filter,
  data,
  onFilter,
  onClear,
}: {
  readonly filter: PassFilter;
  readonly data: PassPage | undefined;
  readonly onFilter: (f: PassFilter) => void;
  readonly onClear: () => void;
}) {
  const studies = (data?.studies ?? []).map((s) => ({ value: s.study ?? LEAVES, label: s.study === null ? LOG.looseLeaf : s.name }));
  const shapes = (data?.shapes ?? []).map((s) => ({ value: s.shape, label: s.what }));
  return (
    <div className="no-print mb-3 grid grid-cols-2 items-end gap-2 sm:grid-cols-3 lg:grid-cols-7">
      <Select
        label={LOG.study}
        value={filter.study ?? ''}
        options={[{ value: '', label: LOG.allStudies }, ...studies]}
        onChange={(study) => onFilter({ study, shape: '' })}
      />
      <Select label={LOG.shape} value={filter.shape ?? ''} options={[ALL, ...shapes]} onChange={(shape) => onFilter({ shape })} />
      <Select
        label={LOG.order}
        value={filter.order ?? ''}
        options={[ALL, ...DRILL_ORDERS.map((value) => ({ value, label: ORDER_WORDS[value].title }))]}
        onChange={(order) => onFilter({ order })}
      />
      <Select
        label={LOG.verdict}
        value={filter.verdict ?? ''}
        options={[ALL, ...VERDICTS.map((value) => ({ value, label: VERDICT_WORDS[value] }))]}
        onChange={(verdict) => onFilter({ verdict })}
      />
      <DateField label={LOG.from} value={filter.from ?? ''} onChange={(from) => onFilter({ from })} />
      <DateField label={LOG.to} value={filter.to ?? ''} onChange={(to) => onFilter({ to })} />
      <Button disabled={!Object.keys(filter).length} onClick={onClear}>
        {LOG.clear}
      </Button>
    </div>
  );
}

const DateField = ({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) => (
  <label className="flex min-w-0 flex-col gap-1 text-xs text-soft">
    {label}
    <input
      type="date"
      value={value}
      onChange={(e) => onChange(e.target.value)}
      className="w-full min-w-0 rounded-md border border-line bg-paper px-2 py-1.5 text-[0.84375rem] text-ink"
    />
  </label>
);

/** Shapes with what they hold, in the order of their numbers: of the filtered study with their names, else with the study's. */
function rungsOf(
  data: PassPage | undefined,
  shapes: readonly { readonly study: string | null; readonly shape: string; readonly top: number | null; readonly held: number | null }[],
): RungTempo[] {
  const names = new Map(data?.studies.map((s) => [s.study, s.study === null ? LOG.looseLeaf : s.name]));
  const whats = new Map(data?.shapes.map((s) => [s.shape, s.what]));
  const number = (shape: string): number => Number(shape.split('/')[1]) || 0;
  return [...shapes]
    .sort((a, b) => (names.get(a.study) ?? '').localeCompare(names.get(b.study) ?? '') || number(a.shape) - number(b.shape))
    .slice(0, 24)
    .map(({ shape, top, held }) => ({ label: whats.get(shape) ?? shape, top, held }))
    .map((r, k, all) => (all.findIndex((o) => o.label === r.label) === k ? r : { ...r, label: `${r.label} (${k + 1})` }));
}
