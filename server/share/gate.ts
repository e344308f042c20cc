import { getConnInfo } from '@hono/node-server/conninfo';
import { Hono, type Context, type MiddlewareHandler } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { headers, ownPagesOnly, pairHeaders, plainHeaders, refuse, type Front } from '../guards';
import type { Devices } from './devices';
import { PAIR_CSS, pairPage, type PairWords } from './pair-page';
import type { Pairing } from './pairing';

/** What the gate knows of a request: which device sent it; null on this machine itself. */
export interface Let {
  readonly Variables: { readonly device: string | null };
}

export interface Gate {
  readonly front: Front;
  readonly pairing: Pairing;
  readonly devices: Devices;
  /** Says on the terminal what happens at the gate. */
  readonly say: (words: string) => void;
}

const COOKIE = 'crow-ladder-device';
/** How long a device stays let in that is not used, in seconds. */
const COOKIE_AGE = 180 * 24 * 3600;

const cookieOf = (c: Context, { encrypted }: Front): string | undefined => getCookie(c, COOKIE, encrypted ? 'host' : undefined);

/** A form field of a small form; anything else is empty. */
async function fieldsOf(c: Context): Promise<{ readonly code: string; readonly name: string }> {
  if (!/^application\/x-www-form-urlencoded\s*(;|$)/i.test(c.req.header('content-type') ?? '')) return { code: '', name: '' };
  if (!(Number(c.req.header('content-length')) <= MOST_FORM)) return { code: '', name: '' };
  const fields = new URLSearchParams(await c.req.text());
  return { code: fields.get('code') ?? '', name: fields.get('name') ?? '' };
}
const MOST_FORM = 2_000;

const REFUSED: Record<'wrong' | 'over', PairWords> = {
  wrong: { status: 403, words: 'That is not the code. Look at it again on the computer that Crow Ladder runs on.' },
  over: { status: 403, words: 'No code is good just now. Make a new one on the computer that Crow Ladder runs on.' },
};

/** The one page that a device is shown before it is let in. */
function pairRoutes({ front, pairing, devices, say }: Gate): Hono {
  const app = new Hono();
  const page = (c: Context, code: string, said?: PairWords) =>
    c.html(pairPage({ code, encrypted: front.encrypted, agent: c.req.header('user-agent') ?? '', said: said?.words }), said?.status ?? 200, { 'Cache-Control': 'no-store' }); // prettier-ignore
  app.get('/pair.css', (c) => c.body(PAIR_CSS, 200, { 'Content-Type': 'text/css; charset=utf-8', 'Cache-Control': 'no-cache' }));
  app.get('/pair', async (c) => ((await devices.known(cookieOf(c, front))) ? c.redirect('/', 303) : page(c, c.req.query('code') ?? '')));
  app.post('/pair', async (c) => {
    const { code, name } = await fieldsOf(c);
    const from = getConnInfo(c).remote.address ?? 'somewhere';
    const open = pairing.current();
    const offered = pairing.offer(code);
    if (!offered.in) {
      if (offered.why === 'wait') {
        c.header('Retry-After', String(offered.seconds));
        return page(c, '', { status: 429, words: `Too many wrong codes. Wait ${offered.seconds} s, then try again.` });
      }
      if (open) say(`A wrong code came from ${from}.${offered.why === 'over' ? ' That was one too many: no code is good until you make a new one.' : ''}`); // prettier-ignore
      return page(c, '', REFUSED[offered.why]);
    }
    const cookie = await devices.letIn(name);
    if (!cookie) return page(c, '', { status: 403, words: 'There are as many devices as there may be. Shut one out first.' });
    say(`A device was let in from ${from}.`);
    const usual = { path: '/', httpOnly: true, sameSite: 'Strict', maxAge: COOKIE_AGE } as const;
    setCookie(c, COOKIE, cookie, front.encrypted ? { ...usual, secure: true, prefix: 'host' } : usual);
    return c.redirect('/', 303);
  });
  return app;
}

/** Only devices that were let in come further; a browser's page is led to the code, everything else is refused. */
const needsDevice =
  ({ front, devices }: Gate): MiddlewareHandler<Let> =>
  async (c, next) => {
    const device = await devices.known(cookieOf(c, front));
    if (device) {
      c.set('device', device);
      return next();
    }
    if (c.req.method === 'GET' && /\btext\/html\b/.test(c.req.header('accept') ?? '')) return c.redirect('/pair', 303);
    return refuse(c, 401, 'NOT_LET_IN', 'This device is not let in, or no more. Open the page anew and type in the code.');
  };

/** The notebook behind a gate, for one address on the network. */
export function gated(notebook: Hono<Let>, gate: Gate): Hono<Let> {
  const app = new Hono<Let>();
  app.use('/pair', pairHeaders, ownPagesOnly(gate.front));
  app.use('/pair.css', pairHeaders, ownPagesOnly(gate.front));
  app.route('/', pairRoutes(gate));
  app.use('*', gate.front.encrypted ? headers : plainHeaders, ownPagesOnly(gate.front), needsDevice(gate));
  app.route('/', notebook);
  app.notFound((c) => refuse(c, 404, 'NOT_FOUND', 'There is nothing at this address.'));
  return app;
}
