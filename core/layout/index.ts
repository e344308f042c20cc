import { checkOneOf, CoreError, fail } from '../errors';
import { checkHand } from '../fingering';
import { checkPlace } from '../instrument';
import { scaledNeck, type RoleOptions } from '../neck';
import { placeIndex } from '../place';
import type { FingeringSchool, Hand, Instrument, Layout, Place, PlacePin, ScaleRef, Shape } from '../types';
import { LAYOUT_KINDS, ruleOf } from './rules';
import { layoutTask, shapeOf, type LayoutTask, type Draft, type HandMemory } from './shape';

/**
 * The hand a layout is meant for where the player names none (docs/decisions.md).
 * @example defaultSchool(boxes) // 'finger-per-fret'
 */
export const defaultSchool = (layout: Layout): FingeringSchool => ruleOf(layout.kind).school(layout);

/** How shapes are laid out and fingered. */
export interface LayOutOptions extends RoleOptions {
  /** By which school shapes are fingered. */
  readonly school?: FingeringSchool;
  /** The player's hand; a medium one if left out. */
  readonly hand?: Hand;
  /** Fingers settled by place; the rest of each shape is solved round them. One that the hand cannot do there is let go. */
  readonly pins?: readonly PlacePin[];
  /** Hands found before, to be handed on from scale to scale; for one instrument, school and hand alone. */
  readonly known?: HandMemory;
}

/**
 * All shapes of a scale on an instrument in one school of cutting the neck, from the nut up, folded copies included.
 * Throws NO_SHAPE_FITS where nothing whole lies on the neck, NO_SKELETON for boxes of a scale without one,
 * BAD_LAYOUT, BAD_PLACE, NOT_IN_SCALE for options out of range, and what the checks of instrument and scale throw.
 * Example: B♭ minor pentatonic boxes in E A D G B E on 22 frets: ten shapes, box 4 at the nut first.
 * @example layOut(six, minor, boxes)[0].lowFret // 0
 * @example layOut(six, dorian, { kind: 'per-string', notes: 3 }).length // 11
 */
export function layOut(i: Instrument, ref: ScaleRef, layout: Layout, o: LayOutOptions = {}): Shape[] {
  checkOneOf('BAD_LAYOUT', 'layout.kind', layout?.kind, LAYOUT_KINDS);
  const rule = ruleOf(layout.kind);
  const school = o.school ?? defaultSchool(layout);
  checkHand(school, o.hand);
  const task = layoutTask(scaledNeck(i, ref, o), school, o.hand, o.pins, o.known);
  const drafts = rule.lay(task, layout);
  const named = rule.renamed ? renaming(task) : (d: Draft): Draft => d;
  const shapes = drafts.map((d) => shapeOf(task, layout.kind, named(d)));
  if (!shapes.length)
    fail(
      'NO_SHAPE_FITS',
      'layout',
      'No whole shape of this layout fits on this neck. Use fewer notes per string, more frets, or another layout.',
    );
  return rule.still ? shapes : shapes.sort((a, b) => a.lowFret - b.lowFret || a.highFret - b.highFret);
}

/**
 * The layout as it can stand on this instrument in this scale: a start that is no longer a root (or no longer in the
 * scale, or off the neck) moves to the nearest place that is; any other layout is returned as it is, the same object.
 * Throws where scale or instrument do not hold.
 * @example anchoredLayout(six, dorian, boxes) // { kind: 'box' }
 */
export const anchoredLayout = (i: Instrument, ref: ScaleRef, layout: Layout): Layout =>
  ruleOf(layout.kind).reanchor?.(i, ref, layout) ?? layout;

/** Layouts that places are recognised by, the commonest first. */
const known = (): Layout[] => LAYOUT_KINDS.flatMap((kind) => ruleOf(kind).known ?? []);

/**
 * Which layout and number a set of places is a whole shape of, or null. Order of the places does not matter.
 * @example nameShape(six, minor, box.notes)?.label // 'box 4'
 */
export function nameShape(
  i: Instrument,
  ref: ScaleRef,
  places: Place[],
): { readonly layout: Layout; readonly number: number; readonly label: string } | null {
  places.forEach((p, k) => checkPlace(i, p, `places[${k}]`));
  return naming(layoutTask(scaledNeck(i, ref), 'finger-per-fret'))(places);
}

/** Names sets of places of one neck; each layout is laid out once, and only when it is come to. */
function naming(task: LayoutTask) {
  const drafts = new Map<Layout, Draft[]>();
  const all = known();
  const of = (layout: Layout): Draft[] => {
    const laid = drafts.get(layout) ?? draftsOf(task, layout);
    drafts.set(layout, laid);
    return laid;
  };
  return (places: readonly Place[]): { readonly layout: Layout; readonly number: number; readonly label: string } | null => {
    const wanted = new Set(places.map(placeIndex));
    for (const layout of all) {
      const size = ruleOf(layout.kind).size?.(layout, task.neck.upward.length);
      if (size !== undefined && size !== wanted.size) continue;
      const found = of(layout).find((d) => isOf(wanted, d.places));
      if (found) return { layout, number: found.number, label: found.label };
    }
    return null;
  };
}

function renaming(task: LayoutTask): (draft: Draft) => Draft {
  const nameOf = naming(task);
  return (draft) => {
    const name = nameOf(draft.places);
    return name ? { ...draft, label: name.label, known: true } : draft;
  };
}

/** Whether places are these, each at least once. */
const isOf = (wanted: ReadonlySet<number>, places: readonly Place[]): boolean =>
  places.length >= wanted.size && places.every((p) => wanted.has(placeIndex(p))) && new Set(places.map(placeIndex)).size === wanted.size;

/** The shapes' places, or none where the layout does not exist for this scale and neck. */
function draftsOf(task: LayoutTask, layout: Layout): Draft[] {
  try {
    return ruleOf(layout.kind).lay(task, layout);
  } catch (e) {
    if (e instanceof CoreError && (e.code === 'NO_SKELETON' || e.code === 'NO_SHAPE_FITS')) return [];
    throw e;
  }
}

export { nearestRoot, rootPlaces } from './reanchor';
export { MOST_PLACES } from './places';
export { onceEach } from './copies';
export { withStrings } from './string-set';
export { hangsOn, hungOn, LAYOUT_KINDS, ruleOf, type AnyRule } from './rules';
export { foldedCopies, groupBy, groupsWords, handGroups, jogWords, stretchWords, type HandGroup } from './words';
export type { Field, Offer, Shown, Start } from './rule';
export { pinsIn, shapeRef, type PinHere } from './pins';
