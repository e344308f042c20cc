import type { MarkLook } from './marks';

/** The board that marks lie on, its lightest and its darkest. */
export const EBONY = ['#2a2b32', '#1f2025'] as const;

/** The plate of a mark, and its edge where it has one. */
export const PLATE: Readonly<Record<MarkLook, { readonly fill: string; readonly stroke?: string }>> = Object.freeze({
  root: { fill: '#d39a35', stroke: '#f3d798' },
  'twin-root': { fill: '#ece4d1', stroke: '#d39a35' },
  solid: { fill: '#ece4d1' },
  outlined: { fill: '#23242a', stroke: '#8fc0c4' },
  dashed: { fill: '#23242a', stroke: '#e0cf9f' },
  off: { fill: '#23242a', stroke: '#f0927a' },
  gone: { fill: '#23242a', stroke: '#a8a294' },
  new: { fill: '#dff0ef', stroke: '#1f5a63' },
  faint: { fill: '#8f897b' },
  stud: { fill: '#c9c1ae' },
  'root-stud': { fill: '#d39a35' },
} satisfies Record<MarkLook, { readonly fill: string; readonly stroke?: string }>);

/** The letters on a plate. */
export const MARK_INK: Readonly<Partial<Record<MarkLook, string>>> = Object.freeze({
  root: '#1b1406',
  'twin-root': '#16181d',
  solid: '#16181d',
  outlined: '#d3ecee',
  dashed: '#efe3c4',
  off: '#f7c3b4',
  gone: '#c9c1ae',
  new: '#0e3339',
});
