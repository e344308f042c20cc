import './words';
import { fieldsOf, listOf, type DegreeName } from '../core';
import { built, name, record } from './parts';
import { problemsOf } from './record';
import { scaleDegrees } from './scale';

/** A scale that a player named: a record of the notebook, found by name in every study. */
export interface OwnScale {
  readonly name: string;
  readonly degrees: DegreeName[];
}

export const ownScaleSchema = built(() =>
  record<OwnScale>({ name: name(60, 'give the scale a name.'), degrees: scaleDegrees() }).required(),
);

const isOwnScale = (value: unknown): value is OwnScale => problemsOf(ownScaleSchema, value).length === 0;

/** The scales that studies of formats before 6 kept themselves, each once. */
export function scalesOfStudies(bodies: readonly unknown[]): OwnScale[] {
  const found = new Map<string, OwnScale>();
  for (const body of bodies) {
    const { ownScales } = fieldsOf(body);
    for (const own of listOf(ownScales)) if (isOwnScale(own)) found.set(JSON.stringify([own.name, own.degrees]), own);
  }
  return [...found.values()];
}
