import { spawn } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { API, type Offer } from '../../contract';
import { DEMO } from '../../demo';
import { MOST_WRONG } from '../../server/share/pairing';
import { readCertificate } from '../../server/share/certificate';
import { newFile, send, start, stop, type Running } from '../durability/server';
import { makeCertificate, makeNetworks, type Networks } from '../support/networks';

// The built server between two networks, as in docs/security.md. Each check is made from the device: another network namespace.
let nets: Networks;
let server: Running | null = null;
beforeAll(() => {
  nets = makeNetworks(1);
});
afterEach(async () => {
  if (server) await stop(server, 'SIGKILL');
  server = null;
});
afterAll(() => nets.remove());

/** Starts the built server with flags; what it said when it was ready, or when it ended. */
async function begin(flags: string[]): Promise<{ ended: boolean; said: string }> {
  try {
    server = await start(newFile(), 5301, { flags: ['--no-open', ...flags] });
    return { ended: false, said: server.said() };
  } catch (e) {
    return { ended: true, said: (e as Error).message };
  }
}
const codeIn = (said: string): string => /Code: ([A-Z0-9-]+)/.exec(said)?.[1] ?? '';

/** What the device gets for each request: [status, location or the begin of the body], or the error. */
const ASK = `
const ask = async ([method, url, headers = {}, body]) => {
  try {
    const r = await fetch(url, { method, headers, body, redirect: 'manual', signal: AbortSignal.timeout(3000) });
    return [r.status, r.headers.get('location') ?? r.headers.get('set-cookie') ?? (await r.text()).slice(0, 300), r.headers.get('set-cookie')];
  } catch (e) { return ['none', String(e.cause?.code ?? e.name)]; }
};
const out = [];
for (const one of JSON.parse(process.argv[1])) out.push(await ask(one));
console.log(JSON.stringify(out));`;
type Asked = [method: string, url: string, headers?: Record<string, string>, body?: string];
const fromDevice = (...asked: Asked[]): [number | 'none', string, string | null][] => JSON.parse(nets.onDevice(ASK, JSON.stringify(asked))) as [number | 'none', string, string | null][]; // prettier-ignore
const FORM = { 'content-type': 'application/x-www-form-urlencoded' };
const pair = (base: string, code: string): string => {
  const [status, , cookie] = fromDevice(['POST', `${base}/pair`, FORM, new URLSearchParams({ code, name: 'stand' }).toString()])[0]!;
  expect(status).toBe(303);
  return (cookie ?? '').split(';')[0]!;
};

/** Waits for what has to come, however busy the machine is; what never comes fails the test. */
async function until(there: () => boolean): Promise<void> {
  while (!there()) await new Promise((soon) => setTimeout(soon, 20));
}

