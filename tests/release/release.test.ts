import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, statSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { VERSION } from '../../contract';

/** The archive as a player gets it: unpacked into a bare folder, with nothing but Node to be found on the way. */
const home = mkdtempSync(join(tmpdir(), 'crow-release-'));
const onlyNode = join(home, 'bin');
const env = { PATH: onlyNode, HOME: home, CI: '1', CROW_LADDER_PORT: '5390' };
let folder = '';
let archive = '';
let child: ChildProcess | null = null;

beforeAll(() => {
  const said = execFileSync(process.execPath, ['scripts/release.mjs'], { encoding: 'utf8' });
  archive = /^(\S+\.tar\.gz): /m.exec(said)?.[1] ?? '';
  mkdirSync(onlyNode);
  symlinkSync(process.execPath, join(onlyNode, 'node'));
  execFileSync('tar', ['-xzf', archive, '-C', home]);
  folder = join(home, readdirSync(home).find((name) => name.startsWith('crow-ladder-')) ?? '');
}, 300_000);

afterAll(async () => {
  const gone = child && new Promise((done) => child?.once('exit', done));
  child?.kill('SIGTERM');
  await gone;
});

it('is small, named by version and platform, and carries no tool of development', () => {
  expect(statSync(archive).size).toBeLessThan(40e6);
  expect(folder).toContain(`crow-ladder-${VERSION}-${process.platform}-${process.arch}`);
  const packages = readdirSync(join(folder, 'node_modules'));
  expect(packages).toContain('better-sqlite3');
  for (const tool of ['typescript', 'vite', 'esbuild', 'jest', '@playwright', 'react', 'eslint', '@swc', 'knex', 'hono']) expect(packages).not.toContain(tool); // prettier-ignore
  expect(existsSync(join(folder, 'dist/server/main.js.map'))).toBe(false);
});

it('brings the licences of what others wrote, in the page, its workers, its faces of text and the server', () => {
  const of = (part: string): string => readFileSync(join(folder, 'dist', part, 'licences.txt'), 'utf8');
  for (const name of ['react-dom', '@cantoo/pdf-lib', 'pitchy', 'vexflow', '@fontsource-variable/fraunces']) expect(of('app')).toContain(`${name} `); // prettier-ignore
  for (const name of ['hono', '@hono/node-server', 'knex', 'lodash', 'yup']) expect(of('server')).toContain(`${name} `);
  for (const text of [of('app'), of('server')]) {
    expect(text).toContain('Permission is hereby granted, free of charge');
    expect(text).not.toMatch(/GPL|undefined/);
  }
});

it('starts with one file and Node alone, and serves its first screen and its notebook', async () => {
  const began = Date.now();
  const started = spawn('node', ['crow-ladder.mjs'], { cwd: folder, env });
  child = started;
  let said = '';
  const url = await new Promise<string>((resolve, reject) => {
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      const found = /ready at (\S+)/.exec(said)?.[1];
      if (found) resolve(found);
    };
    started.stdout.on('data', hear);
    started.stderr.on('data', hear);
    started.on('exit', (code) => reject(new Error(`ended with ${code}: ${said}`)));
  });
  const page = await (await fetch(url)).text();
  console.log(`the first page was served ${Date.now() - began} ms after the start`);
  expect(said).toContain(`Crow Ladder ${VERSION} is ready`);
  expect(said).toContain('First run: the Tin Lantern demo set was loaded.');
  expect(page).toContain('<div id="root">');
  const script = /src="(\/assets\/[^"]+\.js)"/.exec(page)?.[1] ?? '';
  const packed = await fetch(url + script, { headers: { 'accept-encoding': 'br' } });
  expect([packed.status, packed.headers.get('content-encoding')]).toEqual([200, 'br']);
  expect(await (await fetch(`${url}/api/studies`)).text()).toContain('Weathervane');
  expect(readFileSync(join(home, '.local/share/crow-ladder/notebook.sqlite')).length).toBeGreaterThan(0);
});
