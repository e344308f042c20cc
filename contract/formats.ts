import {
  fieldsOf,
  fingerNotes,
  isOnNeck,
  pickStrokes,
  SCHOOLS,
  defaultSchool,
  type FingeredStep,
  type FingeringSchool,
  type Instrument,
  type Layout,
} from '../core';

/** What a format added to the one before it. */
export interface Format {
  /** Fields that older studies get, with their plain values. */
  readonly adds: Readonly<Record<string, unknown>>;
  /** What becomes of fields that there were. */
  readonly turns?: (study: Record<string, unknown>) => Record<string, unknown>;
}

const recordsIn = (value: unknown): Record<string, unknown>[] =>
  Array.isArray(value) ? value.filter((v): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)) : [];

/** Format 5: kept routes hold their notes and what they were asked of; a settled finger says in which shape. */
function toFormat5(study: Record<string, unknown>): Record<string, unknown> {
  return {
    ...study,
    routes: recordsIn(study.routes).map((r, k) => ({
      id: `route-${k + 1}`,
      name: r.name,
      ...keptAsWas(study, r),
      asked: r.asked,
      on: settingOf(study),
    })),
    pins: recordsIn(study.pins).map((p) => ({ ...p, shape: null })),
    licks: recordsIn(study.licks).map((l) => ({ ...l, stayed: null })),
  };
}

/** Format 6: scales of one's own are records of the notebook (own-scale.ts); a hand may be measured, in the study and in kept routes. */
function toFormat6(before: Record<string, unknown>): Record<string, unknown> {
  const study = { ...before };
  delete study.ownScales;
  const routes = recordsIn(study.routes).map((r) => {
    const [on] = recordsIn([r.on]);
    return on ? { ...r, on: { ...on, hand: { size: on.hand } } } : r;
  });
  return {
    ...study,
    ...(study.hand === undefined ? {} : { hand: { size: study.hand } }),
    ...(study.routes === undefined ? {} : { routes }),
  };
}

const settingOf = ({ instrument, scale, layout, school, hand }: Record<string, unknown>) => ({ instrument, scale, layout, school, hand });

/** The notes that an older kept route carried, solved once where a finger or a place does not hold; strokes as its picking had them. */
function keptAsWas(study: Record<string, unknown>, route: Record<string, unknown>): { readonly steps: unknown; readonly strokes: unknown } {
  const instrument = study.instrument as Instrument;
  const steps = recordsIn(route.steps) as unknown as FingeredStep[];
  try {
    const layout = study.layout as Layout;
    const school = (study.school ?? defaultSchool(layout)) as FingeringSchool;
    const here = steps.filter((s) => isOnNeck(instrument, s));
    const whole = here.length === steps.length && steps.every((s) => s.finger >= 0 && typeof s.handFret === 'number');
    const kept = whole ? steps : fingerNotes(instrument, here, { school: school in SCHOOLS ? school : 'finger-per-fret' });
    const picking = (route.asked as { readonly picking?: 'alternate' | 'economy' | 'hammered' } | null)?.picking ?? 'alternate';
    return { steps: kept, strokes: pickStrokes(instrument, kept, picking) };
  } catch {
    return { steps, strokes: steps.map((_, k) => (k % 2 ? 'up' : 'down')) }; // the schema says what is wrong with it
  }
}

const ROWS = [
  { adds: { over: null, chord: null, passing: [], focus: [], built: null, ownScales: [] } },
  { adds: { pins: [], connection: null, routes: [] } },
  { adds: { licks: [], lick: null, tags: [], practisedAt: null } },
  { adds: { route: null }, turns: toFormat5 },
  { adds: {}, turns: toFormat6 },
  { adds: { practice: null, drills: [], plan: null } },
  { adds: { grips: [] } },
  { adds: { progressions: [], progression: null } },
  // Notes of licks may say their pick stroke, and that a bend is let down: older ones say neither.
  { adds: {} },
  { adds: { handouts: [] } },
] as const satisfies readonly Format[];

/** What each format added to the one before, from the second on. Append only: `formats.test.ts` holds every row against files that are never changed. */
export const FORMATS: readonly Format[] = ROWS;

type Keys<T> = T extends unknown ? keyof T : never;
/** Fields that some format added and that are there still. */
export type Added = Exclude<Keys<(typeof ROWS)[number]['adds']>, 'ownScales'>;

/** The format of today. */
export const FORMAT = FORMATS.length + 1;

/** The number of a row of FORMATS: the first one made format 2. */
export const numberOf = (index: number): number => index + 2;

/** A study of any format as one of today's: fields that newer formats added get their plain values. */
export function upgradeStudy(body: object): object {
  const { format } = fieldsOf(body);
  const old = typeof format === 'number' ? format : 1;
  return FORMATS.reduce<object>((study, f, k) => (numberOf(k) > old ? upgradeBy(f, numberOf(k), study) : study), body);
}

/** One step of the way. */
export const upgradeBy = ({ adds, turns }: Format, format: number, study: object): object => {
  const whole = { ...structuredClone(adds), ...study, format };
  return turns ? turns(whole) : whole;
};
