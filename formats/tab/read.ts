import { CoreError, midiOf, parseTuning, TUNINGS, type Instrument, type Join, type PitchedNote, type PitchName } from '../../core';
import { refuseFile } from '../errors';
import { CHORD_NOTE, Left, leftOut, type LeftKind } from '../left';
import { checkLasts, FILE_LIMIT, inPieces, MOST_FILE_NOTES, type FileLine } from '../line';
import { spacingOf, timed, type Spacing, type Taken, type Timed } from './lengths';
import { systemsOf, type TabSystem } from './systems';

/** A fret as it stands in a tab. */
interface Event {
  readonly column: number;
  readonly string: number;
  readonly fret: number;
  readonly join: Join | null;
  readonly bend: number;
  readonly release: boolean;
}

/** What a lick does not carry, and what cannot be meant. */
const LEFT = {
  dead: { one: 'dead note (x)', many: 'dead notes (x)', why: 'it has no pitch' },
  vibrato: { one: 'vibrato (~)', many: 'vibratos (~)', why: 'a lick does not carry it' },
  fret: { one: 'number', many: 'numbers', why: 'no fret is that high' },
  release: { one: 'release (r)', many: 'releases (r)', why: 'no bend that it could let go' },
  wide: { one: 'part of a bend', many: 'parts of bends', why: 'a bend is at most five half steps; it is read as that' },
  harmonic: {
    one: 'harmonic (< >)',
    many: 'harmonics (< >)',
    why: 'a lick holds stopped and open notes; <12> is read as fret 12, which sounds the same',
  },
  join: {
    one: 'slide, hammer-on or pull-off',
    many: 'slides, hammer-ons or pull-offs',
    why: 'no note on that string that it could come from or go to',
  },
  repeat: { one: 'repeat sign (: *)', many: 'repeat signs (: *)', why: 'write x2 after the row to have it played twice' },
  lone: { one: 'sign', many: 'signs', why: 'it stands by itself' },
} satisfies Record<string, LeftKind>;
const STRAY: LeftKind = { one: 'line of other text', many: 'lines of other text', why: 'it is no tab' };

/** Frets beyond this are misread digits: "1215" is 12 15, "5757" is 5 7 5 7. */
const HIGHEST = 36;

/**
 * Reads plain-text tab, forgivingly: tunings at the left or none, several systems, bars, two-digit frets, h p / \\ s t b ^,
 * tied notes in brackets, PM over a note, x2 after a row, any text round it; dashes and bars may be drawn. Where a row of
 * length letters stands over a system it is followed; otherwise every note is an eighth, unless the columns are plainly in
 * proportion or `spacing` says how. `near` is the instrument whose strings are meant where the tab does not name them, or
 * names some of them. Nothing is left out without being named. Throws FormatError with the line: no tab, strings of unequal
 * number, bars that do not line up.
 */
export function readTab(text: string, near: Instrument, o: { readonly spacing?: Spacing } = {}): FileLine {
  if (text.length > FILE_LIMIT) refuseFile('this text is larger than 20 MB.');
  const { systems, stray, head } = systemsOf(text);
  if (!systems.length) return refuseFile('no tab in this text: a tab has a line for every string, such as E|--2--4--5--|.');
  const open = openOf(systems, head.tuning, near);
  const meter = head.meter ?? [4, 4];
  const left = new Left('line');
  const spacing = spacingOf(systems, o.spacing ?? 'auto', (s) => lineOf(s, open, new Left('line')).map((e) => e.column), meter);
  const notes = systems.flatMap((s) => {
    const once = notesOf(s, open, meter, spacing, left);
    return Array.from({ length: s.times }, () => once).flat();
  });
  if (!notes.some((n) => n.midi !== null)) refuseFile('this tab has no notes in it.', systems[0]!.line);
  if (notes.length > MOST_FILE_NOTES) refuseFile(`this tab has ${notes.length} notes; at most ${MOST_FILE_NOTES} are read.`);
  checkLasts(notes.reduce((sum, n) => sum + n.ticks, 0));
  const kept = joined(notes);
  kept.forEach((n, k) => {
    const { join } = notes[k]!;
    if (join && join !== 'tie' && !n.join) left.leave(LEFT.join, lineAt(systems, k, notes));
  });
  return {
    name: head.title ?? '',
    open,
    capo: head.capo ?? 0,
    tempo: head.tempo ?? null,
    meter,
    changes: [],
    notes: kept.map(plainNote),
    voices: [{ id: 'tab', name: 'tab', midis: kept.flatMap((n) => (n.midi === null || n.join === 'tie' ? [] : [n.midi])) }],
    voice: 'tab',
    remarks: remarksOf(systems, kept, left, stray, spacing, near, open),
  };
}

