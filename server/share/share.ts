import type { Hono } from 'hono';
import type { Server } from 'node:http';
import { networkInterfaces } from 'node:os';
import type { Flags } from '../flags';
import type { Front } from '../guards';
import { listen } from '../listen';
import { readCertificate, type Certificate } from './certificate';
import type { Devices } from './devices';
import { gated, type Let } from './gate';
import { chosenAddresses, type Address } from './network';
import { offerWords, type Sharing } from './offer';
import { pairing } from './pairing';

/** What was asked for, found to hold: where to share, and with which certificate. */
export interface Plan {
  readonly addresses: Address[];
  readonly certificate: Certificate | null;
}

/** Reads off the command line and this machine what is to be shared; null where nothing is, a sentence where it cannot be. */
export function planOf({ share, cert }: Flags, now: number): Plan | null | { readonly why: string } {
  if (!share) return null;
  const addresses = chosenAddresses(networkInterfaces(), share);
  if ('why' in addresses) return addresses;
  const certificate = cert && readCertificate(cert.cert, cert.key, now);
  return certificate && 'why' in certificate ? certificate : { addresses, certificate };
}

/** Names that a front answers to: its own address, and what the certificate is made out to, at its port. */
function frontOf(address: string, port: () => number, certificate: Certificate | null): Front {
  const names = new Set([address, ...(certificate?.names ?? [])]);
  return {
    isHost: (host) => {
      const [, name, at] = /^([a-z0-9.-]+?)(?::(\d{1,5}))?$/i.exec(host) ?? [];
      return name !== undefined && names.has(name.toLowerCase()) && Number(at ?? (certificate ? 443 : 80)) === port();
    },
    encrypted: certificate !== null,
    only: 'This server answers only by the address that it told.',
  };
}

/** Opens the doors of a plan, each on its address alone, and says how to come in. */
export async function openDoors({ addresses, certificate }: Plan, notebook: Hono<Let>, devices: Devices, port: number) {
  const sharing: Sharing = { urls: [], encrypted: certificate !== null, pairing: pairing() };
  const servers: Server[] = [];
  for (const { address } of addresses) {
    let at = port;
    const front = frontOf(address, () => at, certificate);
    const opened = await listen(gated(notebook, { front, pairing: sharing.pairing, devices, say: console.log }), port, {
      host: address,
      tls: certificate,
    });
    at = opened.port;
    servers.push(opened.server);
    sharing.urls.push(`${certificate ? 'https' : 'http'}://${address}:${at}`);
  }
  const say = async (): Promise<void> => {
    sharing.pairing.fresh();
    console.log(await offerWords(sharing, process.stdin.isTTY));
  };
  await say();
  if (process.stdin.isTTY) process.stdin.on('data', () => void say()).unref();
  return { sharing, servers };
}
