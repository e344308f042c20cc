import { randomInt, timingSafeEqual } from 'node:crypto';

/** Letters and digits that nobody takes for each other: no 0 O, 1 I L, 2 Z, 5 S, 8 B, U V. */
const LETTERS = '34679ACDEFGHJKMNPQRTWXY';
const LENGTH = 8;
/** How long a code is good, in ms. */
export const CODE_MS = 10 * 60_000;
/** Wrong codes that are answered at once; each further one waits twice as long as the one before, in ms. */
const AT_ONCE = 3;
const FIRST_WAIT = 1_000;
const LONGEST_WAIT = 60_000;
/** Wrong codes after which no code is good until a new one is made on this machine. */
export const MOST_WRONG = 10;

export type Offered =
  | { readonly in: true }
  | { readonly in: false; readonly why: 'wrong' | 'over' }
  | { readonly in: false; readonly why: 'wait'; readonly seconds: number };

export interface Code {
  readonly text: string;
  readonly until: number;
  wrong: number;
}

/** "ABCD-EFGH" and "abcd efgh" are one code. */
const plain = (text: string): string =>
  text
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, '')
    .slice(0, 64);

function same(a: string, b: string): boolean {
  const [x, y] = [Buffer.from(a), Buffer.from(b)];
  return x.length === y.length && timingSafeEqual(x, y);
}

/**
 * The code that lets a device in: 8 of 23 letters (23^8 is 7.8e10), good for ten minutes and for several devices. At most `MOST_WRONG` guesses are looked at for
 * each code, whoever sends them, so that guessing succeeds once in seven billion codes. `now` is the clock in ms.
 */
export function pairing(now: () => number = Date.now, letter: () => string = () => LETTERS[randomInt(LETTERS.length)]!) {
  let code: Code | null = null;
  let notBefore = 0;
  const current = (): Code | null => {
    if (code && now() >= code.until) code = null;
    return code;
  };
  return {
    /** A new code; the one before is good no more. */
    fresh(): Code {
      const all = Array.from({ length: LENGTH }, letter).join('');
      notBefore = 0;
      return (code = { text: `${all.slice(0, LENGTH / 2)}-${all.slice(LENGTH / 2)}`, until: now() + CODE_MS, wrong: 0 });
    },
    current,
    /** Whether a code that was sent lets its sender in. */
    offer(text: string): Offered {
      const open = current();
      if (!open) return { in: false, why: 'over' };
      const wait = notBefore - now();
      if (wait > 0) return { in: false, why: 'wait', seconds: Math.ceil(wait / 1000) };
      if (same(plain(text), plain(open.text))) return { in: true };
      open.wrong++;
      if (open.wrong >= MOST_WRONG) code = null;
      else if (open.wrong >= AT_ONCE) notBefore = now() + Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** (open.wrong - AT_ONCE));
      return { in: false, why: code ? 'wrong' : 'over' };
    },
  };
}
export type Pairing = ReturnType<typeof pairing>;
