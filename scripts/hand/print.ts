import { fingerNotes, keysOf, SCHOOLS, type FingeredStep, type FingeringSchool, type Instrument, type Join, type Place } from '../../core';
import { COST_ROWS } from '../../core/fingering/schools';
import { GRIP, GRIP_ROWS } from '../../core/harmony/grips/costs';
import { ROUTE_ROWS } from '../../core/route/costs';
import { LINES } from './lines';

const instrument = (low: string[], scaleLengthMm: number): Instrument => ({
  name: 'table',
  strings: [...low].reverse().map((open) => ({ open })),
  frets: 24,
  scaleLengthMm,
});
const GUITAR = instrument(['E2', 'A2', 'D3', 'G3', 'B3', 'E4'], 648);
const BASS = instrument(['E1', 'A1', 'D2', 'G2'], 864);
const JOINS: Record<string, Join> = { h: 'hammer', p: 'pull', s: 'slide' };
const NAMES: Record<FingeringSchool, string> = {
  'finger-per-fret': 'finger per fret',
  stretch: 'stretch',
  'first-and-third': 'index and ring',
  'no-little-finger': 'no little finger',
};

/** A line as it is written in lines.ts, taken apart. */
export function lineOf(notes: string): { places: Place[]; joins: (Join | null)[]; bends: (number | null)[] } {
  const places: Place[] = [];
  const joins: (Join | null)[] = [];
  const bends: (number | null)[] = [];
  let join: Join | null = null;
  for (const word of notes.split(' ')) {
    if (word in JOINS) join = JOINS[word]!;
    else {
      const [, string, fret, bend] = /^(\d+)\/(\d+)(?:b(\d))?$/.exec(word) ?? [];
      places.push({ string: Number(string), fret: Number(fret) });
      joins.push(join);
      bends.push(bend ? Number(bend) : null);
      join = null;
    }
  }
  return { places, joins, bends };
}

/** "1 3 ^1 ~1r": fingers, ^ where the hand moves before the note, ~ where it slides, r where the finger reaches. */
const told = (steps: FingeredStep[]): string =>
  steps.map((s) => `${s.move === 'shift' ? '^' : s.move === 'slide' ? '~' : ''}${s.finger}${s.move === 'stretch' ? 'r' : ''}`).join(' '); // prettier-ignore

/** The page docs/fingerings.md: every line with its fingers in every school. */
export function fingeringsPage(): string {
  const schools = keysOf(SCHOOLS);
  const rows = LINES.map(({ of, name, notes, bass }, k) => {
    const { places, joins, bends } = lineOf(notes);
    const answers = schools.map((school) => told(fingerNotes(bass ? BASS : GUITAR, places, { school, joins, bends })));
    return [k + 1, of, name, notes, ...answers].join(' | ');
  });
  return [
    '# Fingerings of a hundred lines',
    '',
    'Printed by `npm run hand`, so that a change of the model shows as a difference. Medium hand; guitar of 648 mm in standard tuning, bass of 864 mm. Notes are string/fret, h p s between notes join them, b2 bends. Fingers: 0 open, 1 index to 4 little; `^` the hand moves, `~` the finger slides, `r` it reaches out of its place.',
    '',
    `| no | of | line | notes | ${schools.map((s) => NAMES[s]).join(' | ')} |`,
    `| --- | --- | --- | --- | ${schools.map(() => '---').join(' | ')} |`,
    ...rows.map((row) => `| ${row} |`),
    '',
  ].join('\n');
}

/** The tables of costs for docs/hand.md, between its marks. */
export function costTables(): string {
  const schools = keysOf(SCHOOLS);
  const value = (v: number | readonly number[]): string => (typeof v === 'number' ? String(v) : v.slice(1).join(' '));
  const hand = keysOf(COST_ROWS).map((key) => {
    const { says, unit, range, source } = COST_ROWS[key];
    const all = schools.map((s) => value(SCHOOLS[s][key]));
    const shown = new Set(all).size === 1 ? all[0] : all.join(' / ');
    return `| ${key} | ${says} | ${shown} | ${unit} | ${range} | ${source} |`;
  });
  const route = Object.entries(ROUTE_ROWS).map(
    ([key, { says, value: v, unit, range, source }]) => `| ${key} | ${says} | ${v} | ${unit} | ${range} | ${source} |`,
  );
  const grip = keysOf(GRIP_ROWS).map((key) => {
    const { says, unit, range, source } = GRIP_ROWS[key];
    return `| ${key} | ${says} | ${value(GRIP[key])} | ${unit} | ${range} | ${source} |`;
  });
  const head = ['| cost | what is paid for | value | unit | range | source |', '| --- | --- | --- | --- | --- | --- |'];
  return [
    `Values that differ by school stand in the order ${schools.map((s) => NAMES[s]).join(' / ')}; lists are by finger, 1 to 4.`,
    '',
    ...head,
    ...hand,
    '',
    'Along a route, beside these:',
    '',
    ...head,
    ...route,
    '',
    'For a grip, all strings at once:',
    '',
    ...head,
    ...grip,
  ].join('\n');
}
