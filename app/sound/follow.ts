import type { Playing } from './player';

/** Where the ear is: the note that is heard, -1 for none; and the beat of the count-in, from 1, 0 outside it. */
export interface Heard {
  readonly now: number;
  readonly counting: number;
}

/** Tells where the ear is, frame by frame, for as long as it is asked for. `starts` are those of the notes in beats, ascending. */
export function follow(p: Playing, asked: () => boolean, starts: () => readonly number[], tell: (place: Heard) => void): void {
  let shown = '';
  const look = (): void => {
    if (!asked()) return;
    const at = p.where();
    const counting = at?.pass === 0 ? Math.floor(at.beat) + 1 : 0;
    const now = at && at.pass > 0 ? lastAt(starts(), at.beat) : -1;
    const key = `${now}/${counting}`;
    if (key !== shown) tell({ now, counting });
    shown = key;
    requestAnimationFrame(look);
  };
  look();
}

/** The last of ascending starts that is not after a beat; -1 where all are. */
export function lastAt(starts: readonly number[], beat: number): number {
  let [low, high] = [0, starts.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (starts[mid]! <= beat) low = mid + 1;
    else high = mid;
  }
  return low - 1;
}
