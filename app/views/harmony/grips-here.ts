import { CoreError, gripsInShape, type Grip, type Instrument, type Shape } from '../../../core';

/** Grips of a chord inside a shape, none where it has none. */
export function gripsHere(i: Instrument, shape: Shape, symbol: string, count: number, hand: Parameters<typeof gripsInShape>[3]): Grip[] {
  try {
    return gripsInShape(i, shape, symbol, { ...hand, count });
  } catch (e) {
    if (e instanceof CoreError) return [];
    throw e;
  }
}
