import { accidentals, chromaOf } from '../pitch';
import { bestTonic, mod12 } from '../scale';
import type { NoteName } from '../types';

const LETTERS = 'CDEFGAB';
const NATURAL = [0, 2, 4, 5, 7, 9, 11];
/** Signs beyond which a note is written the easier way. */
const MOST_SIGNS = 1;

/**
 * A note moved as far as one tonic lies from another, on the letter that is as far; written the easier way where that takes two signs.
 * @example movedNote('Bb', 'Bb', 'Db') // 'Db'
 */
export function movedNote(note: NoteName, from: NoteName, to: NoteName): NoteName {
  const at = (n: NoteName): number => LETTERS.indexOf(n[0]!);
  const letter = (at(note) + at(to) - at(from) + 14) % 7;
  const sound = mod12(chromaOf(note) + chromaOf(to) - chromaOf(from));
  const off = ((sound - NATURAL[letter]! + 18) % 12) - 6;
  const name = `${LETTERS[letter]}${(off < 0 ? 'b' : '#').repeat(Math.abs(off))}`;
  return accidentals(name) > MOST_SIGNS ? bestTonic(sound, 'ionian') : name;
}

/**
 * A written chord in parts: its root, what kind it is, and the note after its slash, if there is one; null for what is no symbol.
 * @example chordParts('F#m7b5/C') // { root: 'F#', suffix: 'm7b5', bass: 'C' }
 */
export function chordParts(symbol: string): { readonly root: NoteName; readonly suffix: string; readonly bass: NoteName | null } | null {
  const m = PARTS.exec(symbol);
  return m && { root: m[1]!, suffix: m[2]!, bass: m[3] ?? null };
}
const PARTS = /^([A-G](?:##|bb|#|b)?)(.*?)(?:\/([A-G](?:##|bb|#|b)?))?$/;

/**
 * A chord symbol in another key: root and slash bass moved as far as one tonic lies from the other and spelled in the new key. What is no
 * symbol stays. Example: "Eb7/G" from B♭ to D♭ is "Gb7/Bb".
 * @example movedChord('Am7/G', 'A', 'C') // 'Cm7/Bb'
 */
export function movedChord(symbol: string, from: NoteName, to: NoteName): string {
  const parts = chordParts(symbol);
  if (!parts) return symbol;
  const { root, suffix, bass } = parts;
  return `${movedNote(root, from, to)}${suffix}${bass ? `/${movedNote(bass, from, to)}` : ''}`;
}
