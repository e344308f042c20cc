import type { Context } from 'hono';
import { refuse } from './guards';

export class BadRequest extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: 400 | 415 = 400,
  ) {
    super(message);
  }
}

/** The body of a request as JSON; a wrong content type or broken JSON is refused, never taken as empty. */
export async function jsonBody(c: Context): Promise<Record<string, unknown>> {
  if (!/^application\/json\b/.test(c.req.header('content-type') ?? ''))
    throw new BadRequest('NOT_JSON', 'Send JSON, with the content type application/json.', 415);
  const value: unknown = await c.req.json().catch(() => {
    throw new BadRequest('BROKEN_JSON', 'The request is not whole JSON.');
  });
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new BadRequest('NOT_A_RECORD', 'Send one record, as a JSON object.');
  return value as Record<string, unknown>;
}

/** A refused request is answered, anything else is thrown on. */
export function answerBadRequest(e: Error, c: Context): Response {
  if (e instanceof BadRequest) return refuse(c, e.status, e.code, e.message);
  throw e;
}
