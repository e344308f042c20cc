import { writeMidi, type MidiData, type MidiEvent } from 'midi-file';
import { openMidis, soundedNotes, TICKS, type Instrument, type SoundedNote } from '../../core';
import type { LickOut } from '../line';

export interface MidiLick extends LickOut {
  /** One channel a string (string 1 on channel 1), so that a reader finds the strings again. */
  readonly channelPerString?: boolean;
}

const VELOCITY = 90;
const MUTED_VELOCITY = 60;
/** Programs of General MIDI, counted from 0: electric guitar (clean), electric guitar (muted). */
const CLEAN = 27;
/** Bend range set on every channel that bends, in half steps. */
export const BEND_RANGE = 12;
/** Steps of a bend from rest to its target. */
const BEND_STEPS = 8;
/** Channel 10 is percussion in General MIDI: string 10 goes to channel 11, and so on. */
export const channelOf = (string: number): number => (string - 1 >= 9 ? string : string - 1);
/** How a file of ours says that its times are written, not played: they are kept to the tick. */
export const AS_WRITTEN = 'times as written';
/** How a file of ours says that each string has its channel. */
export const stringsText = (i: Instrument): string => `strings ${openMidis(i).join(' ')}${i.capo ? ` capo ${i.capo}` : ''}`;

/** An event at a time in ticks; at one time, ends come before starts. */
interface Timed {
  readonly at: number;
  readonly order: number;
  readonly event: MidiEvent;
}

const bendEvent = (channel: number, halfSteps: number): MidiEvent => ({
  deltaTime: 0,
  type: 'pitchBend',
  channel,
  value: Math.round((halfSteps / BEND_RANGE) * 8191),
});

function noteEvents(n: SoundedNote, channel: number): Timed[] {
  const { start, ticks, midi, target, note } = n;
  const end = start + ticks;
  const velocity = note.muted ? MUTED_VELOCITY : VELOCITY;
  const on: Timed = { at: start, order: 2, event: { deltaTime: 0, type: 'noteOn', channel, noteNumber: midi, velocity } };
  const off: Timed = { at: end, order: 0, event: { deltaTime: 0, type: 'noteOff', channel, noteNumber: midi, velocity: 64 } };
  return target > midi ? [on, ...bendUp(n, channel), off] : [on, off];
}

/** A bend rises over the first half of the note; let go, over the first third, and falls over the last. It is at rest again when the note ends. */
function bendUp({ start, ticks, midi, target, note }: SoundedNote, channel: number): Timed[] {
  const rise = ticks / (note.release ? 3 : 2);
  const steps = Array.from({ length: BEND_STEPS }, (_, k) => (k + 1) / BEND_STEPS);
  const at = (from: number, part: number, height: number): Timed => ({
    at: start + Math.round(from + part * rise),
    order: 1,
    event: bendEvent(channel, (target - midi) * height),
  });
  const up = steps.map((s) => at(0, s, s));
  // The last step down lies before the note's end, so that a reader tells it from the wheel's rest after it.
  const down = note.release ? steps.map((s) => at(ticks - rise, s * 0.9, 1 - s)) : [];
  return [...up, ...down, { at: start + ticks, order: 1, event: bendEvent(channel, 0) }];
}

/** Registered parameter 0, the range of the bend (MIDI 1.0 specification, control change 100, 101, 6, 38). */
const rangeEvents = (channel: number): MidiEvent[] =>
  [[101, 0], [100, 0], [6, BEND_RANGE], [38, 0]].map(([controllerType, value]) => ({ deltaTime: 0, type: 'controller', channel, controllerType: controllerType!, value: value! })); // prettier-ignore

/** A text as the bytes of UTF-8, which the writer takes one by one. */
const utf8 = (text: string): string => String.fromCharCode(...new TextEncoder().encode(text));

function header({ name, instrument, tempo, meter, channelPerString }: MidiLick, channels: number[], bends: boolean): MidiEvent[] {
  return [
    { deltaTime: 0, meta: true, type: 'trackName', text: utf8(name.replace(/♯/g, '#').replace(/♭/g, 'b')) },
    { deltaTime: 0, meta: true, type: 'text', text: AS_WRITTEN },
    ...(channelPerString ? [{ deltaTime: 0, meta: true, type: 'text', text: stringsText(instrument) }] : []),
    { deltaTime: 0, meta: true, type: 'setTempo', microsecondsPerBeat: Math.round(60_000_000 / tempo) },
    { deltaTime: 0, meta: true, type: 'timeSignature', numerator: meter[0], denominator: meter[1], metronome: 24, thirtyseconds: 8 },
    ...channels.map((channel) => ({ deltaTime: 0, type: 'programChange', channel, programNumber: CLEAN })),
    ...(bends ? channels.flatMap(rangeEvents) : []),
  ] as MidiEvent[];
}

/**
 * A lick as a Standard MIDI File, format 0: one track with name, tempo and meter, 480 ticks a quarter; ties are one
 * note, bends are pitch bends, slides and hammer-ons plain notes. After the Standard MIDI Files 1.0 specification.
 */
export function writeMidiFile(lick: MidiLick): Uint8Array {
  const sounded = soundedNotes(lick.instrument, lick.notes);
  const channel = (n: SoundedNote): number => (lick.channelPerString ? channelOf(n.place.string) : 0);
  const channels = [...new Set(sounded.map(channel))].sort((a, b) => a - b);
  const timed = sounded.flatMap((n) => noteEvents(n, channel(n))).sort((a, b) => a.at - b.at || a.order - b.order);
  let at = 0;
  const events = timed.map(({ at: when, event }) => {
    const deltaTime = when - at;
    at = when;
    return { ...event, deltaTime };
  });
  const end = lick.notes.reduce((sum, n) => sum + n.ticks, 0);
  const data: MidiData = {
    header: { format: 0, numTracks: 1, ticksPerBeat: TICKS },
    tracks: [[...header(lick, channels, sounded.some((n) => n.target > n.midi)), ...events, { deltaTime: Math.max(0, end - at), meta: true, type: 'endOfTrack' }]], // prettier-ignore
  };
  return Uint8Array.from(writeMidi(data));
}
