import { ValidationError, type Schema } from 'yup';
import { shortened } from './words';

/** What every kept record carries beside its body. Times are milliseconds since 1970. */
export interface Kept<Body> {
  readonly id: string;
  /** Counts up with every save, and never back; a save names the one it was made from. */
  readonly revision: number;
  readonly createdAt: number;
  readonly updatedAt: number;
  readonly body: Body;
}

/** What a save is answered with: the body is what was sent. */
export type Saved = Omit<Kept<unknown>, 'body' | 'createdAt'>;

/** What is wrong with a field. */
export interface Problem {
  /** Path of the field, `scale.tonic`; empty where the whole is meant. */
  readonly field: string;
  /** For a guitarist; at most 300 characters. */
  readonly message: string;
}

/** What the server answers when it says no. */
export interface ErrorAnswer {
  readonly error: { readonly code: string; readonly message: string; readonly problems?: Problem[] };
}

/** A stale save gets the newer record back. */
export interface ConflictAnswer<Body> extends ErrorAnswer {
  readonly current: Kept<Body>;
}

/** Problems told of at most. */
const MOST_PROBLEMS = 20;

/** What a value is checked by; it is built when the first one is. */
export type BuiltSchema = () => Schema;

/** Every way a value breaks its schema, first the shallow ones; empty where it holds. */
export function problemsOf(schema: BuiltSchema, value: unknown): Problem[] {
  try {
    schema().validateSync(value, { strict: true, abortEarly: false });
    return [];
  } catch (e) {
    if (!(e instanceof ValidationError)) throw e;
    const inner = e.inner.length ? e.inner : [e];
    return inner.slice(0, MOST_PROBLEMS).map((x) => ({ field: x.path ?? '', message: shortened(x.message) }));
  }
}

/** Whether a study belongs to the demo set, which comes back as it was with npm run demo:reset. */
export const isDemo = (id: string): boolean => id.startsWith('demo-');
