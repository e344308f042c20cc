import type { PassCharts } from '../../../contract';
import { minuteBars, mondayOf, streakOf, tempoPoints } from './charts';

const day = (d: string, top: number | null = 80, seconds = 600): PassCharts['days'][number] => ({
  day: d,
  top,
  goal: 96,
  passes: 3,
  seconds,
});

it('weeks begin on Monday', () => {
  expect(['2026-11-23', '2026-11-29', '2026-11-30'].map(mondayOf)).toEqual(['2026-11-23', '2026-11-23', '2026-11-30']);
  expect(mondayOf('1969-12-31')).toBe('1969-12-29'); // a Wednesday
});
it('minutes by day and by week, empty ones too, over the change to winter time', () => {
  const days = [day('2026-10-24'), day('2026-10-25', 80, 1200), day('2026-10-26')];
  expect(minuteBars(days, '2026-10-26', 'day', 4).map((b) => b.minutes)).toEqual([0, 10, 20, 10]);
  expect(minuteBars(days, '2026-10-26', 'week', 2)).toEqual([{ day: '2026-10-19', minutes: 30 }, { day: '2026-10-26', minutes: 10 }]); // prettier-ignore
});
it('the tempo of days with a clean pass, thinned by the higher of neighbours', () => {
  expect(tempoPoints([day('2026-11-01', 70), day('2026-11-02', null), day('2026-11-03', 90)]).map((p) => p.tempo)).toEqual([70, 90]);
  expect(tempoPoints([day('2026-11-01', 70), day('2026-11-02', 90), day('2026-11-03', 80)], 2).map((p) => p.tempo)).toEqual([90, 80]);
});
it('a streak counts weeks, and a week that has only begun breaks none', () => {
  const days = ['2026-11-04', '2026-11-12', '2026-11-20'].map((d) => day(d));
  expect(streakOf(days, '2026-11-22')).toEqual({ days: 3, weeks: 3 });
  expect(streakOf(days, '2026-11-24')).toEqual({ days: 3, weeks: 3 });
  expect(streakOf(days, '2026-12-08')).toEqual({ days: 2, weeks: 0 });
  expect(streakOf([], '2026-11-22')).toEqual({ days: 0, weeks: 0 });
});
