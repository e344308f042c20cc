import type { Instrument } from '../core';
import type { OwnDrill } from './drill';
import type { OwnScale } from './own-scale';
import type { Pass } from './pass';
import type { Round } from './round';
import type { StudyBody } from './study';
import { VERSION } from './version';

/** Studies and instruments in one file: a study, some of them, or a whole notebook. Described in docs/formats.md. */
export interface Bundle {
  readonly kind: typeof BUNDLE_KIND;
  readonly version: 1;
  /** The program that wrote it; older files do not say. */
  readonly by?: string;
  /** The notebook's own ids; a study names its instrument by one of them. */
  readonly instruments: { readonly id: string; readonly body: Instrument }[];
  /** Scales of the player's own; files written before there were any have none. */
  readonly scales: { readonly id: string; readonly body: OwnScale }[];
  /** Drills for all studies; older files have none. */
  readonly drills: { readonly id: string; readonly body: OwnDrill }[];
  readonly studies: { readonly id: string; readonly body: StudyBody }[];
  /** The log, in the order in which it was kept, where it was asked for. */
  readonly passes?: Pass[];
  /** Rounds of questions, in the order in which they were kept; older files have none. */
  readonly rounds?: Round[];
  /** Earlier states of the studies, where they were asked for. */
  readonly versions?: BundleVersion[];
}

export interface BundleVersion {
  /** Id of the study in this bundle. */
  readonly study: string;
  readonly revision: number;
  /** When it was saved, milliseconds since 1970. */
  readonly at: number;
  readonly body: StudyBody;
}

export const BUNDLE_KIND = 'crow-ladder notebook';
export const BUNDLE_VERSION = 1;

type Written = Pick<Bundle, 'studies' | 'instruments' | 'versions' | 'passes' | 'rounds'> & Partial<Pick<Bundle, 'scales' | 'drills'>>;
export const writeBundle = ({ studies, instruments, scales = [], drills = [], versions, passes, rounds }: Written): string => {
  const bundle: Bundle = { kind: BUNDLE_KIND, version: BUNDLE_VERSION, by: `Crow Ladder ${VERSION}`, instruments, scales, drills, studies };
  return `${JSON.stringify({ ...bundle, ...(versions ? { versions } : {}), ...(passes ? { passes } : {}), ...(rounds ? { rounds } : {}) }, null, 1)}\n`;
};
