import type { NetworkInterfaceInfo } from 'node:os';
import { API, type Device, type Offer } from '../../contract';
import { json, served } from '../../tests/support/notebook';
import { createApp, createNotebook } from '../app';
import { changes } from '../changes';
import { readFlags } from '../flags';
import { workshop } from '../workshop';
import { devices } from './devices';
import { gated } from './gate';
import { chosenAddresses } from './network';
import { CODE_MS, MOST_WRONG, pairing } from './pairing';

const address = (a: string, internal = false): NetworkInterfaceInfo => ({
  address: a,
  family: 'IPv4',
  internal,
  netmask: '255.255.255.0',
  mac: '',
  cidr: null,
});
const lo = [address('127.0.0.1', true)];

describe('the networks to share on', () => {
  it('the only one there is; with several, the player names one; never more than was named', () => {
    const one = { lo, wlan0: [address('192.168.1.5')] };
    const two = { ...one, docker0: [address('172.17.0.1')] };
    expect(chosenAddresses(one, [])).toEqual([{ interface: 'wlan0', address: '192.168.1.5' }]);
    expect(chosenAddresses(two, [])).toEqual({ why: expect.stringContaining('wlan0 (192.168.1.5), docker0 (172.17.0.1)') as string });
    expect(chosenAddresses(two, ['wlan0', '192.168.1.5'])).toEqual([{ interface: 'wlan0', address: '192.168.1.5' }]);
    expect(chosenAddresses(two, ['eth7'])).toEqual({ why: expect.stringContaining('no network “eth7”') as string });
    expect(chosenAddresses({ lo }, [])).toEqual({ why: expect.stringContaining('on no network') as string });
  });
});

describe('the command line', () => {
  it('words, networks, a certificate', () => {
    expect(readFlags(['--no-open', '--share=wlan0,10.0.0.2', '--cert', 'c.pem', '--key=k.pem'])).toEqual({
      words: new Set(['no-open']),
      share: ['wlan0', '10.0.0.2'],
      cert: { cert: 'c.pem', key: 'k.pem' },
    });
    expect(readFlags(['--share'])).toMatchObject({ share: [] });
    expect(readFlags([])).toMatchObject({ share: null, cert: null });
  });
  it('what does not hold is said', () => {
    expect(readFlags(['--shere'])).toEqual({ why: expect.stringContaining('“--shere” is not known') as string });
    expect(readFlags(['--share', '--cert', 'c.pem'])).toEqual({ why: expect.stringContaining('go together') as string });
    expect(readFlags(['--cert', 'c.pem', '--key', 'k.pem'])).toEqual({ why: expect.stringContaining('for sharing') as string });
    expect(readFlags(['--no-open=1'])).toHaveProperty('why');
  });
});

