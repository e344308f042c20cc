import { CoreError, midiOf, parseTuning, TICKS, TUNINGS, type Instrument, type Join, type PitchedNote, type PitchName } from '../../core';
import { refuseFile } from '../errors';
import { FILE_LIMIT, leftOut, MOST_FILE_NOTES, type FileLine } from '../line';
import { lengthOf } from './rhythm';
import { systemsOf, type TabSystem } from './systems';

/** A fret as it stands in a tab. */
interface Event {
  column: number;
  string: number;
  fret: number;
  join: Join | null;
  bend: number;
}

interface Left {
  chords: number;
  dead: number;
  vibrato: number;
  frets: number;
}

/** Frets beyond this are misread digits: "1215" is 12 15, "5757" is 5 7 5 7. */
const HIGHEST = 36;
const LENGTH_WORD = /^(?:=\d{1,5}|[WHQESTX](?:\.{0,2}3?)(?:\+[WHQESTX](?:\.{0,2}3?))*)r?$/i;

/**
 * Reads plain-text tab, forgivingly: tunings at the left or none, several systems, bars, two-digit frets, h p / \ s b,
 * tied notes in brackets, PM over a note, any text round it. Where a row of length letters stands over a system it is
 * followed; otherwise a bar is shared out by its columns. `near` is the instrument whose strings are meant where the tab
 * does not name them. Throws FormatError with the line: no tab, strings of unequal number, bars that do not line up.
 */
export function readTab(text: string, near: Instrument): FileLine {
  if (text.length > FILE_LIMIT) refuseFile('this text is larger than 20 MB.');
  const { systems, stray, head } = systemsOf(text);
  if (!systems.length) return refuseFile('no tab in this text: a tab has a line for every string, such as E|--2--4--5--|.');
  const open = openOf(systems, head.tuning, near);
  const midis = open.map((o) => midiOf(o));
  const meter = head.meter ?? [4, 4];
  const left: Left = { chords: 0, dead: 0, vibrato: 0, frets: 0 };
  const notes = systems.flatMap((s) => notesOf(s, midis, meter, left));
  if (!notes.some((n) => n.midi !== null)) refuseFile('this tab has no notes in it.', systems[0].line);
  if (notes.length > MOST_FILE_NOTES) refuseFile(`this tab has ${notes.length} notes; at most ${MOST_FILE_NOTES} are read.`);
  return {
    name: head.title ?? '',
    open,
    capo: head.capo ?? 0,
    tempo: head.tempo ?? null,
    meter,
    notes: joined(notes),
    remarks: remarksOf(systems, notes, left, stray),
  };
}

function remarksOf(systems: TabSystem[], notes: PitchedNote[], left: Left, stray: number): string[] {
  const taken = notes.filter((n) => n.midi !== null).length;
  const timed = systems.every((s) => s.lengths);
  return [
    `${taken} notes from ${systems.length} ${systems.length === 1 ? 'row' : 'rows'} of tab.`,
    ...(timed ? [] : ['No lengths stand over the tab: they were taken from how far apart the notes stand.']),
    ...leftOut(left.chords, 'note', 'notes', 'struck together with a higher one; a lick is one line'),
    ...leftOut(left.dead, 'dead note (x)', 'dead notes (x)', 'it has no pitch'),
    ...leftOut(left.vibrato, 'vibrato (~)', 'vibratos (~)', 'a lick does not carry it'),
    ...leftOut(left.frets, 'number', 'numbers', 'no fret is that high'),
    ...leftOut(stray, 'line of other text', 'lines of other text', 'it is no tab'),
  ];
}

const sameLetters = (a: string[], b: string[]): boolean =>
  a.length === b.length && a.every((x, k) => x.toUpperCase() === b[k].toUpperCase());

/** The tuning written in the head, else the letters at the left as a known tuning or from the lowest up, else the near instrument's. */
function openOf(systems: TabSystem[], tuning: string | undefined, near: Instrument): PitchName[] {
  const count = systems[0].strings.length;
  const written = tuning ? tuningOf(tuning) : null;
  if (written?.length === count) return written;
  const names = systems[0].names;
  const own = near.strings.map((s) => s.open);
  if (!names) {
    if (own.length === count) return own;
    const usual = TUNINGS.find((t) => t.low.split(' ').length === count);
    return usual ? usual.low.split(' ').reverse() : refuseFile(`${count} strings without names at the left: write their notes, such as E|---.`, systems[0].line); // prettier-ignore
  }
  const letters = (open: string[]): string[] => open.map((o) => o.replace(/-?\d$/, ''));
  if (names.every((n) => /\d$/.test(n))) return tuningOf([...names].reverse().join(' ')) ?? own;
  if (sameLetters(letters(own), names)) return own;
  const known = TUNINGS.map((t) => t.low.split(' ').reverse()).find((t) => sameLetters(letters(t), names));
  return known ?? tuningOf([...names].reverse().join(' ')) ?? refuseFile('the names at the left are no notes.', systems[0].line);
}

