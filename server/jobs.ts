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
  keep: { ask: Sent; answer: Refused | Kept };
  take: { ask: { mode: Mode; text: string; copyFirst: boolean }; answer: TakenIn | { problem: string } };
  copy: { ask: { time: number }; answer: DatedCopy };
  restore: { ask: { name: string; time: number }; answer: TakenIn | { problem: string } | null };
  bundle: { ask: { versions: boolean }; answer: string };
}
export type JobName = keyof Jobs;

/** What the work is done on: a connection, and the notebook's file where it has one. */
export interface Place {
  db: () => Knex;
  file: string | null;
}

type Told = (share: number) => void;

/** Does one job. */
export const JOBS: { [N in JobName]: (ask: Jobs[N]['ask'], on: Place, told: Told) => Promise<Jobs[N]['answer']> } = {
  keep: (sent, { db }) => keepSent(db(), sent),
  take: async ({ mode, text, copyFirst }, { db, file }, told) => {
    if (copyFirst && file) await makeCopy(db(), file, new Date());
    return takeText(db(), mode, text, told);
  },
  copy: ({ time }, { db, file }) => makeCopy(db(), file as string, new Date(time)),
  restore: async ({ name, time }, { db, file }, told) => {
    const read = readCopy(file as string, name);
    if (!read || 'problem' in read) return read;
    await makeCopy(db(), file as string, new Date(time));
    return takeValue(db(), 'replace', read.value, told);
  },
  bundle: ({ versions }, { db }) => bundleText(db(), versions),
};
