/** Marks that turn the direction of text, and letters that run from right to left. */
const TURNS =
  /[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]|[\ud802-\ud803\ud83a-\ud83b][\udc00-\udfff]/;
const [OPEN, CLOSE] = ['\u2068', '\u2069'];
const OPENS = /[\u2066-\u2068]/;

/**
 * A name as it stands in a sentence: what turns its direction ends with it (Unicode Standard Annex 9, isolates), so that
 * the words around it stay in their order. A name without such marks or letters stays as it is.
 */
export function isolated(name: string): string {
  if (!TURNS.test(name)) return name;
  let depth = 0;
  const own = [...name].filter((c) => {
    if (OPENS.test(c)) depth++;
    if (c !== CLOSE) return true;
    if (depth === 0) return false;
    depth--;
    return true;
  });
  return OPEN + own.join('') + CLOSE.repeat(Math.max(0, depth)) + CLOSE;
}
