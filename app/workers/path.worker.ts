import { walking, type Bar, type Instrument, type PathOptions, type ScalePath, type ShapeMemory } from '../../core';
import { serveSearch } from './serve-search';

/** A form that scales and places are looked for. */
export interface PathJob {
  readonly instrument: Instrument;
  readonly bars: Bar[];
  readonly options: PathOptions;
}

/** What one search laid out serves the next. */
const shapes: ShapeMemory = new Map();
serveSearch<PathJob, ScalePath[]>(({ instrument, bars, options }) => walking(instrument, bars, options, shapes));
