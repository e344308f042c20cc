import { writeMidi, type MidiEvent } from 'midi-file';
import { ascii, chordFault, SILENT, TICKS, type Backing, type Drum } from '../../core';
import { refuseFile } from '../errors';
import { parseMidiFile } from '../midi/track';
import { barsFrom, FORM_LIMIT, formText, type FormFile, type FormOut, type Placed } from './form';

/** Keys of General MIDI percussion, channel 10. */
const DRUM_KEYS: Readonly<Record<Drum, number>> = { kick: 36, rim: 37, snare: 38, hat: 42, tom: 45, crash: 49, ride: 51 };
const DRUM_CHANNEL = 9;
/** Programs of General MIDI, counted from 0: electric bass (finger), electric guitar (clean). */
const VOICES = { bass: { channel: 0, program: 33, name: 'Bass' }, comping: { channel: 1, program: 27, name: 'Comping' } } as const;
const LOUDEST = 118;
const DRUM_TICKS = 60;

interface Timed {
  readonly at: number;
  readonly order: number;
  readonly event: MidiEvent;
}

const meta = (type: string, rest: object): MidiEvent => ({ deltaTime: 0, meta: true, type, ...rest }) as MidiEvent;
const plain = (text: string): string => ascii(text).replace(/[^\x20-\x7e]/g, '?');

function track(timed: Timed[], end: number): MidiEvent[] {
  let at = 0;
  const events = timed
    .sort((a, b) => a.at - b.at || a.order - b.order)
    .map(({ at: when, event }) => {
      const deltaTime = when - at;
      at = when;
      return { ...event, deltaTime };
    });
  return [...events, { ...meta('endOfTrack', {}), deltaTime: Math.max(0, end - at) }];
}

const note = (channel: number, noteNumber: number, gain: number, at: number, ticks: number): Timed[] => [
  { at, order: 2, event: { deltaTime: 0, type: 'noteOn', channel, noteNumber, velocity: Math.max(1, Math.round(gain * LOUDEST)) } },
  { at: at + Math.max(1, ticks), order: 0, event: { deltaTime: 0, type: 'noteOff', channel, noteNumber, velocity: 64 } },
];

/**
 * A form with its backing as a Standard MIDI File, format 1: a track of name, tempo, meter and a marker where each chord and each section
 * ("[A]") begins, then bass, comping and drums. After the Standard MIDI Files 1.0 specification and General MIDI level 1.
 */
export function writeFormMidi({ name, bars, meter, tempo }: FormOut, backing: Backing): Uint8Array {
  const perBeat = (TICKS * 4) / meter[1];
  const end = Math.round(backing.quarters * TICKS);
  let at = 0;
  let before = '';
  const markers = bars.flatMap((b): Timed[] => {
    const section =
      b.section === undefined ? [] : [{ at: Math.round(at), order: 0, event: meta('marker', { text: plain(`[${b.section}]`) }) }];
    const chords = b.chords.flatMap((c): Timed[] => {
      const when = Math.round(at);
      at += c.beats * perBeat;
      const said = c.symbol === before ? [] : [{ at: when, order: 1, event: meta('marker', { text: plain(c.symbol) }) }];
      before = c.symbol;
      return said;
    });
    return [...section, ...chords];
  });
  const first: Timed[] = [
    { at: 0, order: -3, event: meta('trackName', { text: plain(name) }) },
    { at: 0, order: -2, event: meta('setTempo', { microsecondsPerBeat: Math.round(60_000_000 / tempo) }) },
    { at: 0, order: -1, event: meta('timeSignature', { numerator: meter[0], denominator: meter[1], metronome: 24, thirtyseconds: 8 }) },
    ...markers,
  ];
  const played = (['bass', 'comping'] as const).map((part) => {
    const { channel, program, name: title } = VOICES[part];
    const notes = backing.events.flatMap((e) =>
      e.part === part ? note(channel, e.midi, e.gain, Math.round(e.at * TICKS), Math.round(e.length * TICKS)) : [],
    );
    return track([{ at: 0, order: -2, event: meta('trackName', { text: title }) }, { at: 0, order: -1, event: { deltaTime: 0, type: 'programChange', channel, programNumber: program } }, ...notes], end); // prettier-ignore
  });
  const drums = backing.events.flatMap((e) =>
    e.part === 'drums' ? note(DRUM_CHANNEL, DRUM_KEYS[e.drum], e.gain, Math.round(e.at * TICKS), DRUM_TICKS) : [],
  );
  const tracks = [track(first, end), ...played, track([{ at: 0, order: -1, event: meta('trackName', { text: 'Drums' }) }, ...drums], end)];
  return Uint8Array.from(writeMidi({ header: { format: 1, numTracks: tracks.length, ticksPerBeat: TICKS }, tracks }));
}

/** Reads the chords of a MIDI file from its markers, or from its texts where no marker is a chord. Throws FormatError where neither has any. */
export function readFormMidi(bytes: Uint8Array): FormFile {
  if (bytes.length > FORM_LIMIT) refuseFile('this file is larger than 2 MB.');
  const data = parseMidiFile(bytes);
  const perQuarter = data.header.ticksPerBeat;
  if (!perQuarter) return refuseFile('this MIDI file counts in film frames, not in quarter notes.');
  let [name, end] = ['', 0];
  let tempo: number | null = null;
  let meter: [number, number] | null = null;
  const texts: { readonly type: string; readonly text: string; readonly at: number }[] = [];
  for (const [k, events] of data.tracks.entries()) {
    let at = 0;
    for (const e of events) {
      at += e.deltaTime;
      if (e.type === 'marker' || e.type === 'text' || e.type === 'cuePoint') texts.push({ type: e.type, text: e.text.trim(), at });
      else if (e.type === 'trackName' && k === 0) name ||= e.text.trim();
      else if (e.type === 'setTempo') tempo ??= Math.round(60_000_000 / e.microsecondsPerBeat);
      else if (e.type === 'timeSignature' && e.numerator > 0) meter ??= [e.numerator, e.denominator];
    }
    end = Math.max(end, at);
  }
  const [beats, unit] = meter ?? [4, 4];
  const beatOf = (at: number): number => (at / perQuarter) * (unit / 4);
  const chordsIn = (type: string): Placed[] =>
    texts.filter((t) => t.type === type && (t.text === SILENT || !chordFault(t.text))).map((t) => ({ symbol: t.text, at: beatOf(t.at) }));
  const placed = [chordsIn('marker'), chordsIn('cuePoint'), chordsIn('text')].find((c) => c.length);
  if (!placed) return refuseFile('this MIDI file has no chords in it: it has no markers that are chord symbols.');
  const sections = new Map(
    texts.flatMap((t): [number, string][] => {
      const m = /^\[(.*)\]$/.exec(t.text);
      return m ? [[Math.floor(beatOf(t.at) / beats + 1e-6), m[1]!]] : [];
    }),
  );
  const count = Math.max(1, Math.ceil(Math.max(beatOf(end), placed[placed.length - 1]!.at + 1e-3) / beats - 1e-6));
  if (count > 500) refuseFile(`this file has ${count} bars; a form has 500 at most.`);
  return { name, text: formText(barsFrom(placed, beats, count, sections)), meter: [beats, unit], tempo, key: null, remarks: [] };
}
