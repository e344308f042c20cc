/** Where the server keeps what. */
export const API = Object.freeze({
  health: '/api/health',
  studies: '/api/studies',
  instruments: '/api/instruments',
  /** The whole notebook as one file: GET writes it, POST adds one to what is here, PUT puts one in its place. */
  notebook: '/api/notebook',
  /** Dated copies of the database: GET lists them, POST makes one, POST …/restore puts one back. */
  copies: '/api/copies',
});

/** Largest request body in bytes: of a record, and of a whole notebook. */
export const BODY_LIMIT = 2 * 1024 * 1024;
export const NOTEBOOK_LIMIT = 64 * 1024 * 1024;

/** A dated copy of the database. */
export interface DatedCopy {
  name: string;
  /** Milliseconds since 1970. */
  at: number;
  bytes: number;
}

/** What came in with a notebook. */
export interface TakenIn {
  studies: number;
  instruments: number;
}
