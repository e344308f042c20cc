import { useCommands } from '../../shell/keys';
import { openPart, openPartSoon } from '../../shell/open-part';
import type { ModeChord, Place } from '../../../core';
import { CHORD_SOUNDS } from '../../sound/chord-heard';
import { store, useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { edited } from '../../store/editor';
import { HARMONY_PAGES, harmonySet } from '../../store/harmony';
import { stepRung } from '../../store/moves';
import { usePractise, type PractiseAsked } from '../PractiseIt';
import { HARMONY_COMMANDS } from './harmony-commands';
import type { SoundOfChord } from './useChordSound';

/** The chord tones of each degree in turn, after the scale once through. */
export const CHORD_TONES: PractiseAsked = { of: 'shape', line: null, order: 'chord-tones', size: 4, scaleFirst: true };

interface On {
  readonly chords: readonly ModeChord[];
  readonly symbol: string;
  readonly grip: readonly Place[];
  readonly sound: SoundOfChord;
}

const next = <T>(all: readonly T[], now: T): T => all[(all.indexOf(now) + 1) % all.length]!;

/** Runs Harmony's commands. */
export function useHarmonyCommands({ chords, symbol, sound }: On): void {
  const dispatch = useAppDispatch();
  const practise = usePractise();
  const part = (name: string) => () => void openPart(name);
  const take = (k: number): void => {
    const chord = chords[(k + chords.length) % chords.length];
    if (chord) dispatch(edited({ chord: chord.symbol }));
  };
  const at = chords.findIndex((c) => c.symbol === symbol);
  const rung = (by: 1 | -1) => () =>
    void dispatch(
      change(({ body, shapes, current }) => stepRung(shapes, current, body.instrument.handedness === 'left' ? (-by as 1 | -1) : by)),
    );
  const now = () => store.getState().harmony;
  const degree = (n: number) => () => {
    const here = chords.findIndex((c) => c.degree.endsWith(String(n)));
    if (here >= 0) take(here);
  };
  useCommands('harmony', HARMONY_COMMANDS, {
    chord: part('chord'),
    scale: part('tonic and scale'),
    right: rung(1),
    left: rung(-1),
    next: () => take(at + 1),
    before: () => take(at < 0 ? 0 : at - 1),
    size: () => dispatch(harmonySet({ size: next([3, 4, 5] as const, now().size) })),
    from: () => dispatch(harmonySet({ from: next(['mode', 'parent'] as const, now().from) })),
    page: () => dispatch(harmonySet({ page: next(HARMONY_PAGES, now().page) })),
    hear: sound.toggle,
    how: () => sound.setHow(next(CHORD_SOUNDS, sound.how)),
    drone: () => sound.setDrone(!sound.drone),
    arpeggio: () => dispatch(harmonySet({ arpeggio: !now().arpeggio })),
    grip: () => {
      dispatch(harmonySet({ page: 'grips' }));
      openPartSoon('grip');
    },
    lift: () => dispatch(harmonySet({ grip: [] })),
    keep: () => {
      dispatch(harmonySet({ page: 'grips' }));
      openPartSoon('keep');
    },
    practise: () => practise(CHORD_TONES),
    'degree-1': degree(1),
    'degree-2': degree(2),
    'degree-3': degree(3),
    'degree-4': degree(4),
    'degree-5': degree(5),
    'degree-6': degree(6),
    'degree-7': degree(7),
  });
}
