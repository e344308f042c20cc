import { DRILL_WORDS, TEMPO, type DrillForm } from '../../../contract';
import { useLatest } from '../../ui/useLatest';
import type { Climb, Standing } from '../../../core';
import { useCommands } from '../../shell/keys';
import { openPart } from '../../shell/open-part';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { stepRung } from '../../store/moves';
import { practisePrefs, setPractisePrefs } from '../../store/practice/practise-prefs';
import { withForm } from '../../store/practice/edit';
import { PRACTISE_COMMANDS } from './practise-commands';
import { useTap } from './useTap';
import type { Running } from './useRun';

interface On {
  readonly run: Running;
  readonly canStart: boolean;
  readonly climb: Climb;
  readonly standing: Standing;
  readonly onTempo: (tempo: number) => void;
  readonly half: () => void;
  readonly stand: () => void;
  readonly lick: () => void;
  readonly listen: () => void;
}

const next = <T>(all: readonly T[], now: T): T => all[(all.indexOf(now) + 1) % all.length]!;
const inRange = (tempo: number): number => Math.max(TEMPO.min, Math.min(TEMPO.max, tempo));

/** Runs the commands of Practise. */
export function usePractiseCommands({ run, canStart, climb, standing, onTempo, half, stand, lick, listen }: On): void {
  const dispatch = useAppDispatch();
  const tap = useTap(onTempo);
  const latestRef = useLatest({ climb, standing });
  const form = (make: (f: DrillForm) => Partial<DrillForm>) => () => void dispatch(change(({ body }) => withForm(body, make)));
  const step = (by: 1 | -1) => () => void dispatch(change(({ shapes, current }) => stepRung(shapes, current, by)));
  const faster = (by: 1 | -1) => () => onTempo(inRange(latestRef.current.standing.tempo + by * latestRef.current.climb.step));
  const part = (name: string) => () => void openPart(name);
  useCommands('practise', PRACTISE_COMMANDS, {
    clean: () => (run.on ? run.rate('clean') : canStart && run.start()),
    miss: () => run.rate('miss'),
    stop: run.stop,
    tap,
    faster: faster(1),
    slower: faster(-1),
    half,
    'rung-up': step(1),
    'rung-down': step(-1),
    what: part('what'),
    order: part('order'),
    rhythm: part('rhythm'),
    drills: part('drills'),
    sounds: () => setPractisePrefs({ sounds: next(['both', 'clicks', 'notes'] as const, practisePrefs.get().sounds) }),
    say: form((f) => ({ words: next(DRILL_WORDS, f.words) })),
    hide: form((f) => ({ hidden: !f.hidden })),
    'count-in': () => setPractisePrefs({ countIn: !practisePrefs.get().countIn }),
    dry: () => setPractisePrefs({ dry: !practisePrefs.get().dry }),
    stand,
    lick,
    listen,
  });
}
