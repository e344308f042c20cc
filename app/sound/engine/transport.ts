import { FULL_LEVELS, type AtSeam, type Levels, type Score, type Seam, type SoundEvent, type SoundPart, type Take } from './score';

interface Voice {
  readonly samples: Float32Array;
  /** Frame at which it began, and where it is let go. */
  readonly from: number;
  until: number;
  readonly gain: number;
  readonly channel: number | null;
  /** Frames that letting go takes. */
  release: number;
  readonly part: SoundPart;
}

/** Seconds: a string damped by the next note on it, one let go, and everything faded at a stop. */
const DAMP = 0.008;
const RELEASE = 0.06;
const FADE = 0.015;

/** Where many sounds together would be too loud they are bent, never cut: all below KNEE is untouched, nothing reaches 1. */
const KNEE = 0.8;
function soften(out: Float32Array): void {
  for (let k = 0; k < out.length; k++) {
    const over = Math.abs(out[k]!) - KNEE;
    if (over > 0) out[k] = Math.sign(out[k]!) * (KNEE + (1 - KNEE) * Math.tanh(over / (1 - KNEE)) * 0.999);
  }
}

/** What the transport tells as it goes. */
export interface TransportListener {
  readonly seam: (at: Seam) => void;
  /** Nothing sounds any more: after the last pass, or after a stop; at a frame of the audio clock. */
  readonly end: (frame: number) => void;
}

interface Playing {
  take: Take;
  score: Score;
  /** Frame of beat 0 of this pass, a double: passes follow one another without a rounding error. */
  origin: number;
  perBeat: number;
  pass: number;
  next: number;
  atSeam: AtSeam;
}

/** Plays takes sample by sample. It runs on the audio thread, and as it is in tests: no browser in it. */
export class Transport {
  private readonly sounds = new Map<string, Float32Array>();
  private voices: Voice[] = [];
  private playing: Playing | null = null;
  private levels: Readonly<Levels> = FULL_LEVELS;

  /** `rate` is frames a second. */
  constructor(
    private readonly rate: number,
    private readonly told: TransportListener,
  ) {}

  learn(sound: string, samples: Float32Array): void {
    this.sounds.set(sound, samples);
  }

  forget(sounds: readonly string[]): void {
    sounds.forEach((s) => this.sounds.delete(s));
  }

  /** Begins at a frame of the audio clock; what sounds at `now` is faded out. */
  play(take: Take, now: number, frame: number): void {
    this.hush(now);
    this.playing = { take, score: take.score, origin: frame, perBeat: 0, pass: -1, next: 0, atSeam: {} };
    this.begin(this.playing, frame);
  }

  /** From the next seam on. */
  change(atSeam: AtSeam): void {
    if (this.playing) this.playing.atSeam = { ...this.playing.atSeam, ...atSeam };
  }

  level(levels: Levels): void {
    this.levels = levels;
  }

  /** Everything fades out from a frame on. */
  stop(frame: number): void {
    this.playing = null;
    this.hush(frame);
  }

  private hush(frame: number): void {
    this.voices = this.voices.filter((v) => v.from < frame);
    for (const v of this.voices)
      if (v.until > frame) {
        v.until = frame;
        v.release = FADE * this.rate;
      }
  }

  /** Whether anything sounds or is to sound. */
  get busy(): boolean {
    return this.playing !== null || this.voices.length > 0;
  }

  /** Adds what sounds from `frame` on to `out`. */
  render(out: Float32Array, frame: number): void {
    if (this.playing) this.start(this.playing, frame + out.length);
    for (const voice of this.voices) this.mix(voice, out, frame);
    if (this.voices.length > 1) soften(out);
    const end = frame + out.length;
    this.voices = this.voices.filter((v) => end < Math.min(v.from + v.samples.length, v.until + v.release));
    if (!this.playing && !this.voices.length && this.ending) {
      this.ending = false;
      this.told.end(end);
    }
  }
  private ending = false;

  private begin(p: Playing, frame: number): void {
    const { tempo = p.take.tempo, score = p.take.score } = p.atSeam;
    p.take = { ...p.take, tempo, score };
    p.atSeam = {};
    p.pass = p.pass < 0 && !p.take.lead ? 1 : p.pass + 1;
    p.score = p.pass === 0 && p.take.lead ? p.take.lead : p.take.score;
    p.origin = frame;
    p.perBeat = (this.rate * 60) / tempo;
    p.next = 0;
    this.ending = true;
    this.told.seam({ pass: p.pass, frame, perBeat: p.perBeat, beats: p.score.beats, tempo });
  }

  /** Starts the voices of every event before a frame, over as many seams as lie before it. */
  private start(p: Playing, before: number): void {
    for (;;) {
      for (; p.next < p.score.events.length; p.next++) {
        const event = p.score.events[p.next]!;
        const at = Math.round(p.origin + event.beat * p.perBeat);
        if (at >= before) return;
        this.sound(event, at, p.perBeat);
      }
      const seam = p.origin + p.score.beats * p.perBeat;
      if (seam >= before) return;
      if (!p.take.loop && p.pass > 0) {
        this.playing = null;
        return;
      }
      this.begin(p, seam);
    }
  }

  private sound(event: SoundEvent, at: number, perBeat: number): void {
    const samples = this.sounds.get(event.sound);
    if (!samples) return;
    if (event.channel !== null)
      for (const v of this.voices)
        if (v.channel === event.channel && v.until > at) {
          v.until = at;
          v.release = DAMP * this.rate;
        }
    const until = event.beats > 0 ? at + event.beats * perBeat : Infinity;
    const { gain, channel, part = 'notes' } = event;
    this.voices.push({ samples, from: at, until, gain, channel, release: RELEASE * this.rate, part });
  }

  private mix({ samples, from, until, gain, release, part }: Voice, out: Float32Array, frame: number): void {
    const level = gain * this.levels[part];
    const first = Math.max(0, from - frame);
    const last = Math.min(out.length, from + samples.length - frame);
    for (let k = first; k < last; k++) {
      const beyond = frame + k - until;
      if (beyond >= release) return;
      out[k]! += samples[frame + k - from]! * level * (beyond > 0 ? 1 - beyond / release : 1);
    }
  }
}
