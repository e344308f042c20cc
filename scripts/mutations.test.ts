import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const HERE = './mutations.mjs';

it('every mutation still finds the text that it changes, once, and changes it', async () => {
  const { MUTATIONS } = (await import(HERE)) as { MUTATIONS: readonly (readonly [file: string, from: string, to: string])[] };
  const root = join(import.meta.dirname, '..');
  const stale = MUTATIONS.filter(([file, from, to]) => from === to || readFileSync(join(root, file), 'utf8').split(from).length !== 2);
  expect(stale).toEqual([]);
  expect(MUTATIONS.length).toBeGreaterThan(80);
});
