import { copying, type CopyOptions, type Instrument, type LickCopy } from '../../core';
import { serveSearch } from './serve-search';

/** A line of pitches whose copies are looked for. */
export interface CopiesJob extends CopyOptions {
  readonly instrument: Instrument;
  readonly pitches: number[];
}

serveSearch<CopiesJob, LickCopy[]>(({ instrument, pitches, ...options }) => copying(instrument, pitches, options));
