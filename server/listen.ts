import { serve, type ServerType } from '@hono/node-server';
import type { Hono } from 'hono';

export const HOST = '127.0.0.1';
const TRIES = 20;

interface Listening {
  server: ServerType;
  port: number;
}

const listenOn = (app: Hono, port: number): Promise<Listening> =>
  new Promise((resolve, reject) => {
    const server = serve({ fetch: app.fetch, hostname: HOST, port }, (info) => resolve({ server, port: info.port }));
    server.once('error', reject);
  });

/** Listens on the first free port from `port` on; says on the terminal which it skipped. */
export async function listen(app: Hono, port: number): Promise<Listening> {
  for (let p = port; p < port + TRIES; p++) {
    try {
      return await listenOn(app, p);
    } catch (e) {
      if ((e as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw e;
      console.log(`Port ${p} is in use; trying ${p + 1}.`);
    }
  }
  throw new Error(`No free port from ${port} to ${port + TRIES - 1}. Set CROW_LADDER_PORT to another one.`);
}
