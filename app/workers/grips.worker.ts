import { seekingGrips, type Grip, type GripOptions, type Instrument } from '../../core';
import { serveSearch } from './serve-search';

/** A chord whose grips are looked for. */
export interface GripsJob extends GripOptions {
  readonly instrument: Instrument;
  readonly symbol: string;
}

serveSearch<GripsJob, Grip[]>(({ instrument, symbol, ...options }) => seekingGrips(instrument, symbol, options));
