import { mkdirSync, writeFileSync } from 'node:fs';
import { isOneOf, keysOf } from '../../core';
import { LARGE } from './large';
import { mutated } from './mutate';
import { asFile, FUZZED, type Fuzzed } from './readers';

/**
 * Reads broken files, one after another: `run <reader> <count> <seed> [<only>]`; the reader "large" reads files of 20 MB. Tells each number before it is read
 * ("@n"), so that the parent knows where it hangs, and each fault ("! n why"). The limit of memory is this process's own.
 */
const [name, count, seed, only] = [process.argv[2], ...process.argv.slice(3).map(Number)] as [string, number, number, number | undefined];

/** Most that reading one input may take: a second, and ten milliseconds a kB more (the client asks for half; this machine is not alone). */
const readMs = (bytes: Uint8Array): number => 1000 + (10 * bytes.length) / 1024;
/** Most that all of it may take, places found by the best route included; and a file of 20 MB. */
const WHOLE_MS = 20_000;
const LARGE_MS = 10_000;

/** Milliseconds of this process that something takes. */
function timed(action: () => void): number {
  const before = process.cpuUsage();
  action();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

const kB = (bytes: Uint8Array): string => `${(bytes.length / 1024).toFixed(1)} kB`;
const wordsOf = (e: unknown): string => (e instanceof Error ? `${e.name}: ${e.message}` : String(e)).replace(/\s+/g, ' ').slice(0, 300);
const fault = (n: number, why: string): void => console.log(`! ${n} ${why}`);

function readBroken({ seeds, read, alone }: Fuzzed): void {
  let refused = 0;
  let slowest = '';
  let most = 0;
  const keep = (n: number, bytes: Uint8Array, why: string): void => {
    mkdirSync('.cache/fuzz', { recursive: true });
    writeFileSync(`.cache/fuzz/${name}-${seed}-${n}.bin`, bytes);
    fault(n, why);
  };
  for (let n = only ?? 0; n < (only === undefined ? count : only + 1); n++) {
    process.stdout.write(`@${n}\n`);
    const bytes = mutated(seeds, seed, n);
    try {
      const whole = timed(() => {
        if (read(bytes) !== null) refused++;
      });
      const ms = alone ? timed(() => alone(bytes)) : whole;
      if (ms > most) [most, slowest] = [ms, `number ${n}, ${kB(bytes)} in ${ms.toFixed(0)} ms`];
      if (ms > readMs(bytes) || whole > WHOLE_MS) keep(n, bytes, `took ${ms.toFixed(0)} of ${whole.toFixed(0)} ms for ${kB(bytes)}`);
    } catch (e) {
      keep(n, bytes, wordsOf(e));
    }
  }
  console.log(`= ${refused} of ${count} refused; slowest: ${slowest}`);
}

function readLarge(): void {
  let [most, slowest] = [0, ''];
  LARGE.forEach(([what, file, make], n) => {
    if (only !== undefined && only !== n) return;
    process.stdout.write(`@${n}\n`);
    try {
      let why: string | null = null;
      const bytes = make();
      const ms = timed(() => (why = asFile(file)(bytes)));
      if (ms > most) [most, slowest] = [ms, what];
      if (ms > LARGE_MS) fault(n, `${what} took ${ms.toFixed(0)} ms (${why ?? 'read'})`);
    } catch (e) {
      fault(n, `${what}: ${wordsOf(e)}`);
    }
  });
  console.log(`= ${LARGE.length} files of 20 MB; slowest: ${slowest} in ${most.toFixed(0)} ms`);
}

const readers = keysOf(FUZZED);
if (name === 'large') readLarge();
else if (isOneOf(readers, name)) readBroken(FUZZED[name]());
else throw new Error(`no reader is called ${name}: ${readers.join(', ')}, large`);
