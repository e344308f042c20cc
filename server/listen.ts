import { codeOf } from './error-code';
import { serve } from '@hono/node-server';
import type { Hono } from 'hono';
import type { IncomingMessage, Server } from 'node:http';
import { createServer } from 'node:https';
import type { Socket } from 'node:net';

export const HOST = '127.0.0.1';
const TRIES = 20;

/** A connection on which nothing comes for so long is closed, in ms; so is one whose request does not get whole. */
const IDLE_MS = 10_000;
const LOOK_MS = 1_000;

interface Where {
  /** The address to listen on, and no other. */
  readonly host: string;
  /** The first port to try. */
  readonly port: number;
  /** A connection on which nothing comes for so long is closed, in ms. */
  readonly idleMs?: number;
  /** Encrypts; none: plain http. */
  readonly tls?: { readonly cert: string; readonly key: string } | null;
}

type Answers = Pick<Hono, 'fetch'>;

interface Listening {
  readonly server: Server;
  readonly port: number;
}

const listenOn = (app: Answers, { host, port, tls, idleMs = IDLE_MS }: Where): Promise<Listening> =>
  new Promise((resolve, reject) => {
    const patience = { connectionsCheckingInterval: LOOK_MS, headersTimeout: IDLE_MS - LOOK_MS, requestTimeout: 6 * IDLE_MS };
    const server = serve(
      {
        fetch: app.fetch,
        hostname: host,
        port,
        ...(tls ? { createServer, serverOptions: { ...patience, ...tls, handshakeTimeout: IDLE_MS } } : { serverOptions: patience }),
      },
      (info) => resolve({ server, port: info.port }),
    ) as Server;
    const answering = new WeakMap<object, IncomingMessage>();
    // Bytes that stop coming, not an answer that takes its time: the timer is for what we are still to read.
    server.setTimeout(idleMs, (socket: Socket) => void (answering.get(socket)?.complete || socket.destroy()));
    server.on('request', (request, response) => {
      answering.set(request.socket, request);
      // A connection that is used again may have its next request by then.
      response.once('close', () => void (answering.get(request.socket) === request && answering.delete(request.socket)));
    });
    server.once('error', reject);
  });

/** Listens on the first free port from `port` on; says on the terminal which it skipped. */
export async function listen(app: Answers, port: number, where: Partial<Omit<Where, 'port'>> = {}): Promise<Listening> {
  const last = Math.min(port + TRIES - 1, 65_535);
  for (let p = port; p <= last; p++) {
    try {
      return await listenOn(app, { host: HOST, ...where, port: p });
    } catch (e) {
      if (codeOf(e) !== 'EADDRINUSE') throw e;
      console.log(`Port ${p} is in use; trying ${p + 1}.`);
    }
  }
  throw new Error(`No free port from ${port} to ${last}. Set CROW_LADDER_PORT to another one.`);
}
