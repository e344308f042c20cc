import {
  barsOf,
  barTicks,
  fingerLick,
  midiOf,
  spellerIn,
  struckNotes,
  TICKS,
  type BarPiece,
  type FingeringSchool,
  type LickNote,
  type ScaleRef,
  type Stroke,
} from '../../core';
import type { LickOut } from '../line';
import { el, xml, type XmlNode } from './xml';

export interface MusicXmlLick extends LickOut {
  /** Spells the notes. */
  readonly scale: ScaleRef;
  readonly school: FingeringSchool;
  /** Of each note of the lick; rests and ties have none. */
  readonly strokes?: readonly (Stroke | null)[];
}

const DIVISIONS = TICKS;
interface Context {
  readonly lick: MusicXmlLick;
  readonly spell: (midi: number) => string;
  readonly fingers: (number | null)[];
}

/**
 * A lick as MusicXML 4.0 (only elements that 3.0 has too), one part with a notation staff, sounding an octave lower than
 * written, and a tab staff: rhythm, ties, triplets, string and fret, fingers, slides, hammer-ons and pull-offs, bends, pick
 * strokes, palm muting, tuning and capo: it raises the open strings, and frets are counted from it. After the W3C MusicXML 4.0 specification.
 */
export function writeMusicXml(lick: MusicXmlLick): string {
  const perBar = barTicks(lick.meter);
  const context: Context = { lick, spell: spellerIn(lick.scale), fingers: fingersOf(lick) };
  const bars = barsOf(lick.notes, perBar);
  const measures = (bars.length ? bars : [[]]).map((bar, k) => measure(context, bar, k, perBar));
  return xml([
    el('score-partwise', [
      el('work', [el('work-title', lick.name)]),
      el('identification', [el('encoding', [el('software', 'Crow Ladder')])]),
      el('part-list', [el('score-part', [el('part-name', lick.instrument.name)], { id: 'P1' })]),
      el('part', measures, { id: 'P1' }),
    ], { version: '4.0' }),
  ]); // prettier-ignore
}

function fingersOf({ instrument, notes, school }: MusicXmlLick): (number | null)[] {
  if (!struckNotes(notes).length) return notes.map(() => null);
  return fingerLick(instrument, notes, { school }).map((s) => (s ? s.finger : null));
}

function measure(c: Context, bar: BarPiece[], index: number, perBar: number): XmlNode {
  const filled = bar.reduce((sum, p) => sum + p.ticks, 0) || perBar;
  const empty = (staff: 1 | 2): XmlNode => el('note', [el('rest', [], { measure: 'yes' }), el('duration', perBar), el('voice', staff), el('staff', staff)]); // prettier-ignore
  const notes = (staff: 1 | 2): XmlNode[] => (bar.length ? bar.map((p) => note(c, p, staff)) : [empty(staff)]);
  return el(
    'measure',
    [
      ...(index === 0 ? [attributes(c.lick), tempoMark(c.lick.tempo)] : []),
      ...notes(1),
      el('backup', [el('duration', filled)]),
      ...notes(2),
    ],
    { number: index + 1 },
  );
}

const tempoMark = (tempo: number): XmlNode =>
  el('direction', [
    el('direction-type', [el('metronome', [el('beat-unit', 'quarter'), el('per-minute', tempo)])]),
    el('sound', [], { tempo }),
  ], { placement: 'above' }); // prettier-ignore

function attributes({ instrument, meter }: MusicXmlLick): XmlNode {
  const upward = [...instrument.strings].reverse();
  return el('attributes', [
    el('divisions', DIVISIONS),
    el('key', [el('fifths', 0)]),
    el('time', [el('beats', meter[0]), el('beat-type', meter[1])]),
    el('staves', 2),
    el('clef', [el('sign', 'G'), el('line', 2), el('clef-octave-change', -1)], { number: 1 }),
    el('clef', [el('sign', 'TAB'), el('line', Math.min(5, instrument.strings.length))], { number: 2 }),
    el('staff-details', [
      el('staff-lines', instrument.strings.length),
      ...upward.map((s, k) => {
        const { step, alter, octave } = pitchParts(s.open);
        return el('staff-tuning', [el('tuning-step', step), ...(alter ? [el('tuning-alter', alter)] : []), el('tuning-octave', octave)], { line: k + 1 }); // prettier-ignore
      }),
      ...(instrument.capo ? [el('capo', instrument.capo)] : []),
    ], { number: 2 }),
  ]); // prettier-ignore
}

