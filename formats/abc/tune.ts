import { refuseFile } from '../errors';
import { Left } from '../left';
import { meterOf, tempoOf } from '../line';
import type { Measure } from '../score/line';
import { MOST_TIMES } from '../score/order';
import { readKey } from './key';
import { readMusic } from './music';
import { LEFT, unitOf, type AbcVoice, type BarSign, type Head, type Music, type VoiceState } from './state';

/** A tune, read. */
export interface Tune {
  readonly title: string;
  readonly voices: AbcVoice[];
  readonly left: Left;
}

/** Notes that a tune may have before its repeats are played out, signs of all kinds, and letters of a line. */
const MOST = { notes: 60_000, tokens: 1_000_000, line: 100_000 };

const FRACTION = /(\d{1,4})\s*\/\s*(\d{1,4})/;

/** M: as beats and unit: C is 4/4, C| is 2/2, (2+3)/8 is 5/8; null where it is free or none. */
export function readMeter(text: string): [number, number] | null {
  const plain = text.trim().slice(0, 60);
  if (/^C\|/.test(plain)) return [2, 2];
  if (/^C\b/.test(plain)) return [4, 4];
  const m = /^\(?([\d+\s]{1,40})\)?\s*\/\s*(\d{1,2})/.exec(plain);
  if (!m) return null;
  const beats = m[1]!.split('+').reduce((sum, b) => sum + Number(b), 0);
  return meterOf(beats, Number(m[2]));
}

/** Q: in quarters a minute: "1/4=120", "3/8=50", "1/4 3/8=50" (several beats together), "120" (units of length a minute). */
export function readTempo(text: string, unit: number): number | null {
  const plain = text.replace(/"[^"]*"/g, ' ').slice(0, 100);
  const m = /^([^=]*)=\s*(\d{1,4}(?:\.\d{1,4})?)/.exec(plain);
  if (!m) return tempoOf(Number(/\d{1,4}(?:\.\d{1,4})?/.exec(plain)?.[0]) * unit);
  const beats = m[1]!.match(new RegExp(FRACTION, 'g')) ?? [];
  const quarters = beats.reduce((sum, b) => {
    const [, above, below] = FRACTION.exec(b) ?? [];
    return sum + (Number(above) / Number(below)) * 4;
  }, 0);
  return tempoOf(Number(m[2]) * (quarters || unit));
}

/** L: in quarters. */
function readUnit(text: string): number | null {
  const m = FRACTION.exec(text);
  const quarters = m ? (Number(m[1]) / Number(m[2])) * 4 : text.trim() === '1' ? 4 : NaN;
  return Number.isFinite(quarters) && quarters > 0 && quarters <= 8 ? quarters : null;
}

const emptyMeasure = (v: Pick<VoiceState, 'meter' | 'tempo'>): Measure => ({ notes: [], length: 0, meter: v.meter, tempos: v.tempo === null ? [] : [{ at: 0, tempo: v.tempo }] }); // prettier-ignore

/** A field's word for every voice, or for one. */
function applyField(letter: string, text: string, to: Head, left: Left): void {
  switch (letter) {
    case 'M':
      to.meter = readMeter(text) ?? to.meter;
      break;
    case 'L':
      to.unit = readUnit(text) ?? to.unit;
      break;
    case 'Q':
      to.tempo = readTempo(text, unitOf(to)) ?? to.tempo;
      break;
    case 'K': {
      to.key = readKey(text, to.key);
      for (const word of to.key.unknown) left.sign(`“${word}” in a key`);
      break;
    }
  }
}

/** Fields that say of the tune what no lick has room for, but no note either. */
const COUNTED: Record<string, string> = { w: 'line of words under the notes', W: 'line of words', s: 'line of signs', m: 'shorthand (m:)', U: 'sign of its own (U:)' }; // prettier-ignore

/** Reads a tune's lines; the first is its X:. `line` is where that stands in the file, from 1. */
export function readTune(lines: readonly string[], line: number): Tune {
  const reader = new TuneReader();
  lines.forEach((text, k) => reader.read(text, line + k));
  return reader.tune();
}

/** A tune as far as it was read. */
class TuneReader {
  private readonly head: Head = { key: { signature: {}, shift: 0, unknown: [] }, unit: null, meter: [4, 4], tempo: null };
  private readonly left = new Left('bar');
  private readonly voices = new Map<string, VoiceState>();
  private readonly count = { notes: 0, tokens: 0 };
  private title = '';
  private current: VoiceState | null = null;
  private inBody = false;

