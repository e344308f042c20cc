import { leading, type Instrument, type Lead, type LeadOptions } from '../../core';
import { serveSearch } from './serve-search';

/** Chords that are to follow each other with little movement. */
export interface LeadJob extends LeadOptions {
  readonly instrument: Instrument;
  readonly symbols: string[];
}

serveSearch<LeadJob, Lead[]>(({ instrument, symbols, ...options }) => leading(instrument, symbols, options));
