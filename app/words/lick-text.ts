import {
  fretNumber,
  fretSign,
  toneInChord,
  struckNotes,
  barTicks,
  lickTicks,
  midiOf,
  noteValue,
  spellerIn,
  startsOf,
  TICKS,
  writtenParts,
  type FingeredStep,
  type Instrument,
  type Join,
  type LickCopy,
  type LickNote,
  type LineFault,
  type ScaleRef,
} from '../../core';
import { lengthSign } from '../../formats/sheet/tab';
import type { TabColumn } from '../tab/layout';
import { FINGER_WORDS, placeWords } from './route-text';
import { counted } from './count-text';
import { scaleName } from './scale-text';

/** "dotted eighth", "triplet quarter", "quarter and 16th". */
export const lengthWords = (ticks: number): string =>
  writtenParts(ticks)
    .map((v) => `${v.dots === 2 ? 'double-dotted ' : v.dots ? 'dotted ' : v.triplet ? 'triplet ' : ''}${v.type}`)
    .join(' and ') || `${ticks} ticks`;

/** The columns of a lick's tab. */
export function lickColumns(
  i: Instrument,
  notes: readonly LickNote[],
  steps: readonly (FingeredStep | null)[],
  meter: [number, number],
): TabColumn[] {
  const perBar = barTicks(meter);
  const starts = startsOf(notes);
  let hand: number | null = null;
  return notes.map((n, k) => {
    const step = steps[k];
    const shift = step && hand !== null ? step.handFret - hand : 0;
    if (step) hand = step.handFret;
    return {
      string: n.place?.string ?? 0,
      fret: n.place?.fret ?? 0,
      finger: n.join === 'tap' ? 'T' : step ? String(step.finger) : '',
      shift,
      length: lengthSign(n.ticks, !n.place),
      triplet: !!noteValue(n.ticks)?.triplet,
      bar: k > 0 && Math.floor(starts[k]! / perBar) > Math.floor(starts[k - 1]! / perBar),
      ...(n.place ? { sign: fretSign(n, notes[k - 1], (f) => fretNumber(i, f)) } : {}),
      ...(n.stroke ? { stroke: n.stroke } : {}),
      ...(n.muted ? { muted: true } : {}),
    };
  });
}

const JOIN_WORDS: Record<Join, string> = { tie: 'tied on', hammer: 'hammered on', pull: 'pulled off', slide: 'slid to', tap: 'tapped' };

/** One note for those who hear the tab. */
export function lickNoteWords(
  i: Instrument,
  scale: ScaleRef,
  n: LickNote,
  index: number,
  step: FingeredStep | null,
  chord: string | null = null,
): string {
  const length = lengthWords(n.ticks);
  if (!n.place) return `${index + 1}, rest, ${length}`;
  const midi = midiOf(i.strings[n.place.string - 1]!.open) + n.place.fret;
  const spell = spellerIn(scale);
  const more = [
    n.join ? JOIN_WORDS[n.join] : '',
    n.bend ? `bent to ${spell(midi + n.bend)}${n.release ? ' and let go' : ''}` : '',
    n.stroke ? `${n.stroke}stroke` : '',
    n.muted ? 'palm muted' : '',
    step?.finger ? `${FINGER_WORDS[step.finger]} finger` : '',
    chord === null ? '' : overChord(chord, midi),
  ].filter(Boolean);
  return [`${index + 1}, ${spell(midi)}`, placeWords(n.place), length, ...more].join(', ');
}

/** What a note is over a chord. */
const overChord = (chord: string, midi: number): string => {
  const degree = toneInChord(chord, midi);
  return degree === null ? `no tone of ${chord}` : `${degree} of ${chord}`;
};

/** "2 bars of 4/4, 5.0 s at 96". */
export function lickLength(notes: readonly LickNote[], meter: [number, number], tempo: number): string {
  const ticks = lickTicks(notes);
  const bars = ticks / barTicks(meter);
  const whole = Math.ceil(bars - 1e-9);
  return `${counted(struckNotes(notes).length, 'note')}, ${counted(whole, 'bar')} of ${meter.join('/')}, ${((ticks / TICKS) * (60 / tempo)).toFixed(1)} s at ${tempo}`;
}

const FAULT_WORDS: Record<LineFault['problem'], string> = {
  'off-scale': 'is not in the scale',
  'off-neck': 'lies beyond the neck',
  'too-wide': 'is a reach that no hand makes from the note before',
  'too-fast': 'is a leap for which the note before leaves no time',
  'same-finger': 'is slurred from the finger that is to play it: a hammer-on or pull-off takes two',
  'not-an-octave': 'just misses an octave',
};

/** "Note 3, G, is not in the scale: probably string 6, fret 4. C# is the 6 of E: E Dorian." */
export function faultWords(f: LineFault, index: number, tonic: string): string {
  const likely = f.suggestion ? `: probably ${placeWords(f.suggestion)}` : '';
  const scales = f.scales?.map(scaleName).join(', ');
  const meant = f.degree ? ` ${f.note} is the ${f.degree} of ${tonic}${scales ? `: ${scales}` : ''}.` : '';
  return `Note ${index + 1}, ${f.note}, ${FAULT_WORDS[f.problem]}${likely}.${meant}`;
}

export const octaveWords = (octave: number): string =>
  octave === 0 ? 'at pitch' : `${Math.abs(octave) === 1 ? 'an octave' : `${Math.abs(octave)} octaves`} ${octave > 0 ? 'up' : 'down'}`;

const TONES = ['warm', 'rather warm', 'even', 'rather bright', 'bright'];
export const toneWords = (tone: number): string => TONES[Math.max(0, Math.min(4, Math.floor(tone * 5)))]!;

export const regionWords = (c: LickCopy, border: number): string =>
  c.region === 'across' ? `across fret ${border}` : `${c.region} fret ${border}`;
