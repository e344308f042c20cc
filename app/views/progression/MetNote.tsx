import { LISTEN } from '../../words/views/listen';
import type { MetOn } from './useMet';

/** How often what was played met the chords, while something is listened to. */
export function MetNote({ met: { on, met, open } }: { readonly met: MetOn }) {
  if (!on) return null;
  return (
    <div className="mb-2 flex flex-wrap items-baseline gap-x-3" data-met={met ? `${met.met}/${met.beats}` : ''}>
      <p role="status">
        {met?.beats
          ? `${LISTEN.met(met.met, met.beats)}${met.changes ? `; ${LISTEN.metChanges(met.changesMet, met.changes)}` : ''}.`
          : LISTEN.metNothing}
      </p>
      {open && <p className="text-xs text-soft">{LISTEN.metRoom}</p>}
    </div>
  );
}
