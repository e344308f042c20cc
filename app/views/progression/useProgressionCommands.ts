import { toggleListening } from '../../sound/listen/ear-held';
import type { KeptProgression } from '../../../contract';
import { openPart } from '../../shell/open-part';
import { useCommands } from '../../shell/keys';
import { store, useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { GUIDES, overSet } from '../../store/over';
import { withLock, withProgression } from '../../store/progressions';
import { plainPlace, samePlace } from '../../../core';
import { PROGRESSION } from '../../words/views/progression';
import { PROGRESSION_COMMANDS } from './progression-commands';
import type { BackingOn } from './useBacking';
import type { Fits } from './useFits';
import { WAYS, type Ways } from './useWays';

interface On {
  readonly p: KeptProgression;
  readonly ways: Ways;
  readonly backing: BackingOn;
  readonly fits: Fits;
}

const next = <T>(all: readonly T[], now: T): T => all[(all.indexOf(now) + 1) % all.length]!;

/** Runs Progression's commands. */
export function useProgressionCommands({ p, ways, backing, fits }: On): void {
  const dispatch = useAppDispatch();
  const part = (name: string) => () => void openPart(name);
  const set = (make: (now: KeptProgression) => Partial<KeptProgression>): void =>
    void dispatch(change((n) => withProgression(n.body, make)));
  const { form, at, chord, step, near } = ways;
  const walk = (by: number) => () => {
    const count = form.chords.length;
    if (count) dispatch(overSet({ at: (at + by + count) % count, target: null }));
  };
  const hand = (by: number) => () =>
    void dispatch(change(({ body }) => withProgression(body, () => ({ near: Math.max(0, Math.min(body.instrument.frets, near + by)) }))));
  useCommands('progression', PROGRESSION_COMMANDS, {
    progression: part(PROGRESSION.part.progression),
    write: () => {
      const writing = !store.getState().over.writing;
      dispatch(overSet({ writing }));
      if (writing) requestAnimationFrame(() => document.getElementById('form-text')?.focus());
    },
    right: walk(1),
    left: walk(-1),
    up: hand(1),
    down: hand(-1),
    school: () => set((now) => ({ school: now.school === 'per-chord' ? 'one-parent' : 'per-chord' })),
    motion: () => set((now) => ({ motion: now.motion === 'stay' ? 'climb' : 'stay' })),
    way: () => dispatch(overSet({ way: (store.getState().over.way + 1) % WAYS })),
    home: part('tonic and scale'),
    key: part(PROGRESSION.part.key),
    tempo: part(PROGRESSION.part.tempo),
    lines: part(PROGRESSION.part.lines),
    guide: () => dispatch(overSet({ guide: next(GUIDES, store.getState().over.guide) })),
    target: () => {
      const notes = step?.shape.notes.map(plainPlace) ?? [];
      const { target } = store.getState().over;
      const here = target ? notes.findIndex((n) => samePlace(n, target)) : -1;
      if (notes.length) dispatch(overSet({ target: notes[(here + 1) % notes.length] }));
    },
    settle: () => {
      if (!chord || !step) return;
      const settled = p.locks.some((l) => l.chord === at && l.symbol === chord.symbol);
      set((now) => withLock(now, at, chord.symbol, settled ? null : step.ref));
    },
    hear: () => step && fits.listen(step.ref),
    play: backing.toggle,
    listen: toggleListening,
    lift: () => dispatch(overSet({ target: null })),
  });
}
