import { CoreError } from '../../core';

export interface Order<Job> {
  readonly id: number;
  readonly job: Job;
}
export interface Refusal {
  readonly code: string;
  readonly field: string;
  readonly message: string;
}
export type Answer<Found> = { readonly id: number } & (
  { readonly done: number } | { readonly found: Found } | { readonly refused: Refusal }
);

/** Between two reports of progress, in ms. */
const REPORT_EVERY = 50;

function runToEnd<Found>(id: number, steps: Generator<number, Found>): Answer<Found> {
  let told = performance.now();
  let turn = steps.next();
  for (; !turn.done; turn = steps.next()) {
    if (performance.now() - told < REPORT_EVERY) continue;
    told = performance.now();
    postMessage({ id, done: turn.value } satisfies Answer<Found>);
  }
  return { id, found: turn.value };
}

/** Makes a worker of a search: it answers each order with progress and what was found, or why not. Cancelled by ending the worker. */
export function serveSearch<Job, Found>(search: (job: Job) => Generator<number, Found>): void {
  onmessage = ({ data }: MessageEvent<Order<Job>>) => {
    try {
      postMessage(runToEnd(data.id, search(data.job)));
    } catch (e) {
      if (!(e instanceof CoreError)) throw e;
      postMessage({ id: data.id, refused: { code: e.code, field: e.field, message: e.message } } satisfies Answer<Found>);
    }
  };
}
