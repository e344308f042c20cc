import type { Kept, OwnScale, Problem } from '../../contract';
import type { ScaleRef } from '../../core';
import { degreesOf } from '../../core';
import { useScalesQuery } from './api';

/** A scale of the player's own, as the notebook keeps it. */
export type KeptScale = Kept<OwnScale> & { readonly problems: Problem[] };

const NONE: OwnScale[] = [];
const NO_RECORDS: KeptScale[] = [];

/** The scales of the notebook that hold; those that do not are left out here and told in backups. */
export const useOwnScales = (): OwnScale[] =>
  useScalesQuery(undefined, { selectFromResult: ({ data }) => ({ own: data ? bodiesOf(data) : NONE }) }).own;

/** The record of a scale, if it is one of the player's own. */
export function useOwnScale(scale: ScaleRef['scale']): KeptScale | undefined {
  const { data = NO_RECORDS } = useScalesQuery();
  const degrees = degreesOf(scale).join();
  return data.find((s) => s.problems.length === 0 && s.body.degrees.join() === degrees);
}

const bodies = new WeakMap<KeptScale[], OwnScale[]>();
/** The same list for the same records, so that what is drawn from it is not drawn again. */
function bodiesOf(records: KeptScale[]): OwnScale[] {
  const known = bodies.get(records);
  if (known) return known;
  const own = records.filter((s) => s.problems.length === 0).map((s) => s.body);
  bodies.set(records, own);
  return own;
}
