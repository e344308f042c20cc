import { useCallback, useEffect, useRef, useState } from 'react';
import type { Route } from '../../core';
import type { RouteJob } from '../store/connection';
import type { Refusal, RouteAnswer, RouteOrder } from './route.worker';

export interface Routes {
  /** Of the last search that ended; kept in sight while the next one runs. */
  routes: Route[];
  /** Why there is no way. */
  refused: Refusal | null;
  /** Share of the work done, 0 to 1, or null where nothing runs. */
  done: number | null;
  cancelled: boolean;
  cancel: () => void;
  again: () => void;
}

type Found = Pick<Routes, 'routes' | 'refused' | 'done' | 'cancelled'>;

/** Searches whenever what is asked changes. A search that is overtaken by the next one is ended with its worker. */
export function useRoutes(job: RouteJob | null): Routes {
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const order = useRef(0);
  const [turn, setTurn] = useState(0);
  const [found, setFound] = useState<Found>({ routes: [], refused: null, done: null, cancelled: false });

  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    busy.current = false;
  }, []);
  useEffect(() => end, [end]);

  useEffect(() => {
    if (!job) return;
    if (busy.current) end();
    worker.current ??= new Worker(new URL('./route.worker.ts', import.meta.url), { type: 'module' });
    const id = ++order.current;
    worker.current.onmessage = ({ data }: MessageEvent<RouteAnswer>) => {
      if (data.id !== order.current) return;
      if ('done' in data) return setFound((f) => ({ ...f, done: data.done }));
      busy.current = false;
      setFound({
        done: null,
        cancelled: false,
        ...('routes' in data ? { routes: data.routes, refused: null } : { routes: [], refused: data.refused }),
      });
    };
    worker.current.onerror = () => {
      end();
      setFound({
        routes: [],
        done: null,
        cancelled: false,
        refused: { code: 'BROKEN', field: '', message: 'The search broke off. Ask again.' },
      });
    };
    busy.current = true;
    setFound((f) => ({ ...f, done: 0, cancelled: false }));
    worker.current.postMessage({ id, job } satisfies RouteOrder);
  }, [job, turn, end]);

  const cancel = useCallback(() => {
    end();
    setFound((f) => ({ ...f, done: null, cancelled: true }));
  }, [end]);
  const again = useCallback(() => setTurn((t) => t + 1), []);
  return { ...found, cancel, again };
}
