import { parseMidi, type MidiData, type MidiEvent } from 'midi-file';
import { TICKS } from '../../core';
import { decode } from '../decode';
import { refuseFile } from '../errors';
import { Left, type LeftKind } from '../left';
import { meterOf, tempoOf } from '../line';
import { AS_WRITTEN } from './write';

/** General MIDI's channel of drums, from 0. */
export const DRUMS = 9;
/** Controllers that say how it sounds, not what is played: volume, balance, pan, expression, banks, effects, and the numbers of parameters. */
const QUIET = new Set([0, 6, 7, 8, 10, 11, 32, 38, 39, 42, 43, 91, 92, 93, 94, 95, 98, 99, 100, 101, 120, 121, 123]);
const CONTROLLERS: Record<number, string> = { 1: 'modulation wheel', 64: 'pedal', 65: 'glide', 66: 'pedal', 67: 'pedal' };

const DRUM: LeftKind = { one: 'stroke of the drums', many: 'strokes of the drums', why: 'they have no pitch' };

export interface Heard {
  readonly start: number;
  end: number;
  readonly midi: number;
  readonly channel: number;
  /** Highest bend while it sounds, and where it ends, in half steps. */
  bend: number;
  ends: number;
}

export interface MidiTrack {
  readonly notes: Heard[];
  name: string | null;
  /** Tempo and meter marks; null where a mark does not speak of it. */
  readonly tempos: { readonly at: number; readonly tempo: number | null }[];
  readonly meters: { readonly at: number; readonly meter: [number, number] | null }[];
  /** Open strings and capo, as a file of ours declares them. */
  strings: number[] | null;
  capo: number;
  /** It says of itself that its times are written, not played. */
  asWritten: boolean;
  readonly left: Left;
  end: number;
}

/** Whether bytes begin as a MIDI file does. */
export const isMidi = (bytes: Uint8Array): boolean => String.fromCharCode(...bytes.slice(0, 4)) === 'MThd';

/** Larger MIDI files are not read, in bytes: every event of one is an object, a million of them here. */
const MIDI_LIMIT = 4 * 1024 * 1024;

/** The events of a Standard MIDI File that is whole. Throws FormatError. */
export function parseMidiFile(bytes: Uint8Array): MidiData {
  if (bytes.length > MIDI_LIMIT) refuseFile('this MIDI file is larger than 4 MB; no line of notes is as long.');
  if (!isMidi(bytes)) return refuseFile('this is no MIDI file: it does not begin with MThd.');
  try {
    checkChunks(bytes);
    return parseMidi(bytes);
  } catch (e) {
    if (e instanceof Error && e.name === 'FormatError') throw e;
    return refuseFile('this MIDI file breaks off or is damaged.');
  }
}

/** Every chunk is as long as it says: a file that breaks off is told from one that ends. */
function checkChunks(bytes: Uint8Array): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = 0;
  let tracks = 0;
  while (at + 8 <= bytes.length) {
    const kind = String.fromCharCode(...bytes.slice(at, at + 4));
    const length = view.getUint32(at + 4);
    if (at + 8 + length > bytes.length) refuseFile(`this MIDI file breaks off: at byte ${at} ${kind} promises ${length} bytes, ${bytes.length - at - 8} are there.`); // prettier-ignore
    if (kind === 'MTrk') {
      tracks++;
      checkEvents(bytes, at + 8, at + 8 + length);
    }
    at += 8 + length;
  }
  if (!tracks) refuseFile('this MIDI file has no track.');
}

/** Bytes that a number of variable length may have (Standard MIDI Files 1.0: the largest is 0FFFFFFF). */
const MOST_BYTES = 4;

/** Every event of a track lies inside it, and no length is longer than it may be: else a parser may go back and forth in the file without end. */
function checkEvents(bytes: Uint8Array, from: number, to: number): void {
  let at = from;
  let running = 0;
  const byte = (): number =>
    at < to ? bytes[at++]! : refuseFile(`this MIDI file is damaged: an event ends beyond its track, at byte ${at}.`);
  const length = (): number => {
    const begin = at;
    for (let value = 0; at - begin < MOST_BYTES;) {
      const b = byte();
      value = value * 128 + (b & 0x7f);
      if (b < 0x80) return value;
    }
    return refuseFile(`this MIDI file is damaged: a number of more than ${MOST_BYTES} bytes at byte ${begin}.`);
  };
  const skip = (count: number): void => {
    at += count;
    if (at > to) refuseFile(`this MIDI file is damaged: an event ends beyond its track, at byte ${to}.`);
  };
  while (at < to) {
    length(); // the time since the event before
    const first = byte();
    if (first === 0xff) byte(); // the kind of a meta event
    if (first >= 0xf0) {
      skip(length());
      continue;
    }
    if (first >= 0x80) running = first;
    const data = running >> 4 === 0xc || running >> 4 === 0xd ? 1 : 2;
    skip(first >= 0x80 ? data : data - 1);
  }
}

