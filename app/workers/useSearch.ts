import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { Grip, Lead, LickCopy, Route, ScalePath } from '../../core';
import type { RouteJob } from '../store/connection';
import type { CopiesJob } from './copies.worker';
import type { GripsJob } from './grips.worker';
import type { LeadJob } from './lead.worker';
import type { PathJob } from './path.worker';
import type { WavJob } from './wav.worker';
import type { Answer, Order, Refusal } from './serve-search';

export interface Search<Found> {
  /** Of the last search that ended; kept in sight while the next one runs. */
  readonly found: Found[];
  /** What was found answers a question before this one. */
  readonly stale: boolean;
  /** Why there is nothing. */
  readonly refused: Refusal | null;
  /** Share of the work done, 0 to 1, or null where nothing runs. */
  readonly done: number | null;
  readonly cancelled: boolean;
  readonly cancel: () => void;
  readonly again: () => void;
}

type Result<Found> = Pick<Search<Found>, 'found' | 'refused' | 'done' | 'cancelled'>;

const BROKEN: Refusal = { code: 'BROKEN', field: '', message: 'The search broke off. Ask again.' };

/** Searches whenever the job changes. A search that is overtaken by the next one is ended with its worker. */
function useSearch<Job, Found>(job: Job | null, make: () => Worker): Search<Found> {
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const order = useRef(0);
  const [turn, setTurn] = useState(0);
  const [result, setResult] = useState<Result<Found> & { readonly of: Job | null; readonly answers: Job | null; readonly turn: number }>({
    found: [],
    refused: null,
    done: null,
    cancelled: false,
    of: null,
    answers: null,
    turn: 0,
  });

  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    busy.current = false;
  }, []);
  useEffect(() => end, [end]);

  useEffect(() => {
    if (!job) return;
    if (busy.current) end();
    worker.current ??= make();
    const id = ++order.current;
    // What is found may be much to draw: a key pressed meanwhile goes before it.
    const settle = (found: Found[], refused: Refusal | null): void =>
      startTransition(() => setResult({ found, refused, done: null, cancelled: false, of: job, answers: job, turn }));
    worker.current.onmessage = ({ data }: MessageEvent<Answer<Found[]>>) => {
      if (data.id !== order.current) return;
      if ('done' in data) return setResult((r) => ({ ...r, done: data.done, cancelled: false, of: job, turn }));
      busy.current = false;
      if ('found' in data) settle(data.found, null);
      else settle([], data.refused);
    };
    worker.current.onerror = () => {
      end();
      settle([], BROKEN);
    };
    busy.current = true;
    worker.current.postMessage({ id, job } satisfies Order<Job>);
  }, [job, turn, end, make]);

  const cancel = useCallback(() => {
    end();
    setResult((r) => ({ ...r, done: null, cancelled: true, of: job, turn }));
  }, [end, job, turn]);
  const again = useCallback(() => setTurn((t) => t + 1), []);
  // Begun and nothing heard of it yet.
  const begun = job !== null && (result.of !== job || result.turn !== turn);
  const { found, refused } = result;
  return {
    found,
    stale: result.answers !== job,
    refused,
    done: begun ? 0 : result.done,
    cancelled: !begun && result.cancelled,
    cancel,
    again,
  };
}

const routeWorker = (): Worker => new Worker(new URL('./route.worker.ts', import.meta.url), { type: 'module' });
const copiesWorker = (): Worker => new Worker(new URL('./copies.worker.ts', import.meta.url), { type: 'module' });

const gripsWorker = (): Worker => new Worker(new URL('./grips.worker.ts', import.meta.url), { type: 'module' });
const pathWorker = (): Worker => new Worker(new URL('./path.worker.ts', import.meta.url), { type: 'module' });
const wavWorker = (): Worker => new Worker(new URL('./wav.worker.ts', import.meta.url), { type: 'module' });
const leadWorker = (): Worker => new Worker(new URL('./lead.worker.ts', import.meta.url), { type: 'module' });

/** The ways from here to there. */
export const useRoutes = (job: RouteJob | null): Search<Route> => useSearch(job, routeWorker);
/** Where on the neck a line can be played. */
export const useCopies = (job: CopiesJob | null): Search<LickCopy> => useSearch(job, copiesWorker);
/** Every grip of a chord. */
export const useGrips = (job: GripsJob | null): Search<Grip> => useSearch(job, gripsWorker);
/** Grips for chords that follow each other. */
export const useLead = (job: LeadJob | null): Search<Lead> => useSearch(job, leadWorker);
/** A scale and a shape for every chord of a form. */
export const usePaths = (job: PathJob | null): Search<ScalePath> => useSearch(job, pathWorker);
/** A take as a file of sound. */
export const useWav = (job: WavJob | null): Search<Uint8Array> => useSearch(job, wavWorker);
