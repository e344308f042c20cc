import { useCommands } from '../../shell/keys';
import { openPart } from '../../shell/open-part';
import { LICK_COMMANDS } from './lick-commands';
import type { LickEdit } from './useLickEdit';

interface On {
  readonly edit: LickEdit;
  readonly count: number;
  readonly hear: () => void;
  readonly stand: () => void;
}

/** Runs the commands of a lick. */
export function useLickCommands({ edit, count, hear, stand }: On): void {
  useCommands('licks', LICK_COMMANDS, {
    next: () => edit.setCaret(Math.min(count - 1, edit.caret + 1)),
    before: () => edit.setCaret(Math.max(-1, edit.caret - 1)),
    more: () => edit.extend(1),
    fewer: () => edit.extend(-1),
    fret: (key) => key && edit.digit(Number(key)),
    thinner: () => edit.string(-1),
    thicker: () => edit.string(1),
    'fret-up': () => edit.fret(1),
    'fret-down': () => edit.fret(-1),
    longer: () => edit.longer(1),
    shorter: () => edit.longer(-1),
    dot: edit.dot,
    triplet: edit.triplet,
    rest: edit.rest,
    hammer: () => edit.join('hammer'),
    pull: () => edit.join('pull'),
    slide: () => edit.join('slide'),
    tap: () => edit.join('tap'),
    tie: () => edit.join('tie'),
    bend: edit.bend,
    release: edit.release,
    stroke: edit.stroke,
    mute: edit.mute,
    remove: edit.remove,
    hear,
    stand,
    lick: () => void openPart('lick'),
  });
}
