import { useSyncExternalStore } from 'react';
import type { HeardPitch } from './detector';
import type { SourceName } from './listen-prefs';
import type { EarProblem } from './source';

/** How it stands with listening, for the eye. What listens is a file of its own, which loads when it is first turned on. */
export interface EarState {
  readonly source: SourceName | null;
  readonly state: 'off' | 'opening' | 'on';
  readonly problem: EarProblem | null;
  readonly device: string;
}

let state: EarState = { source: null, state: 'off', problem: null, device: '' };
const watchers = new Set<() => void>();
const onNotes = new Set<(n: HeardPitch) => void>();

/** Said by what listens. */
export function become(next: Partial<EarState>): void {
  state = { ...state, ...next };
  watchers.forEach((w) => w());
}
/** Said by what listens: a note, in ms of the audio clock with the latency set off. */
export const tellHeard = (n: HeardPitch): void => onNotes.forEach((f) => f(n));

function watch(f: () => void): () => void {
  watchers.add(f);
  return () => watchers.delete(f);
}
export const earState = (): EarState => state;
export const useEar = (): EarState => useSyncExternalStore(watch, earState);

/** Notes as they are heard, in ms of the audio clock with the latency set off. */
export function onNote(f: (n: HeardPitch) => void): () => void {
  onNotes.add(f);
  return () => onNotes.delete(f);
}
