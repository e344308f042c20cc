import type { DrillForm, DrillWords, StudyBody, Verdict } from '../../contract';
import { countWord, glyphs, type DrillArticulation, type DrillOrder, type DrillRhythm, type Shape } from '../../core'; // prettier-ignore
import { counted } from './count-text';
import { scaleName } from './scale-text';

/** What an order is called in a list, and what it plays. */
export const ORDER_WORDS: Readonly<Record<DrillOrder, { readonly title: string; readonly plays: string }>> = Object.freeze({
  'from-root': { title: 'From the root', plays: 'up to the top, down to the bottom, and home' },
  'up-down': { title: 'Up and down', plays: 'from the lowest note to the highest and back' },
  'down-up': { title: 'Down and up', plays: 'from the highest note to the lowest and back' },
  up: { title: 'Up', plays: 'from the lowest note to the highest' },
  down: { title: 'Down', plays: 'from the highest note to the lowest' },
  'root-between': { title: 'Root between', plays: 'the root before every other note' },
  octaves: { title: 'Octave by octave', plays: 'from root to root, the upper one too' },
  groups: { title: 'Groups', plays: 'three to six notes, each group one note on' },
  intervals: { title: 'Intervals', plays: 'thirds to octaves, along the scale' },
  'chord-tones': { title: 'Chord tones', plays: '1 3 5, 2 4 6, 3 5 7 …' },
  random: { title: 'Jumping about', plays: 'never the same note twice in a row' },
});

const INTERVAL = ['', '', '', 'thirds', 'fourths', 'fifths', 'sixths', 'sevenths', 'octaves'];
const NTH = ['lowest', 'second', 'third', 'fourth', 'fifth', 'sixth'];

/** An order as the sentence says it. */
export function orderWords(f: DrillForm): string {
  const line = f.of === 'lick' && f.order === 'up' ? 'as it is written' : baseWords(f);
  const strings = f.strings.length ? `on ${f.strings.length === 1 ? 'string' : 'strings'} ${f.strings.join(', ')}` : '';
  const more = [strings, f.downOver ? 'down on the scale laid over' : '', f.endOnRoot ? 'ending on the root' : ''].filter(Boolean);
  return [line, ...more].join(', ');
}

function baseWords(f: DrillForm): string {
  const root = f.root === 'relative' ? 'relative root' : 'root';
  const twice = f.turn === 'twice';
  switch (f.order) {
    case 'up':
      return 'up';
    case 'down':
      return 'down';
    case 'up-down':
      return `up and down${twice ? ', the top twice' : ''}`;
    case 'down-up':
      return `down and up${twice ? ', the bottom twice' : ''}`;
    case 'from-root':
      if (f.everyRoot) return `from each ${root} in turn, up, down and home`;
      return `from the ${f.home ? `${NTH[f.home] ?? `${f.home + 1}th`} ${root}` : root}, up, down and home`;
    case 'root-between':
      return `with the ${root} between every two notes`;
    case 'octaves':
      return 'octave by octave';
    case 'groups':
      return `in groups of ${countWord(f.group)}`;
    case 'intervals':
      return `in ${INTERVAL[f.interval]}${f.back ? ', up and down' : ''}`;
    case 'chord-tones':
      return `chord by chord${f.scaleFirst ? ' after the scale' : ''}`;
    case 'random':
      return `jumping about, ${counted(f.count, 'note')}`;
  }
}

export const RHYTHM_WORDS: Readonly<Record<DrillRhythm, string>> = Object.freeze({
  quarters: 'quarters',
  eighths: 'eighths',
  triplets: 'triplets',
  sixteenths: 'sixteenths',
  swing: 'swing eighths',
});
export const ARTICULATION_WORDS: Readonly<Record<DrillArticulation, string>> = Object.freeze({
  alternate: 'alternate picking',
  economy: 'economy picking',
  hammered: 'hammered up, pulled down',
  slides: 'slides into the third of a group',
});
export const ACCENT_WORDS: Readonly<Record<DrillForm['accent'], string>> = Object.freeze({
  beat: 'on the beat',
  thirds: 'on every third note',
  fourths: 'on every fourth note',
  'off-beat': 'off the beat',
  none: 'none',
});
export const SAY_WORDS: Readonly<Record<DrillWords, string>> = Object.freeze({
  degrees: 'degrees',
  relative: 'degrees from the relative root',
  notes: 'note names',
  syllables: 'syllables',
  fingers: 'fingers',
  none: 'nothing',
});
export const UNDER_WORDS: Readonly<Record<DrillForm['under'], string>> = Object.freeze({
  none: 'nothing',
  drone: 'a drone',
  chord: 'a chord',
  backing: 'the backing of the progression',
});

/** What is played, as the sentence and the log say it. */
export function whatWords(f: DrillForm, body: StudyBody, shape: Shape | null, rungs: number): string {
  if (f.of === 'lick') return (body.licks.find((l) => l.id === f.line) ?? body.licks.at(0))?.name ?? 'a lick';
  if (f.of === 'route') return (body.routes.find((r) => r.id === f.line) ?? body.routes.at(0))?.name ?? 'a kept route';
  const scale = glyphs(scaleName(body.scale));
  return f.of === 'rungs'
    ? `${rungs === 1 ? 'the one rung' : `all ${rungs} rungs`} of ${scale}`
    : `${shape?.label ?? 'a shape'} of ${scale}`;
}

/** The whole drill in one line, for its name and the log. */
export const drillName = (f: DrillForm, what: string): string => `${what}, ${orderWords(f)}, ${RHYTHM_WORDS[f.rhythm]}`;

/** Seconds as a player reads them: "7.9 s", "2 min 5 s", "1 h 4 min". */
export function timeWords(seconds: number): string {
  if (seconds < 60) return `${seconds < 10 ? seconds.toFixed(1) : Math.round(seconds)} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 60) return `${minutes} min${Math.round(seconds % 60) ? ` ${Math.round(seconds % 60)} s` : ''}`;
  return `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${minutes % 60} min` : ''}`;
}

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = Object.freeze({
  clean: 'clean',
  miss: 'missed',
  unrated: 'not rated',
  dry: 'minutes only',
});
