import type { Knex } from 'knex';
import type { DatedCopy, TakenIn } from '../contract';
import { bundleText, takeText, takeValue, type Mode } from './bundles';
import { makeCopy, readCopy } from './copies';
import { keepSent, type Sent } from './keep';
import type { Refused } from './prepare';
import type { Kept } from './repository';

/** Work that may take long, each with its answer. It runs on a thread of its own where there is one. */
export interface Jobs {
  /** A record made (no id), or saved; what is kept is told without its body. */
  readonly keep: { readonly ask: Sent; readonly answer: Refused | Kept };
  readonly take: {
    readonly ask: { readonly mode: Mode; readonly text: string; readonly copyFirst: boolean };
    readonly answer: TakenIn | { readonly problem: string };
  };
  readonly copy: { readonly ask: { readonly time: number }; readonly answer: DatedCopy };
  readonly restore: {
    readonly ask: { readonly name: string; readonly time: number };
    readonly answer: TakenIn | { readonly problem: string } | null;
  };
  readonly bundle: { readonly ask: { readonly versions: boolean }; readonly answer: string };
}
export type JobName = keyof Jobs;

/** What the work is done on: a connection, and the notebook's file where it has one. */
export interface Place {
  readonly db: () => Knex;
  readonly file: string | null;
}

type Told = (share: number) => void;

/** Does one job. */
export const JOBS: { [N in JobName]: (ask: Jobs[N]['ask'], on: Place, told: Told) => Promise<Jobs[N]['answer']> } = {
  keep: (sent, { db }) => keepSent(db(), sent),
  take: async ({ mode, text, copyFirst }, { db, file }, told) => {
    if (copyFirst && file) await makeCopy(db(), file, new Date());
    return takeText(db(), mode, text, told);
  },
  copy: ({ time }, { db, file }) => makeCopy(db(), file!, new Date(time)),
  restore: async ({ name, time }, { db, file }, told) => {
    const read = readCopy(file!, name);
    if (!read || 'problem' in read) return read;
    await makeCopy(db(), file!, new Date(time));
    return takeValue(db(), 'replace', read.value, told);
  },
  bundle: ({ versions }, { db }) => bundleText(db(), versions),
};
