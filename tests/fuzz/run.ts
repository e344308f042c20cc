import { mkdirSync, writeFileSync } from 'node:fs';
import { mutated } from './mutate';
import { FUZZED } from './readers';

/**
 * Reads broken files, one after another: `run <reader> <count> <seed> [<only>]`. Tells each number before it is read ("@n"), so that the parent knows where
 * it hangs, and each fault ("! n why"). The limit of memory is this process's own.
 */
const [name, count, seed, only] = [process.argv[2], ...process.argv.slice(3).map(Number)] as [string, number, number, number | undefined];
const { seeds, read, alone } = FUZZED[name]();
/** Most that reading one input may take: a second, and ten milliseconds a kB more (the client asks for half; this machine is not alone). */
const readMs = (bytes: Uint8Array): number => 1000 + (10 * bytes.length) / 1024;
/** Most that all of it may take, places found by the best route included. */
const WHOLE_MS = 20_000;

/** Milliseconds of this process that something takes. */
function timed(action: () => void): number {
  const before = process.cpuUsage();
  action();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

let refused = 0;
let slowest = { n: 0, ms: 0, kB: 0 };
const fault = (n: number, bytes: Uint8Array, why: string): void => {
  mkdirSync('.cache/fuzz', { recursive: true });
  writeFileSync(`.cache/fuzz/${name}-${seed}-${n}.bin`, bytes);
  console.log(`! ${n} ${why.replace(/\s+/g, ' ').slice(0, 300)}`);
};
for (let n = only ?? 0; n < (only === undefined ? count : only + 1); n++) {
  process.stdout.write(`@${n}\n`);
  const bytes = mutated(seeds, seed, n);
  try {
    const whole = timed(() => {
      if (read(bytes) !== null) refused++;
    });
    const ms = alone ? timed(() => alone(bytes)) : whole;
    if (ms > slowest.ms) slowest = { n, ms, kB: bytes.length / 1024 };
    if (ms > readMs(bytes) || whole > WHOLE_MS) fault(n, bytes, `took ${ms.toFixed(0)} of ${whole.toFixed(0)} ms for ${(bytes.length / 1024).toFixed(1)} kB`); // prettier-ignore
  } catch (e) {
    fault(n, bytes, e instanceof Error ? `${e.name}: ${e.message}` : String(e));
  }
}
console.log(`= ${refused} of ${count} refused; slowest: number ${slowest.n}, ${slowest.kB.toFixed(1)} kB in ${slowest.ms.toFixed(0)} ms`);
