import type { Facts } from './facts';

/** Where the server keeps what. */
export const API = Object.freeze({
  health: '/api/health',
  studies: '/api/studies',
  instruments: '/api/instruments',
  /** Scales of the player's own. */
  scales: '/api/scales',
  /** Drills without key and shape, for all studies. */
  drills: '/api/drills',
  /** The log: POST keeps passes, GET lists them, …/charts, …/history and …/file; PUT …/:id corrects one, DELETE …/:id takes it out, POST …/:id/restore brings it back. */
  passes: '/api/passes',
  /** Rounds of questions: POST keeps them, GET tells the newest, oldest first. */
  rounds: '/api/rounds',
  /** The whole notebook as one file: GET writes it, POST adds one to what is here, PUT puts one in its place. */
  notebook: '/api/notebook',
  /** How far the notebook that is coming in is: { done: 0 to 1, or null }. */
  progress: '/api/notebook/progress',
  /** Dated copies of the database: GET lists them, POST makes one, POST …/restore puts one back. */
  copies: '/api/copies',
  /** What is kept, told as it happens (server-sent events): …?study=ID tells first how that study stands. */
  events: '/api/events',
  /** Other devices of the network; this machine only: GET tells the offer, POST …/code makes a new code, DELETE …/devices/:id shuts one out. */
  share: '/api/share',
});

/** Largest request body in bytes: of a record (the largest study that the schema lets through is below it), and of a whole notebook. */
export const BODY_LIMIT = 24 * 1024 * 1024;
export const NOTEBOOK_LIMIT = 96 * 1024 * 1024;

/** Rounds sent at once at most. */
export const MOST_ROUNDS_SENT = 100;

/** Passes sent at once at most. */
export const MOST_SENT = 500;

/** A dated copy of the database. */
export interface DatedCopy {
  /** Counts up by one with every copy; 0 for those made before they were counted. */
  readonly number: number;
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly bytes: number;
}

/** An earlier state of a study, as a list shows it. */
export interface VersionSummary {
  readonly revision: number;
  /** When it was saved, milliseconds since 1970. */
  readonly at: number;
  readonly facts: Facts;
}

/** What came in with a notebook. */
export interface TakenIn {
  readonly studies: number;
  readonly instruments: number;
  readonly scales: number;
  readonly drills: number;
  readonly passes: number;
  readonly rounds: number;
}