describe('the code', () => {
  const at = (start = 0) => {
    let now = start;
    const letters = 'ACDEFGHJ';
    let k = 0;
    return { pair: pairing(() => now, () => letters[k++ % 8]!), pass: (ms: number) => (now += ms) }; // prettier-ignore
  };
  it('lets in as typed by a hand: small letters, blanks, no dash', () => {
    const { pair } = at();
    expect(pair.fresh().text).toBe('ACDE-FGHJ');
    for (const typed of ['ACDE-FGHJ', 'acdefghj', ' acde fghj ']) expect(pair.offer(typed)).toEqual({ in: true });
  });
  it('runs out after ten minutes, and a new one ends the one before', () => {
    const { pair, pass } = at();
    pair.fresh();
    pass(CODE_MS - 1);
    expect(pair.offer('ACDEFGHJ')).toEqual({ in: true });
    pass(1);
    expect(pair.current()).toBeNull();
    expect(pair.offer('ACDEFGHJ')).toEqual({ in: false, why: 'over' });
    const random = pairing();
    const old = random.fresh().text;
    expect(random.offer(random.fresh().text)).toEqual({ in: true });
    expect(random.offer(old).in).toBe(false);
  });
  it('wrong ones are slowed down, each twice as long as the one before, then none is good', () => {
    const { pair, pass } = at();
    pair.fresh();
    for (let k = 0; k < 3; k++) expect(pair.offer('WRONG')).toEqual({ in: false, why: 'wrong' });
    const waits: number[] = [];
    for (let k = 3; k < MOST_WRONG; k++) {
      const slow = pair.offer('ACDEFGHJ'); // even the right one waits
      if (!('seconds' in slow)) throw new Error('not slowed down');
      waits.push(slow.seconds);
      pass(slow.seconds * 1000);
      pair.offer('WRONG');
    }
    expect(waits).toEqual([1, 2, 4, 8, 16, 32, 60]);
    expect(pair.offer('ACDEFGHJ')).toEqual({ in: false, why: 'over' });
    pair.fresh();
    expect(pair.offer('ACDEFGHJ')).toEqual({ in: true });
  });
  it('of ten thousand guesses in ten minutes at most ten are looked at', () => {
    let now = 0;
    const pair = pairing(() => now);
    const { text } = pair.fresh();
    let looked = 0;
    for (let k = 0; k < 10_000; k++) {
      now += 59; // 10,000 of them in ten minutes
      const answer = pair.offer(`GUESS${k}`);
      expect(answer.in).toBe(false);
      if (!answer.in && answer.why !== 'wait' && pair.current()?.wrong !== undefined) looked = Math.max(looked, pair.current()?.wrong ?? 0);
    }
    expect(looked).toBeLessThan(MOST_WRONG);
    expect(pair.offer(text)).toEqual({ in: false, why: 'over' });
  });
});

/** A notebook behind a gate, with a clock of its own. */
async function shared(encrypted = false) {
  const { db, file, call } = await served();
  let now = 1_000_000;
  const shop = workshop(db, null);
  const heard = changes();
  const known = devices(db, () => now);
  const pair = pairing(() => now);
  const said: string[] = [];
  const front = { isHost: (h: string) => h === '10.0.0.1:4714', encrypted, only: 'only' };
  const door = gated(createNotebook({ db, shop, heard, devices: known }), {
    front,
    pairing: pair,
    devices: known,
    say: (w) => said.push(w),
  });
  const here = createApp(db, undefined, file, shop, {
    heard,
    known,
    sharing: { urls: ['http://10.0.0.1:4714'], encrypted, pairing: pair },
  });
  const base = `${encrypted ? 'https' : 'http'}://10.0.0.1:4714`;
  const ask = async (path: string, init: RequestInit = {}, headers: Record<string, string> = {}): Promise<Response> =>
    door.request(
      `${base}${path}`,
      { ...init, headers: { host: '10.0.0.1:4714', ...headers } },
      { incoming: { socket: { remoteAddress: '10.0.0.9' } } },
    );
  const tryCode = (code: string, name = 'stand'): Promise<Response> => {
    const text = new URLSearchParams({ code, name }).toString();
    return ask(
      '/pair',
      { method: 'POST', body: text },
      { 'content-type': 'application/x-www-form-urlencoded', 'content-length': String(text.length) },
    );
  };
  const cookieOf = (r: Response): string => (r.headers.get('set-cookie') ?? '').split(';')[0]!;
  const letIn = async (): Promise<string> => cookieOf(await tryCode(pair.fresh().text));
  return { ask, tryCode, letIn, cookieOf, pair, said, call, known, here, heard, pass: (ms: number) => (now += ms), db };
}

