import { expect as jests } from '@jest/globals';

/** `expect` here is the quick one (tests/support/quick-expect.ts): held against Jest's own, which it stands in for. */
const VALUES: readonly unknown[] = [
  0, -0, 1, NaN, '', 'a', true, null, undefined, [], [1], [undefined], [, 1], {}, { a: 1 }, { a: 1, b: undefined },
  new Set([1]), new Date(0), new Error('x'), Uint8Array.of(1), expect.any(Number), expect.objectContaining({ a: 1 }), /a/,
]; // prettier-ignore
const MATCHERS = ['toBe', 'toEqual', 'toStrictEqual', 'toBeNull', 'toBeUndefined', 'toContain', 'toHaveLength', 'toBeGreaterThan', 'toBeGreaterThanOrEqual', 'toBeLessThan', 'toBeLessThanOrEqual', 'toMatchObject', 'toBeTruthy', 'toMatch']; // prettier-ignore

type Matchers = Record<string, (wanted?: unknown) => unknown>;
/** What a matcher says of a value: null, or the words of its refusal. */
function said(of: (actual: unknown) => unknown, name: string, actual: unknown, wanted: unknown, not: boolean): string | null {
  try {
    const all = of(actual) as { readonly not: Matchers } & Matchers;
    (not ? all.not : all)[name]!(...(/Null|Undefined|Truthy/.test(name) ? [] : [wanted]));
    return null;
  } catch (e) {
    return (e as Error).message;
  }
}

it('is not Jest’s own', () => {
  jests(Object.is(expect, jests)).toBe(false);
});

it.each(MATCHERS)('%s says of any value what Jest says, negated too', (name) => {
  const other: string[] = [];
  for (const actual of VALUES)
    for (const wanted of VALUES)
      for (const not of [false, true]) {
        const [quick, own] = [said(expect, name, actual, wanted, not), said(jests, name, actual, wanted, not)];
        if (quick !== own) other.push(`${String(actual)} ${name} ${String(wanted)}: ${quick} for ${own}`);
      }
  jests(other).toEqual([]);
});

it('shows the line of the test that failed', () => {
  let stack = '';
  try {
    expect(1).toBe(2);
  } catch (e) {
    stack = (e as Error).stack ?? '';
  }
  jests(stack.split('\n').find((l) => l.trim().startsWith('at '))).toContain('expect.test.ts');
});
