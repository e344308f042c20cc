import {
  chordFault,
  CoreError,
  glyphs,
  modeChords,
  scaleTitle,
  type ModeChord,
  type Place,
  type ScaleRef,
  type StackSize,
} from '../../core';

/** The chords of a scale, or none where it cannot be laid out. */
export function chordsIn(scale: ScaleRef, size: StackSize): { readonly stacked: boolean; readonly chords: ModeChord[] } {
  try {
    return modeChords(scale, size);
  } catch (e) {
    if (e instanceof CoreError) return { stacked: true, chords: [] };
    throw e;
  }
}

/** What is wrong with a symbol, pointed at in place, and what may have been meant; null where it can be read. */
export function chordProblem(
  symbol: string,
): { readonly before: string; readonly wrong: string; readonly after: string; readonly says: string; readonly nearest: string[] } | null {
  const fault = chordFault(symbol);
  if (!fault) return null;
  const text = symbol.trim();
  const { at, length, message, nearest } = fault;
  return { before: text.slice(0, at), wrong: text.slice(at, at + length), after: text.slice(at + length), says: message, nearest };
}

/** Chords written one after another, and the first that cannot be read. */
export function readChords(text: string): { readonly symbols: string[]; readonly problem: string | null } {
  const symbols = text.split(/[\s|,]+/).filter((s) => s && s !== '%');
  for (const s of symbols) {
    const p = chordProblem(s);
    if (p) return { symbols: [], problem: glyphs(`“${s}”: ${p.says}${p.nearest.length ? `; ${p.nearest.join(' or ')}?` : ''}`) };
  }
  return { symbols, problem: null };
}

/** The kinds of a row of chords as a chain: "m, maj, maj, m, dim, maj, m". */
export const chainOf = (chords: readonly ModeChord[]): string => chords.map((c) => c.symbol.slice(c.notes[0]!.length) || 'maj').join(', ');

/** What a chord is called in a sentence about its scale: "F♯m7 of F♯ Dorian". */
export const scaleOf = (scale: ScaleRef): string => glyphs(`${scale.tonic} ${scaleTitle(scale.scale)}`);

/** Places as they are held, thickest string first. */
export const sameGrip = (a: readonly Place[], b: readonly Place[]): boolean =>
  a.length === b.length && a.every((p, k) => p.string === b[k]!.string && p.fret === b[k]!.fret);
