import { useMemo } from 'react';
import type { KeptProgression, StudyBody } from '../../../contract';
import type { PathStep, ScalePath } from '../../../core';
import { useAppSelector } from '../../store';
import { formOf, locksOn, type Form, type FormChord } from '../../store/progressions';
import type { PathJob } from '../../workers/path.worker';
import { usePaths, type Search } from '../../workers/useSearch';

/** Ways that are shown side by side. */
export const WAYS = 3;

export interface Ways {
  readonly form: Form;
  readonly search: Search<ScalePath>;
  readonly way: ScalePath | null;
  /** Which chord is looked at, and what is played over it. */
  readonly at: number;
  readonly chord: FormChord | null;
  readonly step: PathStep | null;
  /** The chord after it; the first after the last. */
  readonly next: { readonly chord: FormChord; readonly step: PathStep } | null;
  /** The fret that the hand is near. */
  readonly near: number;
}

/** A form as it is played over: its chords, and a scale and a shape for each, searched in a worker. */
export function useWays(body: StudyBody, p: KeptProgression, here: number, playing: number): Ways {
  const { instrument, layout } = body;
  const { text, meter, home, school, motion, locks, weights } = p;
  const { at: chosen, way: number } = useAppSelector((s) => s.over);
  const form = useMemo(() => formOf({ text, meter }), [text, meter]);
  const near = Math.min(instrument.frets, p.near ?? here);
  const job = useMemo((): PathJob | null => {
    if (!form.chords.length) return null;
    const options = { home, school, motion, layout, near, locks: locksOn(locks, form.chords), count: WAYS, weights };
    return { instrument, bars: form.bars, options };
  }, [instrument, layout, form, home, school, motion, near, locks, weights]);
  const search = usePaths(job);
  const found = search.found[Math.min(number, search.found.length - 1)];
  const at = playing >= 0 ? playing : Math.min(chosen, Math.max(0, form.chords.length - 1));
  // What was found last stays in sight while the next search runs: it may be of other chords.
  const way =
    found && found.steps.length === form.chords.length && found.steps.every((s, k) => s.symbol === form.chords[k]!.symbol) ? found : null;
  const after = form.chords.length ? (at + 1) % form.chords.length : 0;
  const next = way && form.chords.length > 1 ? { chord: form.chords[after]!, step: way.steps[after]! } : null;
  return { form, search, way, at, chord: form.chords[at] ?? null, step: way?.steps[at] ?? null, next, near };
}
