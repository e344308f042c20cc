/** Where the server keeps what. */
export const API = Object.freeze({
  health: '/api/health',
  studies: '/api/studies',
  instruments: '/api/instruments',
});

/** Largest request body in bytes. */
export const BODY_LIMIT = 2 * 1024 * 1024;
