// Broken files against every reader: npm run fuzz -- [reader] [count] [seed] [only]. In CI 500 each; else 20,000. The reader "large" takes files of 20 MB.
import { build } from 'esbuild';
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureInstalled, ROOT } from './ensure.mjs';

const READERS = ['tab', 'musicxml', 'mxl', 'midi', 'abc', 'scala', 'mapping', 'instrument', 'notebook', 'chords', 'large'];
/** Memory of one reader, in MB; silence after which it hangs, in ms. */
const MEMORY = 500;
const SILENCE = 90_000;

const [first = 'all', count = '20000', seed = String(Date.now() % 100_000), only] = process.argv.slice(2);
await ensureInstalled({ tests: true });
const outfile = join(ROOT, '.cache', 'fuzz-run.mjs');
await build({ entryPoints: [join(ROOT, 'tests/fuzz/run.ts')], outfile, bundle: true, platform: 'node', format: 'esm', packages: 'external', logLevel: 'warning' }); // prettier-ignore

/** Runs one reader; resolves to how many inputs it failed on. */
const fuzz = (reader) =>
  new Promise((done) => {
    const args = [`--max-old-space-size=${MEMORY}`, outfile, reader, count, seed, ...(only === undefined ? [] : [only])];
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    const state = { at: 0, faults: [], rest: '', last: '', error: '' };
    let timer;
    const heard = () => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        state.faults.push(`${state.at} hangs: nothing heard for ${SILENCE / 1000} s`);
        child.kill('SIGKILL');
      }, SILENCE);
    };
    heard();
    child.stderr.on('data', (d) => (state.error = (state.error + d).slice(-500)));
    child.stdout.on('data', (data) => {
      heard();
      const lines = (state.rest + data).split('\n');
      state.rest = lines.pop();
      for (const line of lines) {
        if (line.startsWith('@')) state.at = Number(line.slice(1));
        else if (line.startsWith('!')) state.faults.push(line.slice(2));
        else if (line.startsWith('=')) state.last = line.slice(2);
      }
    });
    child.on('exit', (code) => {
      clearTimeout(timer);
      if (!state.last && !state.faults.some((f) => f.includes('hangs')))
        state.faults.push(`${state.at} ended with ${code}: ${state.error}`);
      console.log(`${reader}: ${state.last || 'not finished'}; ${state.faults.length} faults`);
      for (const f of state.faults.slice(0, 10))
        console.log(`  input ${f}\n    again: npm run fuzz -- ${reader} ${count} ${seed} ${f.split(' ')[0]}`);
      done(state.faults.length);
    });
  });

console.log(`seed ${seed}, ${count} inputs a reader`);
let faults = 0;
for (const reader of first === 'all' ? READERS : [first]) faults += await fuzz(reader);
process.exit(faults ? 1 : 0);
