/** What the compiler cannot know of a value by itself, asked in one place each. */

/**
 * The keys of a record, as its type names them, in the order in which they were written.
 * @example keysOf({ box: 1, window: 2 }).join() // 'box,window'
 */
export const keysOf = <K extends string>(record: Readonly<Partial<Record<K, unknown>>>): K[] => Object.keys(record) as K[];

/**
 * A record of some keys, each with what is made of it.
 * @example recordOf(['up', 'down'], (k) => k.length).down // 4
 */
export const recordOf = <K extends string, V>(keys: readonly K[], make: (key: K) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key) => [key, make(key)])) as Record<K, V>;

/**
 * Whether a value of any kind is one of those listed.
 * @example isOneOf(['up', 'down'], 'up') // true
 */
export const isOneOf = <T>(list: readonly T[], value: unknown): value is T => (list as readonly unknown[]).includes(value);

/**
 * What a value of any kind has by name: its fields, or none where it is no object.
 * @example fieldsOf({ fret: 5 }).fret // 5
 */
export const fieldsOf = (value: unknown): Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : {};

/**
 * The members of a value of any kind: its own where it is a list, else none.
 * @example listOf('5').length // 0
 */
export const listOf = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);
