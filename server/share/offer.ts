import { Hono } from 'hono';
import qrcode from 'qrcode';
import { API, type Offer } from '../../contract';
import { refuse } from '../guards';
import type { Devices } from './devices';
import type { Pairing } from './pairing';

/** What is offered on the network just now. */
export interface Sharing {
  readonly urls: string[];
  readonly encrypted: boolean;
  readonly pairing: Pairing;
}

/** The address with its code, as a camera reads it. */
export const pairUrl = (url: string, code: string): string => `${url}/pair?code=${code}`;

/** The offer as this machine's own pages see it: the code, the devices, and ways to make the one anew and shut the others out. */
export function shareRoutes(devices: Devices, sharing: Sharing | null): Hono {
  const app = new Hono();
  const offer = async (): Promise<Offer> => {
    const code = sharing?.pairing.current() ?? null;
    const [first] = sharing?.urls ?? [];
    return {
      urls: sharing?.urls ?? [],
      encrypted: sharing?.encrypted ?? false,
      code,
      square: code && first ? await qrcode.toString(pairUrl(first, code.text), { type: 'svg', margin: 2 }) : null,
      devices: await devices.list(),
    };
  };
  app.get('/', async (c) => c.json(await offer()));
  app.post('/code', async (c) => {
    if (!sharing) return refuse(c, 409, 'NOT_SHARED', 'Crow Ladder is not shared. Start it with npm start -- --share.');
    sharing.pairing.fresh();
    return c.json(await offer(), 201);
  });
  app.delete('/devices/:id', async (c) =>
    (await devices.shutOut(c.req.param('id')))
      ? c.body(null, 204)
      : refuse(c, 404, 'NOT_FOUND', `There is no such device; it may have been shut out already.`),
  );
  app.all('*', (c) => refuse(c, 404, 'NOT_FOUND', `There is nothing at this address under ${API.share}.`));
  return app;
}

/** What the terminal says of the offer: address, code, square code, and what is not promised. */
export async function offerWords({ urls, encrypted, pairing }: Sharing, canAsk: boolean): Promise<string> {
  const code = pairing.current();
  if (!code) return 'No code is good now.';
  const square = await qrcode.toString(pairUrl(urls[0]!, code.text), { type: 'utf8', margin: 2 });
  return [
    `On other devices of this network: ${urls.join(' or ')}`,
    `Code: ${code.text}   (good for ten minutes${canAsk ? '; Enter makes a new one' : '; a new one is made under Settings'})`,
    square,
    ...(encrypted
      ? ['The connection is encrypted by your certificate.']
      : [
          'The connection is NOT encrypted: others on this network can read along. Share only on a network you trust.',
          'With a certificate (--cert FILE --key FILE) it is, and the devices get microphone, MIDI and a screen that stays awake.',
        ]),
  ].join('\n');
}