/** The notes and marks of a track, in our ticks. */
export function readTrack(events: MidiEvent[], perQuarter: number): MidiTrack {
  const reader = new TrackReader();
  let at = 0;
  for (const e of events) {
    at += e.deltaTime;
    reader.read(e, Math.round((at * TICKS) / perQuarter));
  }
  return reader.track();
}

/** A track as far as it was read. */
class TrackReader {
  private readonly found: MidiTrack = {
    notes: [],
    name: null,
    tempos: [],
    meters: [],
    strings: null,
    capo: 0,
    asWritten: false,
    left: new Left('bar'),
    end: 0,
  };
  private readonly sounding = new Map<number, Heard>();
  private readonly bends = new Map<number, number>();
  private readonly ranges = new Map<number, number>();

  /** The whole track, once its last event was read: what still sounds ends with it. */
  track(): MidiTrack {
    for (const key of [...this.sounding.keys()]) this.close(key, this.found.end);
    return this.found;
  }

  /** Reads an event at a time in ticks. */
  read(e: MidiEvent, now: number): void {
    const { found } = this;
    found.end = now;
    switch (e.type) {
      case 'noteOn':
      case 'noteOff':
        return this.key(e, now);
      case 'controller':
        if (e.controllerType === 6) this.ranges.set(e.channel, e.value);
        else if (!QUIET.has(e.controllerType) && e.value > 0) found.left.sign(CONTROLLERS[e.controllerType] ?? 'controller');
        return;
      case 'pitchBend':
        return this.bend(e.channel, e.value);
      case 'setTempo':
        found.tempos.push({ at: now, tempo: tempoOf(60_000_000 / e.microsecondsPerBeat) });
        return;
      case 'timeSignature':
        found.meters.push({ at: now, meter: meterOf(e.numerator, e.denominator) });
        return;
      case 'trackName':
        found.name ??= decode(Uint8Array.from(e.text, (c) => c.charCodeAt(0))).text || null;
        return;
      case 'lyrics':
        return found.left.sign('syllable of a text');
      case 'text':
        if (e.text === AS_WRITTEN) found.asWritten = true;
        readStrings(e.text, found);
    }
  }

  /** A key goes down or up; one that is down already is let go first. */
  private key(e: Extract<MidiEvent, { readonly type: 'noteOn' | 'noteOff' }>, now: number): void {
    const key = e.channel * 128 + e.noteNumber;
    this.close(key, now);
    if (e.type === 'noteOff' || e.velocity === 0) return;
    if (e.channel === DRUMS) return this.found.left.leave(DRUM);
    const bend = this.bends.get(e.channel) ?? 0;
    const note: Heard = { start: now, end: now, midi: e.noteNumber, channel: e.channel, bend, ends: bend };
    this.sounding.set(key, note);
    this.found.notes.push(note);
  }

  private close(key: number, when: number): void {
    const note = this.sounding.get(key);
    if (note) note.end = when;
    this.sounding.delete(key);
  }

  private bend(channel: number, value: number): void {
    const up = (value / 8191) * (this.ranges.get(channel) ?? 2);
    this.bends.set(channel, up);
    for (const n of this.sounding.values())
      if (n.channel === channel) {
        n.bend = Math.max(n.bend, up);
        n.ends = up;
      }
  }
}

/** The strings that a channel each stands for, and the capo, as our own files say it. */
function readStrings(text: string, found: MidiTrack): void {
  const m = /^strings((?: \d{1,3}){1,12})(?: capo (\d{1,2}))?$/.exec(text.slice(0, 80));
  if (!m || found.strings) return;
  const midis = m[1]!.trim().split(' ').map(Number);
  if (midis.some((n) => n > 127)) return;
  found.strings = midis;
  found.capo = Number(m[2] ?? 0);
}
