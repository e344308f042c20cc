import { useEffect, useRef, useState } from 'react';
import type { PitchName } from '../../core';
import { DRAWING } from '../words/views/drawing';

interface Props {
  readonly pitches: PitchName[];
  readonly width: number;
  readonly label: string;
}

/** A line in standard notation, by an engraving library that loads when a staff is first wanted. The tab beneath says the same in words. */
export function Staff({ pitches, width, label }: Props) {
  const holder = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const into = holder.current;
    if (!into || width <= 0) return;
    let current = true;
    import('./notation')
      .then(({ drawStaff }) => (current ? drawStaff(into, pitches, width, getComputedStyle(into).color) : undefined))
      .then(() => setFailed(false))
      .catch(() => setFailed(true));
    return () => {
      current = false;
    };
  }, [pitches, width]);
  return (
    <div role="img" aria-label={label} className="text-ink">
      <div ref={holder} aria-hidden />
      {failed && <p className="text-clay">{DRAWING.theStaffCouldNotBe}</p>}
    </div>
  );
}
