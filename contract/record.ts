import { ValidationError, type Schema } from 'yup';

/** What every kept record carries beside its body. Times are milliseconds since 1970. */
export interface Kept<Body> {
  id: string;
  /** Counts up by one with every save; a save names the one it was made from. */
  revision: number;
  createdAt: number;
  updatedAt: number;
  body: Body;
}

/** A line in a list: the record without what a list does not show. */
export interface Problem {
  /** Path of the field, `scale.tonic`; empty where the whole is meant. */
  field: string;
  message: string;
}

/** What the server answers when it says no. */
export interface ErrorAnswer {
  error: { code: string; message: string; problems?: Problem[] };
}

/** A stale save gets the newer record back. */
export interface ConflictAnswer<Body> extends ErrorAnswer {
  current: Kept<Body>;
}

/** Every way a value breaks its schema, first the shallow ones; empty where it holds. */
export function problemsOf(schema: Schema, value: unknown): Problem[] {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false });
    return [];
  } catch (e) {
    if (!(e instanceof ValidationError)) throw e;
    const inner = e.inner.length ? e.inner : [e];
    return inner.map((x) => ({ field: x.path ?? '', message: x.message }));
  }
}