/** A note without where it stood. */
function plainNote(n: Timed): PitchedNote {
  const note: Partial<Timed> & PitchedNote = { ...n };
  delete note.column;
  delete note.line;
  return note;
}

const SPACED_WORDS: Record<Taken, string> = {
  eighths: 'every note was taken as an eighth',
  triplets: 'every note was taken as a triplet eighth',
  spaced: 'they were taken from how far apart the notes stand',
};

function remarksOf(
  systems: TabSystem[],
  notes: PitchedNote[],
  left: Left,
  stray: number,
  spacing: Taken,
  near: Instrument,
  open: PitchName[],
): string[] {
  const taken = notes.filter((n) => n.midi !== null).length;
  const hasLengths = systems.every((s) => s.lengths);
  const unnamed = !systems[0]!.names && open.length !== near.strings.length;
  return [
    `${taken} notes from ${systems.length} ${systems.length === 1 ? 'row' : 'rows'} of tab.`,
    ...systems.filter((s) => s.times > 1).map((s) => `The row in line ${s.line} is played ${s.times} times (x${s.times}).`),
    ...(unnamed ? [`Its ${open.length} lines have no names: they were taken as ${[...open].reverse().join(' ')}.`] : []),
    ...(hasLengths ? [] : [`No lengths stand over the tab: ${SPACED_WORDS[spacing]}.`]),
    ...left.words(),
    ...leftOut(stray, STRAY),
  ];
}

const sameLetters = (a: string[], b: string[]): boolean =>
  a.length === b.length && a.every((x, k) => x.toUpperCase() === b[k]!.toUpperCase());

/** The tuning written in the head, else the letters at the left as a known tuning or from the lowest up, else the near instrument's. */
function openOf(systems: TabSystem[], tuning: string | undefined, near: Instrument): PitchName[] {
  const most = systems.reduce((a, b) => (b.strings.length > a.strings.length ? b : a));
  const count = most.strings.length;
  const written = tuning ? tuningOf(tuning) : null;
  if (written?.length === count) return written;
  const { names } = most;
  const own = near.strings.map((s) => s.open);
  if (!names) {
    if (own.length === count) return own;
    const usual = TUNINGS.find((t) => t.low.split(' ').length === count);
    return usual ? usual.low.split(' ').reverse() : refuseFile(`${count} strings without names at the left: write their notes, such as E|---.`, most.line); // prettier-ignore
  }
  const letters = (open: string[]): string[] => open.map((o) => o.replace(/-?\d$/, ''));
  if (names.every((n) => /\d$/.test(n))) return tuningOf([...names].reverse().join(' ')) ?? own;
  if (sameLetters(letters(own), names)) return own;
  const known = TUNINGS.map((t) => t.low.split(' ').reverse()).find((t) => sameLetters(letters(t), names));
  return (
    known ??
    (stringsNamed(own, names) ? own : null) ??
    tuningOf([...names].reverse().join(' ')) ??
    refuseFile('the names at the left are no notes.', most.line)
  );
}

/** Which strings of an instrument some names at the left are, thinnest first, in order; null where they are not all there. */
function stringsNamed(open: readonly PitchName[], names: readonly string[]): number[] | null {
  const strings: number[] = [];
  for (const name of names) {
    const from = strings.length ? strings[strings.length - 1] : 0;
    const at = open.findIndex((o, k) => k >= from! && o.replace(/-?\d$/, '').toUpperCase() === name.replace(/-?\d$/, '').toUpperCase());
    if (at < 0) return null;
    strings.push(at + 1);
  }
  return strings;
}