  /** Reads one line, the `at`th of the file. */
  read(raw: string, at: number): void {
    if (/^%/.test(raw)) return;
    if (raw.length > MOST.line) refuseFile(`this line has ${raw.length} letters; ABC is read with at most ${MOST.line} in one.`, at);
    const text = raw.replace(/(?<!\\)%.*$/, '');
    const m = /^([A-Za-z+]):(.*)$/.exec(text);
    if (m && m[1] !== '+') return this.field(m[1]!, m[2]!);
    if (!this.inBody || m) return;
    this.current ??= this.firstVoice();
    readMusic(text, {
      left: this.left,
      line: at,
      state: () => this.current!,
      field: (letter, said) => this.field(letter, said),
      token: () => this.one('tokens', at),
      note: () => this.one('notes', at),
      bar: (sign) => endMeasure(this.current!, sign),
    });
  }

  /** The whole tune, once its last line was read. */
  tune(): Tune {
    for (const v of this.voices.values()) endMeasure(v, { sign: '', ending: null });
    return { title: this.title.replace(/\\%/g, '%'), left: this.left, voices: [...this.voices.values()] };
  }

  private one(what: keyof typeof this.count, at: number): void {
    if (++this.count[what] > MOST[what]) refuseFile(`this tune has more than ${MOST[what]} ${what === 'notes' ? 'notes' : 'signs'}.`, at);
  }

  /** The voice of a tune that names none. */
  private firstVoice(): VoiceState {
    const voice = freshVoice(this.head, '1');
    this.voices.set('1', voice);
    return voice;
  }

  /** The voice that a V: names, known or new, with what it says of it. */
  private voiceOf(text: string): VoiceState {
    const [id = '', ...rest] = text.trim().slice(0, 200).split(/\s+/);
    const known = this.voices.get(id) ?? freshVoice(this.head, id);
    const name = /(?:name|nm)=(?:"([^"]*)"|(\S+))/.exec(text);
    if (name) known.name = name[1] ?? name[2]!;
    known.key = readKey(rest.join(' ').replace(/"[^"]*"/g, ''), known.key, true);
    this.voices.set(id, known);
    return known;
  }

  private field(letter: string, text: string): void {
    if (letter === 'V') {
      this.current = this.voiceOf(text);
      return;
    }
    if (letter === 'P' && !this.inBody) this.left.leave(LEFT.PARTS);
    if (letter in COUNTED) this.left.sign(COUNTED[letter]!);
    if (letter === 'T') this.title ||= text.trim();
    if (this.inBody && this.current) this.fieldInside(letter, text, this.current);
    else {
      applyField(letter, text, this.head, this.left);
      if (!this.inBody) for (const v of this.voices.values()) applyField(letter, text, v, this.left);
    }
    if (letter === 'K' && !this.inBody) this.beginBody();
  }

  /** A field among the notes of a voice. */
  private fieldInside(letter: string, text: string, voice: VoiceState): void {
    applyField(letter, text, voice, this.left);
    if (letter === 'Q' && voice.tempo !== null) voice.open.tempos.push({ at: voice.at, tempo: voice.tempo });
    if (letter === 'M') voice.open.meter = voice.meter;
  }

  /** After the first K: come the notes. */
  private beginBody(): void {
    this.inBody = true;
    this.current ??= this.voices.values().next().value ?? null;
    for (const v of this.voices.values()) v.open = emptyMeasure(v);
  }
}

function freshVoice(head: Head, id: string): VoiceState {
  const music: Music = { tied: null, slurs: 0, slurred: false, tuplet: null, broken: 0, accidentals: new Map(), marks: [] };
  return { ...head, key: { ...head.key, signature: { ...head.key.signature } }, name: /^\d*$/.test(id) ? '' : id, measures: [], bars: [], extras: [], music, open: emptyMeasure(head), at: 0, forward: false, ending: null }; // prettier-ignore
}

/** The measure before a barline is whole; what the sign says of it and of the next is kept. */
function endMeasure(v: VoiceState, { sign, ending }: BarSign): void {
  const colons = sign === '::' ? 1 : (/^:+/.exec(sign)?.[0].length ?? 0);
  if (v.open.notes.length || v.at > 0) {
    v.measures.push({ ...v.open, length: v.at });
    v.bars.push({ forward: v.forward, backward: colons ? Math.min(MOST_TIMES, colons + 1) : 0, ending: v.ending });
    v.forward = false;
  } else if (colons && v.bars.length) v.bars[v.bars.length - 1]!.backward = Math.min(MOST_TIMES, colons + 1);
  // An ending goes on to a double bar, a repeat, or the next one.
  if (ending || colons || /\|\||\|\]|\[\||:$/.test(sign)) v.ending = ending;
  if (/:$/.test(sign) && sign !== ':') v.forward = true;
  v.open = emptyMeasure(v);
  v.at = 0;
  v.music.accidentals = new Map();
}
