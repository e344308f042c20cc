import { strToU8, zipSync } from 'fflate';

/** A file of an archive: its name without its number, and what it holds. */
export interface Filed {
  readonly name: string;
  readonly bytes: Uint8Array | string;
}

/** Files in one ZIP archive, numbered in their order, so that two of one name are two: "01-latch.mid". */
export function archiveOf(files: readonly Filed[]): Uint8Array<ArrayBuffer> {
  const digits = Math.max(2, String(files.length).length);
  const entries = files.map(({ name, bytes }, k) => [`${String(k + 1).padStart(digits, '0')}-${name}`, typeof bytes === 'string' ? strToU8(bytes) : bytes] as const); // prettier-ignore
  return zipSync(Object.fromEntries(entries));
}