function pitchParts(pitch: string): { readonly step: string; readonly alter: number; readonly octave: number } {
  const [, step, signs, octave] = /^([A-G])([#b]*)(-?\d+)$/.exec(pitch)!;
  return { step: step!, alter: signs!.startsWith('b') ? -signs!.length : signs!.length, octave: Number(octave) };
}

/** A sounding pitch; the notation staff's clef says that it sounds an octave lower than it is written, as `pitch` does not. */
function pitchNode(c: Context, midi: number): XmlNode {
  const { step, alter, octave } = pitchParts(c.spell(midi));
  return el('pitch', [el('step', step), ...(alter ? [el('alter', alter)] : []), el('octave', octave)]);
}

function note(c: Context, p: BarPiece, staff: 1 | 2): XmlNode {
  const { place } = c.lick.notes[p.index]!;
  const midi = place && midiOf(c.lick.instrument.strings[place.string - 1]!.open) + place.fret;
  return el('note', [
    midi === null ? el('rest') : pitchNode(c, midi),
    el('duration', p.ticks),
    ...(p.tiedFrom ? [el('tie', [], { type: 'stop' })] : []),
    ...(p.tiedTo ? [el('tie', [], { type: 'start' })] : []),
    el('voice', staff),
    el('type', p.type),
    ...Array.from({ length: p.dots }, () => el('dot')),
    ...(p.tuplet ? [el('time-modification', [el('actual-notes', p.tuplet.actual), el('normal-notes', p.tuplet.normal)])] : []),
    ...(staff === 2 ? [el('stem', 'none')] : []),
    el('staff', staff),
    ...notations(c, p, staff),
    ...(c.lick.notes[p.index]!.muted && place ? [el('play', [el('mute', 'palm')])] : []),
  ]);
}

function notations(c: Context, p: BarPiece, staff: 1 | 2): XmlNode[] {
  const n = c.lick.notes[p.index]!;
  const inner = [
    ...(p.tiedFrom ? [el('tied', [], { type: 'stop' })] : []),
    ...(p.tiedTo ? [el('tied', [], { type: 'start' })] : []),
    ...(p.tuplet?.first ? [el('tuplet', [], { type: 'start' })] : []),
    ...(p.tuplet?.last ? [el('tuplet', [], { type: 'stop' })] : []),
    ...(n.place ? slides(c, p) : []),
    ...(n.place && (staff === 2 || !p.tiedFrom) ? technical(c, p, staff) : []),
  ];
  return inner.length ? [el('notations', inner)] : [];
}

/** How the note after this piece is joined to it, if the piece is the last of its note. */
const nextJoin = (c: Context, p: BarPiece): LickNote['join'] => (p.tiedTo ? undefined : c.lick.notes[p.index + 1]?.join);

function slides(c: Context, p: BarPiece): XmlNode[] {
  const stop = c.lick.notes[p.index]!.join === 'slide' && !p.tiedFrom;
  return [
    ...(stop ? [el('slide', [], { type: 'stop', 'line-type': 'solid' })] : []),
    ...(nextJoin(c, p) === 'slide' ? [el('slide', [], { type: 'start', 'line-type': 'solid' })] : []),
  ];
}

const JOIN_TAGS = { hammer: ['hammer-on', 'H'], pull: ['pull-off', 'P'] } as const;

/** What was worked out stands in ordinary weight, what the player settled in bold: so it comes back as what it was. */
const settled = (by: boolean): Record<string, string> => ({ 'font-weight': by ? 'bold' : 'normal' });
const plainStroke = (s: Stroke | null | undefined): 'down' | 'up' | null => (s === 'down' || s === 'up' ? s : null);

function technical(c: Context, p: BarPiece, staff: 1 | 2): XmlNode[] {
  const n = c.lick.notes[p.index];
  const struck = !p.tiedFrom;
  const finger = struck ? c.fingers[p.index] : null;
  const stroke = struck ? (n!.stroke ?? plainStroke(c.lick.strokes?.[p.index])) : null;
  const [here, next] = [p.tiedFrom ? undefined : n!.join, nextJoin(c, p)];
  const inner = [
    ...(stroke && (staff === 1 || n!.stroke) ? [el(stroke === 'up' ? 'up-bow' : 'down-bow', [], settled(!!n!.stroke))] : []),
    ...(finger && staff === 2 ? [el('fingering', finger, settled(!!n!.finger))] : []),
    ...(staff === 2 && n!.place ? [el('string', n!.place.string), el('fret', n!.place.fret - (c.lick.instrument.capo ?? 0))] : []),
    ...(['hammer', 'pull'] as const).flatMap((join) => {
      const [tag, letter] = JOIN_TAGS[join];
      return [
        ...(here === join ? [el(tag, [], { type: 'stop', number: 1 })] : []),
        ...(next === join ? [el(tag, letter, { type: 'start', number: 1 })] : []),
      ];
    }),
    ...(here === 'tap' ? [el('tap')] : []),
    ...(n!.bend && struck ? [el('bend', [el('bend-alter', n!.bend)])] : []),
    ...(n!.release && struck ? [el('bend', [el('bend-alter', -(n!.bend ?? 0)), el('release')])] : []),
  ];
  return inner.length ? [el('technical', inner)] : [];
}
