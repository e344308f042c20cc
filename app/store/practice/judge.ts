import { scorePass, type NoteVerdict, type PassScore, type ScoreOptions, type TimedNote } from '../../../core';

/** A note that is to be played: its pitch, and its beat from the beginning of the pass. */
export interface NoteAsked {
  readonly midi: number;
  readonly beat: number;
}

/** A pass that begins, in ms of the audio clock. */
export interface PassBegins {
  readonly pass: number;
  readonly atMs: number;
  readonly msPerBeat: number;
  readonly beats: number;
}

/** What was heard of a whole pass. */
export interface JudgedPass {
  readonly pass: number;
  readonly score: PassScore;
  /** Anything at all was heard. */
  readonly heard: number;
}

/** A heard note stands for an expected one at most so far away, ms. */
const WINDOW = 150;
/** A note is known so long after its onset at the latest: what a bass takes, and a busy page. */
const SETTLE = 220;

/**
 * Holds what is heard against a line that goes round and round. Notes come in as they are heard, latency set off; a pass is judged once the last of its notes
 * can no longer come, often before the next one begins. What comes early for the next pass belongs to that one. Pure but for what it holds.
 */
export class PassJudge {
  private passes: PassBegins[] = [];
  private heard: TimedNote[] = [];
  /** Heard notes before this belong to a pass that is judged, or to the count-in. */
  private from = -Infinity;

  constructor(
    private readonly notes: readonly NoteAsked[],
    private readonly limits: ScoreOptions,
  ) {}

  begins(p: PassBegins): void {
    if (this.from === -Infinity) this.from = this.notes.length ? p.atMs + this.notes[0]!.beat * p.msPerBeat - WINDOW : 0;
    this.passes.push(p);
  }

  note(n: TimedNote): void {
    this.heard.push(n);
  }

  /** Passes that can be judged at a time of the audio clock, latency set off. */
  due(nowMs: number): JudgedPass[] {
    const judged: JudgedPass[] = [];
    for (;;) {
      const p = this.passes.at(0);
      const last = this.notes.at(-1);
      if (!p || !last || nowMs < p.atMs + last.beat * p.msPerBeat + WINDOW + SETTLE) return judged;
      this.passes.shift();
      judged.push(this.judge(p, last.beat));
    }
  }

  private judge(p: PassBegins, lastBeat: number): JudgedPass {
    // Where the next pass begins by this one's tempo: the seam itself is told a little before it is heard.
    const endMs = p.atMs + p.beats * p.msPerBeat;
    const first = this.notes[0]!.beat;
    const gap = (p.beats - lastBeat + first) * p.msPerBeat;
    const until = endMs + first * p.msPerBeat - Math.min(WINDOW, gap / 2);
    const mine = this.heard.filter((n) => n.atMs >= this.from && n.atMs < until);
    this.heard = this.heard.filter((n) => n.atMs >= until);
    this.from = until;
    const expected = this.notes.map((n) => ({ midi: n.midi, atMs: p.atMs + n.beat * p.msPerBeat }));
    return { pass: p.pass, score: scorePass(expected, mine, { ...this.limits, windowMs: WINDOW }), heard: mine.length };
  }
}

/** The verdicts of passes, as the weak spots are asked of them. */
export const verdictsOf = (passes: readonly JudgedPass[]): NoteVerdict[][] => passes.map((p) => p.score.notes);
