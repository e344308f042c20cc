import type { Grip, Instrument, Place } from '../../../core';
import { sameGrip } from '../../words/harmony-text';
import { GripTile } from './GripTile';
import { useHold } from './useHold';

interface Props {
  readonly instrument: Instrument;
  readonly symbol: string;
  readonly grips: readonly Grip[];
  /** The grip that is held. */
  readonly held?: readonly Place[];
  /** What stands under a box. */
  readonly note?: (g: Grip) => string;
}

/** Grips side by side; a press holds one. */
export function GripGrid({ instrument, symbol, grips, held = [], note }: Props) {
  const hold = useHold();
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(7rem,1fr))] gap-2">
      {grips.map((g) => (
        <GripTile
          key={g.places.map((p) => `${p.string}.${p.fret}`).join()}
          instrument={instrument}
          symbol={symbol}
          grip={g}
          on={sameGrip(g.places, held)}
          onHold={hold}
          {...(note ? { note: note(g) } : {})}
        />
      ))}
    </div>
  );
}
