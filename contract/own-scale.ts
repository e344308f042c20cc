import './words';
import type { DegreeName } from '../core';
import { name, record } from './parts';
import { problemsOf } from './record';
import { scaleDegrees } from './scale';

/** A scale that a player named: a record of the notebook, found by name in every study. */
export interface OwnScale {
  readonly name: string;
  readonly degrees: DegreeName[];
}

export const ownScaleSchema = record<OwnScale>({ name: name(60, 'give the scale a name.'), degrees: scaleDegrees() }).required();

/** The scales that studies of formats before 6 kept themselves, each once. */
export function scalesOfStudies(bodies: readonly unknown[]): OwnScale[] {
  const found = new Map<string, OwnScale>();
  for (const body of bodies) {
    const { ownScales } = (body ?? {}) as { readonly ownScales?: unknown };
    for (const own of Array.isArray(ownScales) ? (ownScales as unknown[]) : [])
      if (problemsOf(ownScaleSchema, own).length === 0) found.set(JSON.stringify([(own as OwnScale).name, (own as OwnScale).degrees]), own as OwnScale); // prettier-ignore
  }
  return [...found.values()];
}