function tuningOf(text: string): PitchName[] | null {
  try {
    return parseTuning(text);
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

const SIGNS: Record<string, Join> = { h: 'hammer', p: 'pull', '/': 'slide', '\\': 'slide', s: 'slide', t: 'tap' };
/** A fret with what is written onto it, or a sign between frets. */
const WORD = /(<)(\d{1,2})>|(\(?)(\d{1,2})\)?(?:([b^])(\d{1,2})?)?((?:r(?:\d{1,2})?)?)|[hpst/\\]|x|[~v]+|[:*]|[r^b<>()]/gi;
const OCTAVE_FRET = 12;

/** Frets of one string, with what joins them to the fret before. */
function eventsOn(row: string, string: number, line: number, left: Left): Event[] {
  const events: Event[] = [];
  let join: Join | null = null;
  for (const m of row.matchAll(WORD)) {
    const [word, angle, harmonic, bracket = '', digits, bent, target, release] = m;
    if (angle) {
      left.leave(LEFT.harmonic, line);
      if (Number(harmonic) === OCTAVE_FRET)
        events.push({ column: m.index + 1, string, fret: OCTAVE_FRET, join: null, bend: 0, release: false });
      join = null;
      continue;
    }
    if (digits === undefined) {
      const sign = word.toLowerCase();
      if (SIGNS[sign]) join = sign === 't' || join !== 'tap' ? SIGNS[sign] : join;
      else
        left.leave(
          sign === 'x'
            ? LEFT.dead
            : /[~v]/.test(sign)
              ? LEFT.vibrato
              : /[:*]/.test(sign)
                ? LEFT.repeat
                : sign === 'r'
                  ? LEFT.release
                  : LEFT.lone,
          line,
        );
      continue;
    }
    if (release && !bent) left.leave(LEFT.release, line);
    const column = m.index + bracket.length;
    const split = Number(digits) > HIGHEST && !bracket;
    const frets = split ? [...digits].map(Number) : [Number(digits)];
    frets.forEach((fret, k) => {
      if (fret > HIGHEST) return left.leave(LEFT.fret, line);
      const wanted = bent && k === frets.length - 1 ? bendOf(fret, target) : 0;
      const bend = Math.min(MOST_BEND, wanted);
      if (wanted > MOST_BEND) left.leave(LEFT.wide, line);
      const tied: Join | null = bracket ? 'tie' : null; // let go later where nothing of this pitch came before
      events.push({ column: column + k, string, fret, join: tied ?? (k === 0 ? join : null), bend, release: bend > 0 && !!release });
    });
    join = null;
  }
  if (join) left.leave(LEFT.join, line); // a slide to nowhere
  return events;
}

/** "7b9" is a bend to the pitch of fret 9, "7b" a whole step. */
const bendOf = (fret: number, target: string | undefined): number => Math.max(0, target ? Number(target) - fret : 2);
const MOST_BEND = 5;

/** Every fret of a row, the higher one where two stand over each other. */
function lineOf(s: TabSystem, open: PitchName[], left: Left): Event[] {
  const midis = open.map((p) => midiOf(p));
  const strings = s.names && s.strings.length < open.length ? (stringsNamed(open, s.names) ?? []) : s.strings.map((_, k) => k + 1);
  const sound = (e: Event): number => midis[e.string - 1]! + e.fret;
  const events = s.strings.flatMap((row, k) => eventsOn(row, strings[k] ?? k + 1, s.line + k, left));
  events.sort((a, b) => a.column - b.column || sound(b) - sound(a));
  return events.filter((e, k) => {
    const first = k === 0 || e.column !== events[k - 1]!.column;
    if (!first) left.leave(CHORD_NOTE, s.line + strings.indexOf(e.string));
    return first;
  });
}

function notesOf(s: TabSystem, open: PitchName[], meter: [number, number], spacing: Taken, left: Left): Timed[] {
  const midis = open.map((p) => midiOf(p));
  let mute = 0;
  const muted = (column: number): boolean => {
    while (mute < s.mutes.length && s.mutes[mute]!.to <= column) mute++; // both ascend
    return mute < s.mutes.length && column >= s.mutes[mute]!.from;
  };
  const notes = lineOf(s, open, left).map((e): Timed => ({
    column: e.column,
    line: s.line,
    midi: midis[e.string - 1]! + e.fret,
    place: { string: e.string, fret: e.fret },
    ticks: 0,
    ...(e.join ? { join: e.join } : {}),
    ...(e.bend ? { bend: e.bend } : {}),
    ...(e.release ? { release: true } : {}),
    ...strokeAt(s, e),
    ...(muted(e.column) ? { muted: true } : {}),
  }));
  return timed(notes, s, meter, spacing).flatMap(inPieces);
}

/** The stroke over a fret, or over the sign before it. */
function strokeAt(s: TabSystem, { column, join }: Event): Pick<PitchedNote, 'stroke'> {
  const stroke = s.strokes.get(column) ?? (join ? s.strokes.get(column - 1) : undefined);
  return stroke ? { stroke } : {};
}

/** The line of the row that the k-th note stands in. */
const lineAt = (systems: TabSystem[], k: number, notes: readonly Timed[]): number => notes[k]?.line ?? systems[0]!.line;

/** What cannot be joined across rows and rests is struck. */
function joined<N extends PitchedNote>(notes: N[]): N[] {
  return notes.map((n, k) => {
    if (n.join === 'tap') return n;
    const before = notes[k - 1]?.place;
    const fits = n.join && n.place && before && before.string === n.place.string && (n.join === 'tie') === (before.fret === n.place.fret);
    if (!n.join || fits) return n;
    const plain = { ...n };
    delete plain.join;
    return plain;
  });
}
