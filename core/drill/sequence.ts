import { isOneOf, keysOf } from '../typed';
import { checkOneOf, fail, shown } from '../errors';
import { samePlace } from '../place';
import { mod12, semitonesOf } from '../scale';
import type { Place, Shape, ShapeNote } from '../types';
import { ORDERS } from './orders';
import type { Asked } from './orders/rule';
import { DRILL_ORDERS, type DrillNote, type DrillOptions } from './types';

const CHOICES: { readonly [K in 'turn' | 'root' | 'group' | 'interval' | 'size']: readonly unknown[] } = {
  turn: ['once', 'twice'],
  root: ['own', 'relative'],
  group: [3, 4, 5, 6],
  interval: [3, 4, 5, 6, 7, 8],
  size: [3, 4],
};

function checkOptions(o: DrillOptions): void {
  checkOneOf('BAD_OPTION', 'order', o.order, DRILL_ORDERS);
  for (const field of keysOf(CHOICES)) {
    const choices = CHOICES[field];
    const value = o[field];
    if (value !== undefined && !isOneOf(choices, value)) fail('BAD_OPTION', field, `${field}: ${shown(value)} is none of ${choices.join(', ')}.`); // prettier-ignore
  }
}

/**
 * Pitch class of the root that a drill hangs on: the scale's own, or its relative minor (a sixth above) or major (a minor third above).
 * @example rootClass(box, 'own') // 9
 */
export function rootClass(shape: Shape, root: DrillOptions['root']): number {
  const [first] = shape.notes;
  const own = mod12(first!.midi - semitonesOf(first!.degree));
  if (root !== 'relative') return own;
  const isMinor = shape.notes.some((n) => n.degree === 'b3') && !shape.notes.some((n) => n.degree === '3');
  return mod12(own + (isMinor ? 3 : 9));
}

/**
 * The notes of a drill with what the shape knows of them.
 * @example drillNotes(box, { order: 'up' }).length // 12
 * @example drillNotes(box, { order: 'up' })[0].name // 'E'
 */
export function drillNotes(shape: Shape, o: DrillOptions): ShapeNote[] {
  checkOptions(o);
  if (!shape.notes.length) fail('BAD_OPTION', 'shape', 'shape: it has no notes to play.');
  const on = (s: Shape): ShapeNote[] => s.notes.filter((n) => !o.strings || o.strings.includes(n.string));
  const up = on(shape);
  const down = o.down ? on(o.down) : up;
  if (!up.length || !down.length)
    fail('BAD_OPTION', 'strings', `strings: this shape has no notes on ${o.strings?.length === 1 ? 'string' : 'strings'} ${o.strings?.join(', ') ?? ''}.`); // prettier-ignore
  const root = rootClass(shape, o.root);
  const isRoot = (n: ShapeNote): boolean => n.midi % 12 === root;
  const line = ORDERS[o.order].play({ up, down, isRoot, home: () => homeIn(up, isRoot, o.start), o });
  return o.endOnRoot && !isRoot(line[line.length - 1]!) ? [...line, ...wayHome(line[line.length - 1]!, { up, down, isRoot })] : line;
}

function homeIn(notes: readonly ShapeNote[], isRoot: Asked['isRoot'], start: Place | undefined): number {
  const at = notes.findIndex((n) => (start ? samePlace(n, start) : isRoot(n)));
  if (at < 0 && start)
    fail('BAD_PLACE', 'start', `start: string ${start.string}, fret ${start.fret} is no note of this shape on the chosen strings.`);
  if (at < 0) fail('BAD_OPTION', 'root', 'root: this shape has no such root on the chosen strings. Choose another root, or more strings.');
  return at;
}

/** Along the scale to the root that is the fewest notes away, the lower one where two are. */
function wayHome(at: ShapeNote, { up, down, isRoot }: Pick<Asked, 'up' | 'down' | 'isRoot'>): ShapeNote[] {
  const notes = up.some((n) => samePlace(n, at)) ? up : down;
  const from = notes.findIndex((n) => samePlace(n, at));
  const roots = notes.flatMap((n, k) => (isRoot(n) ? [k] : [])).sort((a, b) => Math.abs(a - from) - Math.abs(b - from) || a - b);
  if (!roots.length) fail('BAD_OPTION', 'endOnRoot', 'endOnRoot: there is no root on the chosen strings to end on.');
  const [to] = roots;
  return to! > from ? notes.slice(from + 1, to! + 1) : notes.slice(to, from).reverse();
}

/**
 * The notes of a shape in the order of a drill. The orders are described with their files in `core/drill/orders/`; n1 … nk
 * are the notes of the shape as played upwards. Throws BAD_OPTION where an option is out of range or the shape has not what
 * an order needs (a root, two roots, enough notes), BAD_PLACE for a start that is not of the shape; never returns nothing.
 * @example drillSequence(box, { order: 'up-down' }).length // 23
 */
export const drillSequence = (shape: Shape, o: DrillOptions): DrillNote[] => drillNotes(shape, o).map(plainNote);

/** A note without what only its shape knows of it. */
export const plainNote = ({ string, fret, midi, name, degree }: ShapeNote): DrillNote => ({ string, fret, midi, name, degree });
