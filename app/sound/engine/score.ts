/** What sounds, as plain data: it goes to the audio thread as it is. */

/** What has a volume of its own. */
export const SOUND_PARTS = ['notes', 'clicks', 'bass', 'comping', 'drums'] as const;
export type SoundPart = (typeof SOUND_PARTS)[number];
/** 0 to 1 each. */
export type Levels = Record<SoundPart, number>;
export const FULL_LEVELS: Readonly<Levels> = { notes: 1, clicks: 1, bass: 1, comping: 1, drums: 1 };

/** A sound at a beat. Beats are quarters, from 0; parts of one are doubles. */
export interface SoundEvent {
  readonly beat: number;
  /** Which sample. */
  readonly sound: string;
  /** What sounds on one channel damps what sounded there before, as on a string; null: nothing does. */
  readonly channel: number | null;
  /** 0 to 1. */
  readonly gain: number;
  /** How long it is held, in beats; 0: it dies away by itself. */
  readonly beats: number;
  /** Whose volume it has; notes unless said. */
  readonly part?: SoundPart;
}

/** One pass: its length in beats, and its events in order of time. */
export interface Score {
  readonly beats: number;
  readonly events: SoundEvent[];
}

/** What is to be played: a lead-in once, then the score, once or round and round. */
export interface Take {
  readonly lead: Score | null;
  readonly score: Score;
  readonly loop: boolean;
  /** Beats a minute. */
  readonly tempo: number;
}

/** What is to be different from the next seam on. */
export type AtSeam = Partial<Pick<Take, 'score' | 'tempo'>>;

/** A pass began: 0 is the lead-in. Its beats lie at `frame` + beat × `perBeat` of the audio clock, both doubles. */
export interface Seam {
  readonly pass: number;
  readonly frame: number;
  readonly perBeat: number;
  readonly beats: number;
  readonly tempo: number;
}
