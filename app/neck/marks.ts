import type { Labels } from '../../contract';
import type { NeckNote, Shape } from '../../core';

/** How a mark looks: by role, and by shape and fill as well as colour. */
export type MarkLook = 'root' | 'solid' | 'outlined' | 'dashed' | 'stud' | 'root-stud';

export interface NeckMark {
  string: number;
  fret: number;
  look: MarkLook;
  text: string;
}

const lookOf = (n: NeckNote): MarkLook => {
  if (n.role === 'root') return 'root';
  if (n.role === 'chord') return 'solid';
  if (n.role === 'passing') return 'dashed';
  return n.added ? 'outlined' : 'solid';
};

const textOf = (n: NeckNote & { finger?: number }, labels: Labels): string => {
  if (labels === 'degrees') return n.degree;
  if (labels === 'notes') return n.name;
  if (labels === 'frets') return String(n.fret);
  return labels === 'fingers' ? String(n.finger ?? '') : '';
};

const key = (p: { string: number; fret: number }): number => p.string * 100 + p.fret;

/** The shape in full, and small studs for the rest of the scale. */
export function marksOf(notes: NeckNote[], shape: Shape | null, labels: Labels): NeckMark[] {
  const inside = new Map((shape?.notes ?? []).map((n) => [key(n), n]));
  return notes.map((n) => {
    const mine = inside.get(key(n));
    const place = { string: n.string, fret: n.fret };
    if (mine) return { ...place, look: lookOf(mine), text: textOf(mine, labels) };
    return { ...place, look: n.role === 'root' ? 'root-stud' : 'stud', text: '' };
  });
}
