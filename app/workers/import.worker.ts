import { readFiles, type ImportJob, type Incoming } from '../files/read-files';

export type ImportAnswer = { readonly done: number } | { readonly incoming: Incoming[] };

/** Reads files off the main thread, one after another. Cancelled by ending the worker. */
onmessage = ({ data }: MessageEvent<ImportJob>) => {
  const incoming: Incoming[] = [];
  for (const item of readFiles(data)) {
    incoming.push(item);
    postMessage({ done: incoming.length } satisfies ImportAnswer);
  }
  postMessage({ incoming } satisfies ImportAnswer);
};
