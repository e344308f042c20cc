import { connecting, CoreError, planning, type Route } from '../../core';
import type { RouteJob } from '../store/connection';

export interface RouteOrder {
  id: number;
  job: RouteJob;
}
export interface Refusal {
  code: string;
  field: string;
  message: string;
}
export type RouteAnswer = { id: number } & ({ done: number } | { routes: Route[] } | { refused: Refusal });

/** Between two reports of progress, in ms. */
const REPORT_EVERY = 50;

function search({ id, job }: RouteOrder): RouteAnswer {
  const { instrument, scale } = job;
  const steps = 'plan' in job ? planning(instrument, scale, job.plan) : connecting(instrument, scale, job.connect);
  let told = performance.now();
  let turn = steps.next();
  for (; !turn.done; turn = steps.next()) {
    if (performance.now() - told < REPORT_EVERY) continue;
    told = performance.now();
    postMessage({ id, done: turn.value } satisfies RouteAnswer);
  }
  return { id, routes: turn.value };
}

/** Looks for routes off the main thread. Cancelled by ending the worker. */
onmessage = ({ data }: MessageEvent<RouteOrder>) => {
  try {
    postMessage(search(data));
  } catch (e) {
    if (!(e instanceof CoreError)) throw e;
    postMessage({ id: data.id, refused: { code: e.code, field: e.field, message: e.message } } satisfies RouteAnswer);
  }
};
