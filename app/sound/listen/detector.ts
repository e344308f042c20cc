import { PitchDetector } from 'pitchy';
import { A4_HZ, A4_MIDI } from '../../../core';
import { FRAME, Onsets, type Onset } from './onsets';
import { rms, Tape } from './tape';

/** A note that was heard. */
export interface HeardPitch {
  readonly midi: number;
  /** From the first sample given. */
  readonly atMs: number;
  /** How periodic it is, 0 to 1. */
  readonly clarity: number;
  /** In cents from the tempered pitch. */
  readonly cents: number;
}

export interface DetectOptions {
  /** Lowest and highest note that may be played; B0 to E6 unless said. */
  readonly lowestMidi?: number;
  readonly highestMidi?: number;
}

const LOWEST = 23;
const HIGHEST = 88;
/** Below this a period is so long that its window has to be twice as long: E2, less a half step for strings that are flat. */
const LOW = 39;
/** Samples that a pitch is read off, at 48 kHz; from the onset on the pick itself is left out. */
const WINDOW = { high: 2048, low: 4096 };
const SKIP_MS = 7;
/** Another look where the first was not clear. */
const AGAIN_MS = [12, 26];
const CLEAR = { raw: 0.8, rest: 0.86, sure: 0.93, alone: 0.95 };
/** Two notes are at least so far apart. */
const APART_MS = 34;
/** Silence, as root mean square of full scale. */
const SILENT = 0.0008;
/** A click of the metronome in the room: it comes up to so early or late against its known time, and rings for so long. */
const CLICK = { early: 12, late: 45, rings: 48 };
/** A note begins where the energy at its partials rises so many times against just before: of another pitch than what rings, of the same, of one that has its partials. */
const RISE = { new: 1.12, same: 1.45, kin: 1.4, still: 1.2 };
/** A note may be so many times a ringing one's frequency. */
const MOST_TIMES = 6;
/** Less than this of the loudness left when something is taken out: nothing else was there. */
const LEFT = { sure: 0.2, some: 0.12 };
/** An onset weaker than this is looked at once and not twice. */
const STRONG = 0.09;
const PARTIALS = 6;
/** A note heard before counts as ringing for so long; so many of them. */
const RINGS_MS = 1200;
const MOST_RINGING = 3;
/** Energy of the first half of a note's window, as a share of that of the second. */
const EARLY = 0.2;
/** The mains, in Hz, here and elsewhere. */
const MAINS = [50, 60];
/** A ringing note has so many partials. */
const MOST_PARTIAL = 40;
/** Partials are the same within this share. */
const SAME = 0.025;
/** Samples kept: what lies before an onset and what a low note needs behind it. */
const KEEP = 32768;

interface Waiting {
  readonly at: number;
  readonly strength: number;
  /** Places where a pitch is looked for, in samples, one after the other. */
  readonly looks: number[];
  best: Candidate | null;
}
interface Candidate {
  readonly hz: number;
  readonly clarity: number;
}
interface Ringing {
  readonly midi: number;
  readonly hz: number;
  readonly at: number;
}

/** Hears single notes in samples as they come: onsets by `Onsets`, pitches by the McLeod method (pitchy). Imports no browser. */
export class Detector {
  private readonly onsets: Onsets;
  private readonly size: number;
  private readonly pitch: PitchDetector<Float32Array>;
  private readonly low: number;
  private readonly high: number;
  private readonly tape: Tape;
  private waiting: Waiting[] = [];
  private readonly clicks: number[] = [];
  private ringing: Ringing[] = [];

  constructor(
    private readonly rate: number,
    { lowestMidi = LOWEST, highestMidi = HIGHEST }: DetectOptions = {},
  ) {
    this.onsets = new Onsets(rate);
    this.size = lowestMidi < LOW ? WINDOW.low : WINDOW.high;
    this.pitch = PitchDetector.forFloat32Array(this.size);
    this.tape = new Tape(rate, this.size);
    this.low = lowestMidi - 0.6;
    this.high = highestMidi + 0.6;
  }

  /** A click will sound in the room at a time, in ms from the first sample. */
  click(atMs: number): void {
    this.clicks.push(atMs);
    if (this.clicks.length > 400) this.clicks.shift();
  }

  /** Takes samples; tells the notes that are settled by them. */
  feed(samples: Float32Array): HeardPitch[] {
    this.tape.add(samples);
    for (const o of this.onsets.feed(samples)) this.expect(o);
    const heard = this.settleAll();
    this.tape.forget(KEEP);
    return heard;
  }