describe('the gate', () => {
  it('nothing is answered without the code: no record, no page, no file, no event', async () => {
    const { ask, pair } = await shared();
    pair.fresh();
    for (const path of [
      API.studies,
      API.notebook,
      API.events,
      API.share,
      API.health,
      `${API.studies}/demo-weathervane`,
      '/assets/x.js',
      '/sw.js',
      '/mark.svg',
    ]) {
      const r = await ask(path);
      expect([path, r.status]).toEqual([path, 401]);
      expect(await r.text()).toContain('NOT_LET_IN');
    }
    for (const method of ['POST', 'PUT', 'DELETE']) expect((await ask(`${API.studies}/x`, { method })).status).toBe(401);
    const page = await ask('/study/demo-weathervane/map', {}, { accept: 'text/html' });
    expect([page.status, page.headers.get('location')]).toEqual([303, '/pair']);
    const form = await ask('/pair?code=%22%3E%3Cscript%3E');
    expect(form.status).toBe(200);
    expect(await form.text()).not.toContain('<script');
    expect(form.headers.get('content-security-policy')).toContain("form-action 'self'");
  });
  it('the code gives a cookie that no script reads and no other site sends, and the notebook answers to it', async () => {
    const { ask, tryCode, cookieOf, pair, said } = await shared();
    const r = await tryCode(pair.fresh().text.toLowerCase());
    expect([r.status, r.headers.get('location')]).toEqual([303, '/']);
    expect(r.headers.get('set-cookie')).toMatch(/^crow-ladder-device=[\w-]{12}\.[\w-]{43}; .*HttpOnly; SameSite=Strict$/);
    const cookie = cookieOf(r);
    expect((await ask(API.studies, {}, { cookie })).status).toBe(200);
    expect((await ask('/pair', {}, { cookie })).headers.get('location')).toBe('/');
    expect(said).toEqual(['A device was let in from 10.0.0.9.']);
    for (const forged of [
      `${cookie}x`,
      cookie.replace(/.$/, (c) => (c === 'A' ? 'B' : 'A')),
      'crow-ladder-device=a',
      `${cookie.split('.')[0]}.`,
    ])
      expect((await ask(API.studies, {}, { cookie: forged })).status).toBe(401);
  });
  it('with a certificate the cookie is bound to it and to this host', async () => {
    const { ask, tryCode, cookieOf, pair } = await shared(true);
    const r = await tryCode(pair.fresh().text);
    expect(r.headers.get('set-cookie')).toMatch(/^__Host-crow-ladder-device=.*; Secure/);
    expect((await ask(API.studies, {}, { cookie: cookieOf(r) })).status).toBe(200);
  });
  it('only the address that was told, only its own pages, also with the cookie', async () => {
    const { ask, letIn } = await shared();
    const cookie = await letIn();
    expect((await ask(API.studies, {}, { cookie, host: 'evil.example' })).status).toBe(403);
    expect((await ask(API.studies, {}, { cookie, host: '127.0.0.1:4714' })).status).toBe(403);
    expect((await ask(API.studies, {}, { cookie, origin: 'http://evil.example' })).status).toBe(403);
    expect((await ask('/pair', { method: 'POST' }, { origin: 'null' })).status).toBe(403);
    expect((await ask(API.studies, {}, { cookie, origin: 'http://10.0.0.1:4714' })).status).toBe(200);
  });
  it('what is refused on this machine is refused to a device, and the offer is told to this machine alone', async () => {
    const { ask, letIn, here } = await shared();
    const cookie = await letIn();
    expect((await ask(API.share, {}, { cookie })).status).toBe(404);
    expect((await ask(`${API.share}/code`, { method: 'POST' }, { cookie })).status).toBe(404);
    const wrong = { method: 'POST', body: '{}' };
    expect((await ask(API.studies, wrong, { cookie, 'content-type': 'text/plain' })).status).toBe(415);
    expect((await ask(API.studies, wrong, { cookie, 'content-type': 'application/json' })).status).toBe(422);
    const offer = await json<Offer>(here.request('http://127.0.0.1/api/share', { headers: { host: '127.0.0.1' } }));
    expect(offer.urls).toEqual(['http://10.0.0.1:4714']);
    expect(offer.square).toContain('<svg');
    expect(JSON.stringify(offer)).not.toContain(cookie.split('.')[1]);
  });
  it('ten wrong codes end it for everyone until this machine makes a new one; wrong ones are told', async () => {
    const { tryCode, pair, here, pass, said } = await shared();
    const { text } = pair.fresh();
    const answers: number[] = [];
    for (let k = 0; k < 200; k++) {
      answers.push((await tryCode(`NO${k}`)).status);
      pass(1_000);
    }
    expect(new Set(answers)).toEqual(new Set([403, 429]));
    expect((await tryCode(text)).status).toBe(403);
    expect(said.filter((w) => w.startsWith('A wrong code came from 10.0.0.9'))).toHaveLength(MOST_WRONG);
    const fresh = await json<Offer>(here.request('http://127.0.0.1/api/share/code', { method: 'POST', headers: { host: '127.0.0.1' } }));
    expect((await tryCode(fresh.code?.text ?? '')).status).toBe(303);
  });
  it('a device that is shut out stays out, hears no more, and another stays in', async () => {
    const { ask, letIn, here, known, heard } = await shared();
    const [one, two] = [await letIn(), await letIn()];
    const events = await ask(API.events, {}, { cookie: one });
    expect(events.headers.get('content-type')).toContain('text/event-stream');
    const [newest] = (await known.list()).filter((d: Device) => one.includes(d.id));
    expect(heard.count()).toBe(1);
    const gone = await here.request(`http://127.0.0.1/api/share/devices/${newest!.id}`, {
      method: 'DELETE',
      headers: { host: '127.0.0.1' },
    });
    expect(gone.status).toBe(204);
    expect(heard.count()).toBe(0);
    await events.text(); // it ends
    expect((await ask(API.studies, {}, { cookie: one })).status).toBe(401);
    expect((await ask(API.studies, {}, { cookie: two })).status).toBe(200);
    expect(await known.list()).toHaveLength(1);
  });
  it('last use is kept to the minute; the name is one line of at most 40 letters', async () => {
    const { ask, tryCode, cookieOf, pair, known, pass } = await shared();
    const cookie = cookieOf(await tryCode(pair.fresh().text, `  <b>stand\n${'x'.repeat(60)}`));
    const [before] = await known.list();
    expect(before!.name).toBe(`<b>stand ${'x'.repeat(31)}`);
    pass(61_000);
    await ask(API.studies, {}, { cookie });
    expect((await known.list())[0]!.usedAt).toBe(before!.usedAt + 61_000);
  });
});

