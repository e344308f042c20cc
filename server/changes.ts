import { keysOf } from '../core';
import type { MiddlewareHandler } from 'hono';
import { API, type ServerEvent } from '../contract';

/** Where every door of one server hears what any of them kept. */
export function changes() {
  const listeners = new Set<(e: ServerEvent) => void>();
  const tell = (e: ServerEvent): void => {
    for (const listener of listeners) listener(e);
  };
  return {
    tell,
    /** Hears of every change until it is ended; all are told how many hear. */
    listen(listener: (e: ServerEvent) => void): () => void {
      listeners.add(listener);
      tell({ kind: 'present', count: listeners.size });
      return () => {
        if (listeners.delete(listener)) tell({ kind: 'present', count: listeners.size });
      };
    },
    count: (): number => listeners.size,
  };
}
export type Changes = ReturnType<typeof changes>;

const RECORDS = { studies: API.studies, instruments: API.instruments, scales: API.scales, drills: API.drills } as const;
/** What puts a whole notebook in the place of records, or beside them. */
const WHOLE: readonly string[] = [API.notebook, API.copies];

/** Tells of each request that changed something, once it is answered. */
export const telling =
  (heard: Changes): MiddlewareHandler =>
  async (c, next) => {
    await next();
    if (c.req.method === 'GET' || !c.res.ok) return;
    const kind = keysOf(RECORDS).find((k) => `${c.req.path}/`.startsWith(`${RECORDS[k]}/`));
    if (kind && c.req.method === 'DELETE') return heard.tell({ kind, id: c.req.path.split('/').pop() ?? null, revision: null });
    if (kind) {
      const { id, revision } = (await c.res.clone().json()) as { readonly id: string; readonly revision: number };
      heard.tell({ kind, id, revision });
    } else if (WHOLE.some((base) => `${c.req.path}/`.startsWith(`${base}/`))) heard.tell({ kind: 'all', id: null, revision: null });
  };