  /** What is still open at the end. */
  end(): HeardPitch[] {
    return this.feed(new Float32Array(this.samplesIn(CLICK.late + CLICK.rings + AGAIN_MS[1]!) + this.size + FRAME));
  }

  /** Of onsets that are closer than notes can be, the strongest is the note's. */
  private expect({ at, strength }: Onset): void {
    const last = this.waiting.at(-1);
    if (last && at - last.at < this.samplesIn(APART_MS)) {
      if (strength <= last.strength) return;
      this.waiting.pop();
    }
    this.waiting.push(this.waitFor(at, strength));
  }

  private waitFor(at: number, strength: number): Waiting {
    const click = this.clickAt(at);
    const skip = at + this.samplesIn(SKIP_MS);
    const begin = click === null ? skip : Math.max(skip, this.samplesIn(click + CLICK.rings));
    return { at, strength, looks: [begin, ...AGAIN_MS.map((ms) => begin + this.samplesIn(ms))], best: null };
  }

  /** Looks at every onset as far as there are samples, in order: what is clear at once is told at once. */
  private settleAll(): HeardPitch[] {
    const heard: HeardPitch[] = [];
    const { end } = this.tape;
    for (let w = this.waiting[0]; w; w = this.waiting[0]) {
      const next = this.waiting[1];
      while (w.looks.length && w.looks[0]! + this.size <= end) {
        const start = w.looks.shift()!;
        const found = this.pitchAt(start, w.at, w.strength);
        if (found && (!w.best || found.clarity > w.best.clarity)) w.best = found;
        // What is clear is settled; so is what the next note begins in.
        if ((w.best && w.best.clarity > CLEAR.sure) || (next && w.looks.length && next.at < w.looks[0]! + this.size / 2))
          w.looks.length = 0;
      }
      if (w.looks.length) break;
      this.waiting.shift();
      const note = w.best && this.noteOf(w.best, w.at);
      if (note) heard.push(note);
    }
    return heard;
  }

  private noteOf({ hz, clarity }: Candidate, at: number): HeardPitch | null {
    const exact = A4_MIDI + 12 * Math.log2(hz / A4_HZ);
    if (exact < this.low || exact > this.high) return null;
    const midi = Math.round(exact);
    this.ringing = [{ midi, hz, at }, ...this.ringing.filter((r) => r.midi !== midi)].slice(0, MOST_RINGING);
    return { midi, atMs: (at / this.rate) * 1000, clarity, cents: 100 * (exact - midi) };
  }

  private samplesIn(ms: number): number {
    return Math.round((ms / 1000) * this.rate);
  }

  /** The click that an onset may be, or null. */
  private clickAt(at: number): number | null {
    const ms = (at / this.rate) * 1000;
    return this.clicks.find((c) => ms >= c - CLICK.early && ms <= c + CLICK.late) ?? null;
  }

  /** The clearest pitch that begins at an onset: of the samples as they are, and with what rang on taken out; only one whose partials rise. */
  private pitchAt(start: number, onset: number, strength: number): Candidate | null {
    const window = this.tape.window(start);
    const loud = rms(window);
    if (loud < SILENT) return null;
    const ringing = this.ringing.filter((r) => onset - r.at < this.samplesIn(RINGS_MS));
    const found: Candidate[] = [];
    const look = (samples: Float32Array, least: number): void => {
      const [hz, clarity] = this.pitch.findPitch(samples, this.rate);
      if (hz > 0 && clarity >= least) found.push(this.kinOf({ hz, clarity }, onset, start, ringing));
    };
    // What a note leaves when the one before is taken out has its own pitch, whether that one still rings or not: unless it has its period.
    const [before] = ringing;
    const rest = before ? this.tape.without([before.hz], start) : null;
    if (rest && rms(rest) >= LEFT.sure * loud) look(rest, CLEAR.alone);
    const sure = found.find((c) => !this.isKin(c.hz, [before!]) && this.begins(c.hz, onset, start, ringing));
    if (sure) return sure;
    look(window, CLEAR.raw);
    const agreed = found.find(
      (c, k) => c.clarity > CLEAR.alone && !this.isKin(c.hz, ringing) && (!rest || found.some((o, n) => n !== k && near(o.hz, c.hz))),
    );
    if (agreed && this.isThrough(agreed.hz, start)) return agreed;
    const fine = found.find((c) => c.clarity > CLEAR.sure && this.begins(c.hz, onset, start, ringing));
    if (fine || strength < STRONG) return fine ?? null;
    for (const comb of this.combs(ringing)) {
      const left = this.tape.without(comb, start);
      if (rms(left) >= LEFT.some * loud) look(left, CLEAR.rest);
    }
    const begun = found.filter((c) => this.begins(c.hz, onset, start, ringing)).sort((a, b) => b.clarity - a.clarity);
    return begun[0] ?? null;
  }

