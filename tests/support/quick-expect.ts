import { isDeepStrictEqual } from 'node:util';

// Brute force asks hundreds of thousands of times, and Jest makes its sixty matchers anew for each `expect`: more than half of what
// such tests took. Here what plainly holds is taken to hold, by the strictest reading of its matcher; anything else goes to Jest's own.

const real = expect;

type Holds = (actual: unknown, wanted: unknown) => boolean;
const numbers = (holds: (a: number, b: number) => boolean): Holds => (a, b) => typeof a === 'number' && typeof b === 'number' && holds(a, b); // prettier-ignore

/** When a matcher with one argument, or none, surely holds. */
const HOLDS: Readonly<Record<string, Holds>> = {
  toBe: Object.is,
  toEqual: isDeepStrictEqual,
  toStrictEqual: isDeepStrictEqual,
  toBeNull: (a) => a === null,
  toBeUndefined: (a) => a === undefined,
  toContain: (a, b) => Array.isArray(a) && a.indexOf(b) >= 0,
  toHaveLength: (a, b) => (Array.isArray(a) || typeof a === 'string') && a.length === b,
  toBeGreaterThan: numbers((a, b) => a > b),
  toBeGreaterThanOrEqual: numbers((a, b) => a >= b),
  toBeLessThan: numbers((a, b) => a < b),
  toBeLessThanOrEqual: numbers((a, b) => a <= b),
};

/** What is expected of a value. */
class Expected {
  constructor(readonly actual: unknown) {}
}
/** Jest's own matchers of a value, by name. */
const ownOf = (e: Expected) => real(e.actual) as unknown as Readonly<Record<string, (this: void, ...wanted: unknown[]) => unknown>>;

for (const name of Object.keys(real(0))) {
  if (['not', 'resolves', 'rejects'].includes(name)) {
    Object.defineProperty(Expected.prototype, name, {
      get(this: Expected) {
        return ownOf(this)[name];
      },
    });
    continue;
  }
  const holds = HOLDS[name];
  const matcher = function (this: Expected, ...wanted: unknown[]): unknown {
    if (holds && wanted.length <= 1 && holds(this.actual, wanted[0])) return undefined;
    try {
      return ownOf(this)[name]!(...wanted);
    } catch (e) {
      if (e instanceof Error) Error.captureStackTrace(e, matcher); // the test's line is shown, not this one
      throw e;
    }
  };
  Object.defineProperty(Expected.prototype, name, { value: matcher });
}

(globalThis as { expect?: unknown }).expect = Object.assign((actual: unknown) => new Expected(actual), real);
