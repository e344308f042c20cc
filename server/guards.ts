import type { Context, MiddlewareHandler } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { secureHeaders } from 'hono/secure-headers';
import { API, BODY_LIMIT, NOTEBOOK_LIMIT, type ErrorAnswer, type Problem } from '../contract';

type Status = 400 | 403 | 404 | 409 | 413 | 415 | 422 | 500 | 503 | 507;

/** Every refusal has this one form. */
export const refuse = (c: Context, status: Status, code: string, message: string, problems?: Problem[]) =>
  c.json<ErrorAnswer>({ error: { code, message, ...(problems ? { problems } : {}) } }, status);

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/;

/** Answers only to this machine's own names, and only to pages it served itself: no other site can reach the notebook. */
export const ownPagesOnly: MiddlewareHandler = async (c, next) => {
  const host = c.req.header('host') ?? '';
  if (!LOOPBACK.test(host)) return refuse(c, 403, 'FOREIGN_HOST', 'This server answers only on this machine, as 127.0.0.1 or localhost.');
  const origin = c.req.header('origin');
  if (origin !== undefined && origin !== `http://${host}`)
    return refuse(c, 403, 'FOREIGN_ORIGIN', 'Only pages from this server may use it.');
  return next();
};

const limit = (maxSize: number): MiddlewareHandler =>
  bodyLimit({
    maxSize,
    onError: (c) => refuse(c, 413, 'TOO_LARGE', `That is more than ${maxSize / 1024 / 1024} MB, the most one request may carry.`),
  });
const ofRecord = limit(BODY_LIMIT);
const ofNotebook = limit(NOTEBOOK_LIMIT);

/** A record is small; a whole notebook may be large. */
export const sizeLimits: MiddlewareHandler = (c, next) => (c.req.path === API.notebook ? ofNotebook(c, next) : ofRecord(c, next));

export const headers = secureHeaders({
  contentSecurityPolicy: {
    defaultSrc: ["'none'"],
    scriptSrc: ["'self'"],
    styleSrc: ["'self'"],
    fontSrc: ["'self'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    mediaSrc: ["'self'", 'blob:'],
    connectSrc: ["'self'"],
    workerSrc: ["'self'"],
    manifestSrc: ["'self'"],
    baseUri: ["'none'"],
    formAction: ["'none'"],
    frameAncestors: ["'none'"],
  },
  referrerPolicy: 'no-referrer',
  xFrameOptions: 'DENY',
  strictTransportSecurity: false,
});