function tuningOf(text: string): PitchName[] | null {
  try {
    return parseTuning(text);
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

const SIGNS: Record<string, Join> = { h: 'hammer', H: 'hammer', p: 'pull', P: 'pull', '/': 'slide', '\\': 'slide', s: 'slide', S: 'slide' };

/** Frets of one string, with what joins them to the fret before. */
function eventsOn(line: string, string: number, left: Left): Event[] {
  const events: Event[] = [];
  const pattern = /(\(?)(\d{1,2})(\)?)(?:b(\d{1,2})?)?|[hHpPsS/\\]|[xX]|~+/g;
  let join: Join | null = null;
  for (const m of line.matchAll(pattern)) {
    const [word, bracket, digits, , target] = m;
    if (digits === undefined) {
      if (SIGNS[word]) join = SIGNS[word];
      else if (word.toLowerCase() === 'x') left.dead++;
      else left.vibrato++;
      continue;
    }
    const column = m.index + bracket.length;
    const split = Number(digits) > HIGHEST && !bracket;
    const frets = split ? [...digits].map(Number) : [Number(digits)];
    frets.forEach((fret, k) => {
      if (fret > HIGHEST) return void left.frets++;
      const bend = word.includes('b') && k === frets.length - 1 ? bendOf(fret, target) : 0;
      const tied: Join | null = bracket ? 'tie' : null; // let go later where nothing of this pitch came before
      events.push({ column: column + k, string, fret, join: tied ?? (k === 0 ? join : null), bend });
    });
    join = null;
  }
  return events;
}

/** "7b9" is a bend to the pitch of fret 9, "7b" a whole step. */
const bendOf = (fret: number, target: string | undefined): number => Math.min(5, Math.max(0, target ? Number(target) - fret : 2));

type Timed = PitchedNote & { column: number };

function notesOf(s: TabSystem, midis: number[], meter: [number, number], left: Left): PitchedNote[] {
  const events = s.strings.flatMap((line, k) => eventsOn(line, k + 1, left)).sort((a, b) => a.column - b.column || midis[b.string - 1] + b.fret - (midis[a.string - 1] + a.fret)); // prettier-ignore
  const line = events.filter((e, k) => k === 0 || e.column !== events[k - 1].column);
  left.chords += events.length - line.length;
  const muted = (column: number): boolean => s.mutes.some((m) => column >= m.from && column < m.to);
  const notes = line.map((e): Timed => ({
    column: e.column,
    midi: midis[e.string - 1] + e.fret,
    place: { string: e.string, fret: e.fret },
    ticks: 0,
    ...(e.join ? { join: e.join } : {}),
    ...(e.bend ? { bend: e.bend } : {}),
    ...(muted(e.column) ? { muted: true } : {}),
  }));
  const timed = s.lengths ? byLetters(notes, s) : byColumns(notes, s, meter);
  return timed.map((n) => { const note: PitchedNote & { column?: number } = { ...n }; delete note.column; return note; }); // prettier-ignore
}

/** Lengths from the letters over the system: each belongs to the note it stands over, or is a rest. */
function byLetters(notes: Timed[], s: TabSystem): Timed[] {
  const words = [...(s.lengths ?? '').matchAll(/\S+/g)].map((m) => ({ at: m.index, word: m[0] }));
  const out: Timed[] = [];
  let k = 0;
  words.forEach(({ at, word }, n) => {
    if (!LENGTH_WORD.test(word)) return;
    const ticks = lengthOf(word.replace(/r$/i, '')) ?? TICKS;
    const end = words[n + 1]?.at ?? Infinity;
    if (/r$/i.test(word) || !(notes[k] && notes[k].column < end)) return void out.push({ column: at, midi: null, ticks });
    out.push({ ...notes[k++], ticks });
  });
  const last = out[out.length - 1]?.ticks ?? TICKS;
  return [...out, ...notes.slice(k).map((n) => ({ ...n, ticks: last }))];
}

/** Grid that lengths guessed from columns fall on: sixteenths. */
const GRID = TICKS / 4;

/** Each bar's time is shared out as its columns are: a note lasts until the next one, the last until the barline. */
function byColumns(notes: Timed[], s: TabSystem, meter: [number, number]): Timed[] {
  const whole = (meter[0] * TICKS * 4) / meter[1];
  return s.bars.flatMap(({ from, to }) => {
    const inside = notes.filter((n) => n.column >= from && n.column < to);
    if (!inside.length) return [];
    const gaps = inside.map((n, k) => (inside[k + 1]?.column ?? to) - n.column);
    const unit = Math.min(...gaps.slice(0, -1), gaps.length === 1 ? gaps[0] : Infinity);
    const steps = gaps.map((g) => Math.max(1, Math.round(g / unit)));
    steps[steps.length - 1] = lastSteps(steps);
    const sum = steps.reduce((a, b) => a + b, 0);
    const each = Math.max(GRID, Math.round(whole / sum / GRID) * GRID);
    return inside.map((n, k) => ({ ...n, ticks: Math.min(TICKS * 8, steps[k] * each) }));
  });
}

/** The room before a barline is layout as much as time: the last note is taken as long as the shortest. */
const lastSteps = (steps: number[]): number => Math.max(1, Math.min(...steps));

/** What cannot be joined across rows and rests is struck. */
function joined(notes: PitchedNote[]): PitchedNote[] {
  return notes.map((n, k) => {
    const before = notes[k - 1]?.place;
    const fits = n.join && n.place && before && before.string === n.place.string && (n.join === 'tie') === (before.fret === n.place.fret);
    if (!n.join || fits) return n;
    const plain = { ...n };
    delete plain.join;
    return plain;
  });
}
