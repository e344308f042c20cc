import type { StudyBody } from '../../contract';
import { arpeggioIn, chordScale, CoreError, neckNotes, type Shape } from '../../core';
import { marksOf, type MarkOptions, type NeckMark } from './marks';

/** The chord's tones inside a shape, as a shape of their own; null where it holds none. */
function arpeggioOn({ instrument, hand }: Pick<StudyBody, 'instrument' | 'hand'>, shape: Shape | null, symbol: string): Shape | null {
  try {
    return shape && arpeggioIn(instrument, symbol, shape, { hand });
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** The tones of a chord alone, counted from its root: those of the shape in full, the rest of the neck as studs. */
export const arpeggioMarks = (
  body: Pick<StudyBody, 'instrument' | 'hand'>,
  shape: Shape | null,
  symbol: string,
  o: MarkOptions,
): NeckMark[] => marksOf(neckNotes(body.instrument, chordScale(symbol)), arpeggioOn(body, shape, symbol), o);