describe('a shared notebook, from another device', () => {
  it('answers on the chosen network alone, and not without the code', async () => {
    const { said } = await begin([`--share=${nets.shared.name}`]);
    const base = `http://${nets.shared.address}:5301`;
    expect(said).toContain(`On other devices of this network: ${base}`);
    expect(said).toContain('NOT encrypted');
    const [studies, page, other, loopback] = fromDevice(
      ['GET', `${base}/api/studies`],
      ['GET', `${base}/`, { accept: 'text/html' }],
      ['GET', `http://${nets.other.address}:5301/pair`],
      ['GET', 'http://127.0.0.1:5301/pair'],
    );
    expect(studies![0]).toBe(401);
    expect(page!.slice(0, 2)).toEqual([303, '/pair']);
    expect(other).toEqual(['none', 'ECONNREFUSED']);
    expect(loopback).toEqual(['none', 'ECONNREFUSED']);
    const cookie = pair(base, codeIn(said));
    const [list, foreign, offer] = fromDevice(
      ['GET', `${base}/api/studies`, { cookie }],
      ['GET', `${base}/api/studies`, { cookie, origin: 'http://evil.test' }],
      ['GET', `${base}/api/share`, { cookie }],
    );
    expect([list![0], foreign![0], offer![0]]).toEqual([200, 403, 404]);
  });

  it('without --share no other network gets an answer', async () => {
    await begin([]);
    const answers = fromDevice(['GET', `http://${nets.shared.address}:5301/`], ['GET', `http://${nets.other.address}:5301/`]);
    expect(answers.map((a) => a[1])).toEqual(['ECONNREFUSED', 'ECONNREFUSED']);
  });

  it('ten thousand guesses are refused, then even the code; the desk goes on, and a new code lets in', async () => {
    const { said } = await begin([`--share=${nets.shared.address}`]);
    const base = `http://${nets.shared.address}:5301`;
    const counts = JSON.parse(
      nets.onDevice(
        `const counts = {};
         const guess = async (n) => { const r = await fetch(process.argv[1] + '/pair', { method: 'POST', redirect: 'manual', headers: { 'content-type': 'application/x-www-form-urlencoded' }, body: 'name=x&code=' + n.toString(36).padStart(8, 'A') }); await r.text(); counts[r.status] = (counts[r.status] ?? 0) + 1; };
         for (let n = 0; n < 10000; n += 50) await Promise.all(Array.from({ length: 50 }, (_, k) => guess(n + k)));
         console.log(JSON.stringify(counts));`,
        base,
      ),
    ) as Record<string, number>;
    expect(Object.keys(counts).every((status) => status === '403' || status === '429')).toBe(true);
    expect(Object.values(counts).reduce((a, b) => a + b, 0)).toBe(10_000);
    const running = server as Running;
    expect((await send(running, 'GET', API.studies)).status).toBe(200);
    // Looked at, and told, were a few; the others are not even that. However fast they came: how many in time is in share.test.ts.
    const looked = running.said().match(/A wrong code came/g)?.length ?? 0;
    expect(looked).toBeGreaterThanOrEqual(3);
    expect(looked).toBeLessThanOrEqual(MOST_WRONG);
    const [right] = fromDevice(['POST', `${base}/pair`, FORM, `name=x&code=${codeIn(said)}`])[0]!;
    expect([403, 429]).toContain(right);
    const fresh = (await (await send(running, 'POST', `${API.share}/code`, {})).json()) as Offer;
    expect(fresh.code?.text).not.toBe(codeIn(said));
    pair(base, fresh.code?.text ?? '');
  });

  it('a change at the desk is told to the device within a second; one shut out hears and gets nothing more', async () => {
    const { said } = await begin([`--share=${nets.shared.name}`]);
    const base = `http://${nets.shared.address}:5301`;
    const cookie = pair(base, codeIn(said));
    const running = server as Running;
    let heard = '';
    const ended = new Promise<void>((done) => {
      const child = spawn('ip', ['netns', 'exec', 'crow-device-1', process.execPath, '--input-type=module', '-e',
        `const r = await fetch(process.argv[1] + '/api/events?study=demo-weathervane', { headers: { cookie: process.argv[2] } });
         for await (const c of r.body) console.log(Date.now(), new TextDecoder().decode(c).replaceAll('\\n', ' '));
         console.log('ended');`, base, cookie]); // prettier-ignore
      child.stdout.on('data', (d: Buffer) => (heard += d.toString()));
      child.on('exit', () => done());
    });
    await until(() => heard.includes('"revision":1'));
    const body = { ...DEMO.studies[0]!.body, tempo: 77 };
    expect((await send(running, 'PUT', `${API.studies}/demo-weathervane`, { revision: 1, body })).status).toBe(200);
    const kept = Date.now();
    await until(() => heard.includes('"revision":2'));
    const { devices } = (await (await send(running, 'GET', API.share)).json()) as Offer;
    expect((await send(running, 'DELETE', `${API.share}/devices/${devices[0]!.id}`)).status).toBe(204);
    await ended;
    expect(heard).toContain('ended');
    const [, when] = /(\d+) data: \{"kind":"studies","id":"demo-weathervane","revision":2\}/.exec(heard) ?? [];
    expect(Number(when) - kept).toBeLessThan(1000);
    expect(fromDevice(['GET', `${base}/api/studies`, { cookie }])[0]![0]).toBe(401);
  });

  it('the network goes and comes back: the server is there, the device still let in', async () => {
    const { said } = await begin([`--share=${nets.shared.name}`]);
    const base = `http://${nets.shared.address}:5301`;
    const cookie = pair(base, codeIn(said));
    nets.unplug();
    expect(fromDevice(['GET', `${base}/api/studies`, { cookie }])[0]![0]).toBe('none');
    expect((await send(server as Running, 'GET', API.studies)).status).toBe(200);
    nets.plug();
    expect(fromDevice(['GET', `${base}/api/studies`, { cookie }], ['GET', `${base}/api/studies`, { cookie }]).at(-1)?.[0]).toBe(200);
  });

  it('with a certificate: encrypted, under its names too; plain requests get no answer', async () => {
    const { cert, key } = makeCertificate(nets.shared.address);
    const { said } = await begin([`--share=${nets.shared.name}`, '--cert', cert, '--key', key]);
    const base = `https://${nets.shared.address}:5301`;
    expect(said).toContain(`On other devices of this network: ${base}`);
    expect(said).toContain('encrypted by your certificate');
    const [status, , cookie] = fromDevice(['POST', `${base}/pair`, FORM, `name=x&code=${codeIn(said)}`])[0]!;
    expect([status, cookie]).toEqual([303, expect.stringMatching(/^__Host-.*; Secure/)]);
    const [list, plain] = fromDevice(
      ['GET', `${base}/api/studies`, { cookie: cookie?.split(';')[0] ?? '' }],
      ['GET', `http://${nets.shared.address}:5301/pair`],
    );
    expect([list![0], plain![0]]).toEqual([200, 'none']);
    const named = nets.onDevice(
      `import { get } from 'node:https';
       const ask = (host) => new Promise((done) => get({ host: process.argv[1], port: 5301, path: '/pair', headers: { host } }, (r) => done(r.statusCode)));
       console.log(await ask('crow.test:5301'), await ask('other.test:5301'), await ask('crow.test:5302'));`,
      nets.shared.address,
    );
    expect(named.trim()).toBe('200 403 403');
  });
});

