import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { midiOn, openMidis } from '../../../core';
import type { FormChord } from '../../store/progressions';
import type { LeadJob } from '../../workers/lead.worker';
import { useLead } from '../../workers/useSearch';

/** Chords in a row whose grips are looked for; a longer form is comped in close position. */
const MOST = 64;

/** MIDI notes of a grip for each chord, one leading into the next; null until they are found, and where no hand has one. */
export function useVoicings({ instrument, hand }: StudyBody, chords: readonly FormChord[]): readonly (readonly number[])[] | null {
  const runs = useMemo(() => chords.flatMap((c, k) => (k > 0 && chords[k - 1]!.symbol === c.symbol ? [] : [c.symbol])).join(' '), [chords]);
  const job = useMemo((): LeadJob | null => {
    const symbols = runs.split(' ').filter(Boolean);
    return symbols.length && symbols.length <= MOST
      ? { instrument, symbols, hand, count: 1, toFret: Math.min(instrument.frets, 12) }
      : null;
  }, [instrument, hand, runs]);
  const { found } = useLead(job);
  return useMemo(() => {
    const lead = found[0];
    if (!lead || !job || lead.grips.length !== job.symbols.length) return null;
    const open = [0, ...openMidis(instrument)];
    const voiced = lead.grips.map((g) => g.places.map((p) => midiOn(open, p)).sort((a, b) => a - b));
    let run = -1;
    return chords.map((c, k) => voiced[k > 0 && chords[k - 1]!.symbol === c.symbol ? run : ++run] ?? voiced[0]!);
  }, [found, job, instrument, chords]);
}