  /** Whether a pitch sounds from the beginning of the window on: else it is the next note's. */
  private isThrough(hz: number, start: number): boolean {
    const sum = (from: number): number => [1, 2, 3].reduce((all, k) => all + this.tape.energy(hz * k, from, this.size / 2), 0);
    return sum(start) > EARLY * sum(start + this.size / 2);
  }

  /** Whether a frequency is a whole multiple of a ringing note's. */
  private isKin(hz: number, ringing: readonly Ringing[]): boolean {
    return ringing.some((r) => {
      const times = Math.round(hz / r.hz);
      return times >= 1 && times <= 8 && Math.abs(hz / (times * r.hz) - 1) < SAME;
    });
  }

  /** A pitch; where a note with that period rings, the multiple of it whose partials rise while the others do not. */
  private kinOf(c: Candidate, onset: number, start: number, ringing: readonly Ringing[]): Candidate {
    const old = ringing.find((r) => near(r.hz, c.hz));
    if (!old) return c;
    const before = onset - this.size - this.samplesIn(4);
    const rise = Array.from({ length: 2 * MOST_TIMES + 1 }, (_, k) =>
      k ? Math.sqrt(this.tape.energy(old.hz * k, start) / Math.max(this.tape.energy(old.hz * k, before), 1e-12)) : 0,
    );
    for (let times = 2; times <= MOST_TIMES; times++) {
      if (Math.min(rise[times]!, rise[2 * times]!) < RISE.kin) continue;
      const others = rise.filter((_, k) => k > 0 && k < 2 * times && k % times !== 0);
      if (Math.max(...others) < RISE.still) return { hz: old.hz * times, clarity: c.clarity };
    }
    return c;
  }

  /** What may be taken out: a ringing note, the mains, two notes. */
  private combs(ringing: readonly Ringing[]): number[][] {
    const [one, two] = ringing.map((r) => r.hz);
    return [...(two ? [[two], [one!, two]] : []), ...MAINS.map((hz) => (one ? [hz, one] : [hz])), ...MAINS.map((hz) => [hz])];
  }

  /** Whether a note of this frequency begins: the energy at those of its partials that no ringing note has rises against just before the onset. */
  private begins(hz: number, onset: number, start: number, ringing: readonly Ringing[]): boolean {
    if (!this.isThrough(hz, start)) return false;
    const before = onset - this.size - this.samplesIn(4);
    const shared = (f: number): boolean =>
      ringing.some((r) => {
        const n = Math.round(f / r.hz);
        return n >= 1 && n <= MOST_PARTIAL && Math.abs(f / (n * r.hz) - 1) < SAME;
      });
    let own = { before: 0, after: 0 };
    let all = { before: 0, after: 0 };
    let ownCount = 0;
    for (let k = 1; k <= PARTIALS && hz * k < this.rate / 2.2; k++) {
      const was = this.tape.energy(hz * k, before);
      const now = this.tape.energy(hz * k, start);
      all = { before: all.before + was, after: all.after + now };
      if (shared(hz * k)) continue;
      ownCount++;
      own = { before: own.before + was, after: own.after + now };
    }
    const rise = (e: { readonly before: number; readonly after: number }): number => Math.sqrt(e.after / Math.max(e.before, 1e-12));
    const same = ringing.findIndex((r) => near(r.hz, hz));
    if (same >= 0) return rise(all) > RISE.same && (same > 0 || this.oddRise(hz, before, start));
    return ownCount ? rise(own) > RISE.new : rise(all) > RISE.kin;
  }

  /** A note that is struck again rises in its odd partials too; its octave does not. */
  private oddRise(hz: number, before: number, start: number): boolean {
    let [was, now] = [0, 0];
    for (const k of [1, 3, 5]) {
      was += this.tape.energy(hz * k, before);
      now += this.tape.energy(hz * k, start);
    }
    return now > was * RISE.new;
  }
}

/** Less than half a semitone apart. */
const near = (a: number, b: number): boolean => Math.abs(Math.log2(a / b)) < SAME;