describe('a start that cannot share says why and ends', () => {
  it('several networks and none named; one that is not there', async () => {
    const several = await begin(['--share']);
    expect(several.ended).toBe(true);
    expect(several.said).toMatch(/on several networks: .*Name the one to share on: npm start -- --share=/);
    const none = await begin(['--share=nowhere0']);
    expect([none.ended, none.said]).toEqual([true, expect.stringContaining('no network “nowhere0”')]);
  });
  it('certificates that cannot be used', () => {
    const [a, b] = [makeCertificate('10.0.0.1'), makeCertificate('10.0.0.2')];
    const now = Date.now();
    expect(readCertificate(a.cert, a.key, now)).toMatchObject({ names: ['crow.test'] });
    const why = (cert: string, key: string, at = now): string => {
      const read = readCertificate(cert, key, at);
      return 'why' in read ? read.why : '';
    };
    expect(why(a.cert, b.key)).toContain('is not the key of the certificate');
    expect(why(a.key, a.key)).toContain('is no certificate');
    expect(why(a.cert, a.cert)).toContain('is no private key');
    expect(why(`${a.cert}.gone`, a.key)).toContain('cannot be read: there is no such file.');
    expect(why(a.cert, a.key, now + 31 * 24 * 3600_000)).toContain('ran out on');
    expect(why(a.cert, a.key, now - 24 * 3600_000)).toContain('is good only from');
    writeFileSync(`${a.cert}.cut`, readFileSync(a.cert, 'utf8').slice(0, 200));
    expect(why(`${a.cert}.cut`, a.key)).toContain('is no certificate');
  });
});
