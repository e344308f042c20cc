import { copying, type FingeringSchool, type Hand, type Instrument, type LickCopy } from '../../core';
import { serveSearch } from './serve-search';

/** A line of pitches whose copies are looked for. */
export interface CopiesJob {
  instrument: Instrument;
  pitches: number[];
  school: FingeringSchool;
  hand: Hand;
  border: number;
}

serveSearch<CopiesJob, LickCopy[]>(({ instrument, pitches, ...options }) => copying(instrument, pitches, options));
