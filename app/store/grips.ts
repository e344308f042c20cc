import { MOST_GRIPS, type StudyBody } from '../../contract';
import { arpeggioIn, chordScale, plainPlace, type Place, type Shape } from '../../core';

type Edit = Partial<StudyBody>;

/** A grip kept under a name, as the last of the study's; null where it keeps as many as it can. */
export function keepGrip({ grips }: StudyBody, name: string, symbol: string | null, places: readonly Place[]): Edit | null {
  if (grips.length >= MOST_GRIPS || !places.length) return null;
  const number = Math.max(0, ...grips.map((g) => Number(/^grip-(\d+)$/.exec(g.id)?.[1] ?? 0))) + 1;
  return { grips: [...grips, { id: `grip-${number}`, name, symbol, places: places.map(plainPlace) }] };
}

export const dropGrip = ({ grips }: StudyBody, id: string): Edit => ({ grips: grips.filter((g) => g.id !== id) });

/** The tones of a chord inside a shape as the study's own scale and shape, so that they are drilled, joined, moved and printed as one. */
export function arpeggioAsShape({ instrument }: StudyBody, symbol: string, within: Shape): Edit {
  const shape = arpeggioIn(instrument, symbol, within);
  return {
    scale: chordScale(symbol),
    layout: { kind: 'places', places: shape.notes.map(plainPlace) },
    rung: { number: 1, fret: shape.handFret },
    chord: null,
    over: null,
  };
}