describe('what is kept is told', () => {
  it('a save, a deletion and its way back, by whichever door; a read and a refusal are not', async () => {
    const { ask, letIn, here, heard } = await shared();
    const cookie = await letIn();
    const told: object[] = [];
    heard.listen((e) => told.push(e));
    const { DEMO } = await import('../../demo');
    const body = { ...DEMO.studies[0]!.body, instrumentId: null };
    const headers = { cookie, 'content-type': 'application/json' };
    const { id } = await json<{ id: string }>(ask(API.studies, { method: 'POST', body: JSON.stringify({ body }) }, headers));
    await here.request(`http://127.0.0.1${API.studies}/${id}`, {
      method: 'PUT',
      headers: { host: '127.0.0.1', 'content-type': 'application/json' },
      body: JSON.stringify({ revision: 1, body: { ...body, tempo: 99 } }),
    });
    await ask(`${API.studies}/${id}`, { method: 'PUT', body: JSON.stringify({ revision: 1, body }) }, headers); // stale
    await ask(`${API.studies}/${id}`, {}, headers);
    await ask(`${API.studies}/${id}`, { method: 'DELETE' }, headers);
    await ask(`${API.studies}/${id}/restore`, { method: 'POST', body: '{}' }, headers);
    expect(told).toEqual([
      { kind: 'present', count: 1 },
      { kind: 'studies', id, revision: 1 },
      { kind: 'studies', id, revision: 2 },
      { kind: 'studies', id, revision: null },
      { kind: 'studies', id, revision: expect.any(Number) as number },
    ]);
  });
});
