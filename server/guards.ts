import type { Context, MiddlewareHandler } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { secureHeaders } from 'hono/secure-headers';
import { API, BODY_LIMIT, NOTEBOOK_LIMIT, type ErrorAnswer, type Problem } from '../contract';

type Status = 400 | 401 | 403 | 404 | 409 | 413 | 415 | 422 | 500 | 503 | 507;

/** Every refusal has this one form. */
export const refuse = (c: Context, status: Status, code: string, message: string, problems?: Problem[]) =>
  c.json<ErrorAnswer>({ error: { code, message, ...(problems ? { problems } : {}) } }, status);

/** An address by which pages are served. */
export interface Front {
  /** Whether a Host header names it. */
  readonly isHost: (host: string) => boolean;
  readonly encrypted: boolean;
  /** What is said where another is named. */
  readonly only: string;
}

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/;
/** This machine's own names. */
export const HERE: Front = {
  isHost: (host) => LOOPBACK.test(host),
  encrypted: false,
  only: 'This server answers only on this machine, as 127.0.0.1 or localhost.',
};

/** Answers only to the names it was told, and only to pages it served itself: no other site can reach the notebook. */
export const ownPagesOnly =
  ({ isHost, encrypted, only }: Front): MiddlewareHandler =>
  async (c, next) => {
    const host = c.req.header('host') ?? '';
    if (!isHost(host)) return refuse(c, 403, 'FOREIGN_HOST', only);
    const origin = c.req.header('origin');
    if (origin !== undefined && origin !== `${encrypted ? 'https' : 'http'}://${host}`)
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

const headersWith = (
  formAction: string,
  referrerPolicy: 'no-referrer' | 'same-origin',
  crossOriginOpenerPolicy: boolean,
): MiddlewareHandler =>
  secureHeaders({
    crossOriginOpenerPolicy,
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
      formAction: [formAction],
      frameAncestors: ["'none'"],
    },
    referrerPolicy,
    xFrameOptions: 'DENY',
    strictTransportSecurity: false,
  });
export const headers = headersWith("'none'", 'no-referrer', true);
/** Over plain http on a network a browser ignores the one header and complains of it. */
export const plainHeaders = headersWith("'none'", 'no-referrer', false);
/** For the one page with a form: without a referrer a browser would call its own origin null. */
export const pairHeaders = headersWith("'self'", 'same-origin', false);
