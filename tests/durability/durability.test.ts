import { execFileSync, spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { dirname, join } from 'node:path';
import fc from 'fast-check';
import { API, type StudyBody } from '../../contract';
import { DEMO } from '../../demo';
import { newFile, rounds, send, start, stop, type Running } from './server';

const body = (change: object = {}): StudyBody => ({ ...structuredClone(DEMO.studies[0]!.body), instrumentId: null, ...change });
const json = async <T>(r: Promise<Response>): Promise<T> => (await r).json() as Promise<T>;
const sum = (file: string): string => createHash('sha256').update(readFileSync(file)).digest('hex');
const rest = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
let running: Running[] = [];
const up = async (...args: Parameters<typeof start>): Promise<Running> => {
  const r = await start(...args);
  running.push(r);
  return r;
};
afterEach(async () => {
  for (const r of running) await stop(r, 'SIGKILL');
  running = [];
});

describe('killed with several writers', () => {
  it('every acknowledged save is there, and Debian’s own SQLite finds the file sound', async () => {
    const file = newFile();
    let server = await up(file, 5101);
    const ids = await Promise.all(
      [0, 1, 2, 3].map(async (k) => (await json<{ id: string }>(send(server, 'POST', API.studies, { body: body({ name: `w${k}` }) }))).id),
    );
    const acknowledged = new Map(ids.map((id) => [id, { revision: 1, tempo: 96 }]));
    for (let round = 0; round < rounds(5); round++) {
      let on = true;
      const writer = async (id: string): Promise<void> => {
        while (on) {
          const last = acknowledged.get(id) as { revision: number; tempo: number };
          const tempo = 40 + ((last.tempo + 1) % 200);
          try {
            const answer = await send(server, 'PUT', `${API.studies}/${id}`, { revision: last.revision, body: body({ tempo }) });
            if (answer.status === 409) {
              // Done before the kill, its answer lost.
              const { current } = (await answer.json()) as { current: { revision: number; body: StudyBody } };
              expect(current.revision).toBe(last.revision + 1);
              acknowledged.set(id, { revision: current.revision, tempo: current.body.tempo });
            } else if (answer.ok) acknowledged.set(id, { revision: last.revision + 1, tempo });
          } catch {
            return;
          }
        }
      };
      const writers = ids.map(writer);
      await rest(150 + 97 * (round % 5));
      await stop(server, 'SIGKILL');
      on = false;
      await Promise.all(writers);
      server = await up(file, 5101);
      for (const [id, last] of acknowledged) {
        const now = await json<{ revision: number; body: StudyBody }>(send(server, 'GET', `${API.studies}/${id}`));
        expect(now.revision).toBeGreaterThanOrEqual(last.revision);
        if (now.revision === last.revision) expect(now.body.tempo).toBe(last.tempo);
        acknowledged.set(id, { revision: now.revision, tempo: now.body.tempo });
      }
    }
    await stop(server);
    expect(execFileSync('sqlite3', [file, 'pragma integrity_check']).toString().trim()).toBe('ok');
  });

  it('during the very first start: the next one begins as if nothing had been', async () => {
    for (let round = 0; round < rounds(8); round++) {
      const file = newFile();
      const child = spawn(process.execPath, ['dist/server/main.js'], {
        env: { ...process.env, CROW_LADDER_DB: file, CROW_LADDER_PORT: '5102', CI: '1' },
      });
      await rest(60 + round * 45);
      await new Promise((done) => {
        child.once('exit', done);
        child.kill('SIGKILL');
      });
      const server = await up(file, 5102);
      expect(await json<unknown[]>(send(server, 'GET', API.studies))).toHaveLength(4);
      await stop(server);
    }
  });
});

describe('mutated records', () => {
  it('are never answered 500; what is taken reads back the same', async () => {
    const server = await up(newFile(), 5103);
    const text = JSON.stringify({ body: body() });
    const mutated = fc.tuple(fc.nat(text.length), fc.nat(12), fc.oneof(fc.string({ maxLength: 6 }), fc.constantFrom('null', '[]', '{}', '-1', '1e999', '"', ',', '99999999'))).map(([at, size, s]) => text.slice(0, at) + s + text.slice(at + size)); // prettier-ignore
    let taken = 0;
    const count = rounds(400);
    await fc.assert(
      fc.asyncProperty(mutated, async (sent) => {
        const answer = await send(server, 'POST', API.studies, sent);
        expect(answer.status).toBeLessThan(500);
        if (answer.status !== 201) return;
        taken++;
        const { id } = (await answer.json()) as { id: string };
        const kept = await json<{ body: StudyBody; problems: unknown[] }>(send(server, 'GET', `${API.studies}/${id}`));
        expect(kept.problems).toEqual([]);
        expect(kept.body).toEqual((JSON.parse(sent) as { body: StudyBody }).body);
      }),
      { numRuns: count },
    );
    expect(taken).toBeGreaterThan(0);
  });
});

describe('a disk that is full', () => {
  it('refuses the save in words, keeps what was there, and goes on when there is room', async () => {
    const file = newFile();
    await stop(await up(file, 5104));
    const server = await up(file, 5104, { before: 'ulimit -f 900; trap "" XFSZ' });
    const { id } = await json<{ id: string }>(send(server, 'POST', API.studies, { body: body({ name: 'Small' }) }));
    const note = 'x'.repeat(3900);
    let refused: Response | null = null;
    for (let k = 0; k < 400 && !refused; k++) {
      const answer = await send(server, 'POST', API.studies, { body: body({ name: `n${k}`, note }) });
      if (!answer.ok) refused = answer;
    }
    expect(refused?.status).toBe(507);
    expect(await refused?.json()).toMatchObject({ error: { code: 'DISK_FULL' } });
    expect(await json(send(server, 'GET', `${API.studies}/${id}`))).toMatchObject({ body: { name: 'Small' } });
    await stop(server, 'SIGKILL');
    const again = await up(file, 5104);
    expect((await send(again, 'POST', API.studies, { body: body({ name: 'Room again' }) })).status).toBe(201);
    await stop(again);
    expect(execFileSync('sqlite3', [file, 'pragma integrity_check']).toString().trim()).toBe('ok');
  });
});

describe('a start that cannot be', () => {
  it('a second server on one notebook says where the first answers, unless told to start all the same', async () => {
    const file = newFile();
    const first = await up(file, 5105);
    await expect(start(file, 5106)).rejects.toThrow(`It answers at ${first.url}`);
    const second = await up(file, 5106, { flags: ['--second'] });
    expect((await send(second, 'GET', API.studies)).status).toBe(200);
    await stop(first, 'SIGKILL');
    await stop(second);
    await stop(await up(file, 5105)); // a killed one leaves no lock behind
  });
  it.each<[string, (file: string) => void, RegExp]>([
    [
      'of another program',
      (f) => void execFileSync('sqlite3', [f, 'create table recipes(name)']),
      /was left as it is: it is a database of another program/,
    ],
    ['that is no database', (f) => writeFileSync(f, 'words '.repeat(200)), /cannot be read: it is not a database/],
    ['that is a folder', (f) => mkdirSync(f), /cannot be reached: it is a folder/],
  ])('a file %s is named so and not touched', async (_, put, words) => {
    const file = newFile();
    put(file);
    const before = _ === 'that is a folder' ? '' : sum(file);
    await expect(start(file, 5107)).rejects.toThrow(words);
    if (before) expect(sum(file)).toBe(before);
  });
  it('a place below a file is told from a damaged notebook', async () => {
    const file = newFile();
    writeFileSync(file, '');
    await expect(start(join(file, 'n.sqlite'), 5108)).rejects.toThrow(/No notebook can be made at .*a part of the path is a file/);
  });
  it('a port that is none is a sentence', async () => {
    await expect(start(newFile(), 'abc' as unknown as number)).rejects.toThrow('CROW_LADDER_PORT is "abc": a port is a whole number');
  });
  it('a plain file where the copies go stops nothing', async () => {
    const file = newFile();
    writeFileSync(join(dirname(file), 'copies'), 'a plain file');
    const server = await up(file, 5109);
    expect((await send(server, 'GET', API.studies)).status).toBe(200);
    expect(server.said()).toContain('No dated copy was made');
  });
});

describe('connections and processes', () => {
  it('a half-open connection is closed after ten seconds', async () => {
    const server = await up(newFile(), 5110);
    const { port } = new URL(server.url);
    const began = Date.now();
    await new Promise<void>((done) => {
      const socket = connect(Number(port), '127.0.0.1', () => socket.write('GET /api/studies HTTP/1.1\r\nHost: 127'));
      socket.resume();
      socket.on('close', () => done());
      socket.on('error', () => undefined);
    });
    expect(Date.now() - began).toBeLessThan(14_000);
    expect((await send(server, 'GET', API.studies)).status).toBe(200);
  }, 30_000);
  it('stopping npm start stops the server; killing what started it does too', async () => {
    for (const signal of ['SIGTERM', 'SIGKILL'] as const) {
      const file = newFile();
      const child = spawn('npm', ['start', '--', '--no-open'], {
        env: { ...process.env, CROW_LADDER_DB: file, CROW_LADDER_PORT: '5111', CI: '1' },
      });
      let said = '';
      const url = await new Promise<string>((done) => child.stdout.on('data', (d: Buffer) => { said += d.toString(); const m = /ready at (\S+)/.exec(said); if (m) done(m[1]!); })); // prettier-ignore
      child.kill(signal);
      let up = true;
      for (let k = 0; k < 60 && up; k++) {
        await rest(200);
        up = await fetch(`${url}${API.health}`).then(
          () => true,
          () => false,
        );
      }
      expect(up).toBe(false);
    }
  }, 60_000);
});

describe('work that takes long', () => {
  it('lets others through: while a notebook of 5,000 licks comes in, a study opens in between', async () => {
    const server = await up(newFile(), 5112);
    const lick = body().licks[0];
    const studies = Array.from({ length: 100 }, (_, k) => ({
      id: `s${k}`,
      body: body({ name: `Study ${k}`, licks: Array.from({ length: 50 }, (_x, n) => ({ ...lick, id: `l${n}` })) }),
    }));
    const coming = send(server, 'POST', API.notebook, { kind: 'crow-ladder notebook', version: 1, instruments: [], studies });
    let done = false;
    void coming.then(() => (done = true));
    let between = 0;
    while (!done) {
      expect((await send(server, 'GET', `${API.studies}/demo-weathervane`)).status).toBe(200);
      between++;
    }
    expect(await json(coming)).toEqual({ studies: 100, instruments: 0, scales: 0, drills: 0, passes: 0, rounds: 0 });
    expect(between).toBeGreaterThan(1);
    expect(await json<unknown[]>(send(server, 'GET', API.studies))).toHaveLength(104);
  });
});
