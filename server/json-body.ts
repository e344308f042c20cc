import type { Context } from 'hono';
import { refuse } from './guards';
import { isRefused, readObject } from './prepare';

export class BadRequest extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: 400 | 415 | 422 = 400,
  ) {
    super(message);
  }
}

/** The text of a request that says that it is JSON; any other content type, and none, is refused. */
export async function bodyText(c: Context): Promise<string> {
  if (!/^application\/json\s*(;|$)/i.test(c.req.header('content-type') ?? ''))
    throw new BadRequest('NOT_JSON', 'Send JSON, with the content type application/json.', 415);
  return c.req.text();
}

/** The body of a request as one JSON object; broken JSON is refused, never taken as empty. */
export async function jsonBody(c: Context): Promise<Record<string, unknown>> {
  const read = readObject(await bodyText(c));
  if (isRefused(read)) throw new BadRequest(read.code, read.message, read.status);
  return read.value;
}

/** A refused request is answered, anything else is thrown on. */
export function answerBadRequest(e: Error, c: Context): Response {
  if (e instanceof BadRequest) return refuse(c, e.status, e.code, e.message);
  throw e;
}
