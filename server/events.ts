import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import type { Knex } from 'knex';
import { ID, type ServerEvent } from '../contract';
import type { Changes } from './changes';
import { refuse } from './guards';
import type { Devices } from './share/devices';
import type { Let } from './share/gate';

/** A sign of life so often, in ms: who went without a word is noticed. */
const ALIVE_MS = 15_000;
/** Windows that may follow at once, and events that one may leave untaken. */
const MOST_LISTENING = 60;
const MOST_UNTAKEN = 500;

/** Server-sent events: what is kept, as it happens. With …?study=ID how that study stands is told first. A device that is shut out hears no more. */
export function eventRoutes(db: Knex, heard: Changes, devices: Devices): Hono<Let> {
  const app = new Hono<Let>();
  app.get('/', async (c) => {
    if (heard.count() >= MOST_LISTENING) return refuse(c, 503, 'TOO_MANY', 'Too many windows follow already. Close one of them.');
    const id = c.req.query('study') ?? '';
    const row = ID.test(id) ? await db<{ readonly id: string; readonly revision: number; readonly deleted_at: number | null }>('studies').where({ id }).first('revision', 'deleted_at') : undefined; // prettier-ignore
    const mine = c.get('device');
    return streamSSE(c, (stream) => {
      let untaken = 0;
      return new Promise<void>((end) => {
        const stops: (() => void)[] = [];
        const finish = (): void => {
          for (const stop of stops.splice(0)) stop();
          end();
        };
        const write = (e: ServerEvent): void => {
          if (++untaken > MOST_UNTAKEN) return finish();
          void stream.writeSSE({ data: JSON.stringify(e) }).finally(() => untaken--);
        };
        const alive = setInterval(() => void stream.writeSSE({ event: 'alive', data: '' }), ALIVE_MS);
        stops.push(
          () => clearInterval(alive),
          devices.whenShutOut((gone) => gone === mine && finish()),
          heard.listen(write),
        );
        stream.onAbort(finish);
        if (row) write({ kind: 'studies', id, revision: row.deleted_at === null ? row.revision : null });
      });
    });
  });
  return app;
}
