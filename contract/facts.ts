import type { StudyBody } from './study';

/** A list or a long value as how many it holds and a mark that changes with it. */
export interface Digest {
  readonly count: number;
  readonly mark: string;
}

/** A study, or some fields of one, in short: enough to say in words what two states have not in common. */
export type Facts = { readonly [K in keyof StudyBody]?: StudyBody[K] | Digest };

/** Characters of JSON that a fact has at most before it is told as a digest. */
const LONG = 400;

/** After FNV-1a, 32 bits, two characters a step: a mark, no proof. */
function markOf(text: string): string {
  let hash = 0x811c9dc5 ^ text.length;
  const even = text.length & ~1;
  for (let k = 0; k < even; k += 2) hash = Math.imul(hash ^ (text.charCodeAt(k) | (text.charCodeAt(k + 1) << 16)), 0x01000193);
  if (even < text.length) hash = Math.imul(hash ^ text.charCodeAt(even), 0x01000193);
  return (hash >>> 0).toString(36);
}

const jsonOf = (value: unknown): string => JSON.stringify(value) ?? '';
const factOf = (value: unknown, text: string): unknown =>
  text.length <= LONG && !Array.isArray(value) ? value : { count: Array.isArray(value) ? value.length : 1, mark: markOf(text) };

/** Fields in short; their JSON may be given where it is at hand. */
export const factsOf = (fields: Partial<StudyBody>, json: Readonly<Record<string, string>> = {}): Facts =>
  Object.fromEntries(Object.entries(fields).map(([key, value]) => [key, factOf(value, json[key] ?? jsonOf(value))]));

export const isDigest = (fact: unknown): fact is Digest => typeof fact === 'object' && fact !== null && 'mark' in fact;
