import type { LayoutKind, Shape } from '../types';
import { ruleOf } from './rules';
import { foldedCopies } from './words';

/** Whether two shapes of a layout are one shape twelve frets (or more twelves) apart, cut at an end of the neck or not. */
function areCopies(kind: LayoutKind, shapes: readonly Shape[], a: Shape, b: Shape): boolean {
  return (!ruleOf(kind).still && a.number === b.number) || foldedCopies(shapes, a).includes(b);
}

/** Every shape of a layout once: of its copies the one that lacks the fewest notes, and of these the lowest. In the order given. */
export function onceEach(kind: LayoutKind, shapes: readonly Shape[]): Shape[] {
  const better = (a: Shape, b: Shape): number => (a.missing ?? 0) - (b.missing ?? 0) || a.lowFret - b.lowFret;
  return shapes.filter((s) => !shapes.some((o) => o !== s && areCopies(kind, shapes, s, o) && better(o, s) < 0));
}
