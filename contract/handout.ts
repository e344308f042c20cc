import './words';
import { lazy, string, type Schema } from 'yup';
import { parseChord, keysOf } from '../core';
import { passes } from './checks';
import { id, list, name, oneOf, record, rungRef, type RungRef, isDistinct } from './parts';
import { published } from './published';

interface Part {
  readonly id: string;
}
interface OfStudy extends Part {
  /** Id of the study that it is of; null: the one that the handout is kept with. */
  readonly study: string | null;
}

/** One part of a handout: text of its own, or something of a study, named and not copied, so that it is as the study is when the handout is made. */
export type HandoutPart =
  | (Part & { readonly kind: 'text'; readonly text: string })
  /** One shape of the layout. */
  | (OfStudy & { readonly kind: 'shape'; readonly rung: RungRef })
  /** All rungs of the ladder. */
  | (OfStudy & { readonly kind: 'rungs' })
  /** A chord's tones inside each rung. */
  | (OfStudy & { readonly kind: 'arpeggio'; readonly chord: string })
  /** A kept route, a lick, or a named drill with its tempo ladder; by its own id. */
  | (OfStudy & { readonly kind: 'route' | 'lick' | 'drill'; readonly of: string })
  /** All grips that are kept. */
  | (OfStudy & { readonly kind: 'grips' })
  /** The plan of a week: a shape after the other. */
  | (OfStudy & { readonly kind: 'plan' });
export type HandoutKind = HandoutPart['kind'];

/** A handout for a pupil: what is on it, and in which order. Kept with its study, and made anew from it each time. */
export interface Handout {
  readonly id: string;
  readonly title: string;
  /** As typed; empty: not named. */
  readonly teacher: string;
  readonly pupil: string;
  readonly paper: 'a4' | 'letter';
  /** For which hand shapes are drawn: as the instruments are, or all for one. */
  readonly hand: 'as-is' | 'right' | 'left';
  readonly parts: HandoutPart[];
}
export const MOST_HANDOUTS = 40;
export const MOST_PARTS = 120;
export const MOST_HANDOUT_TEXT = 4000;
const MOST_NAME = 80;

const OWN = { id: id().max(40) };
const OF_STUDY = { ...OWN, study: id().notRequired().nullable().defined() };
type Of<K extends HandoutKind> = Extract<HandoutPart, { readonly kind: K }>;
const lineOf = (kind: 'route' | 'lick' | 'drill') =>
  record<Extract<HandoutPart, { readonly of: string }>>({ kind: oneOf([kind]), ...OF_STUDY, of: id().max(40) });

/** One schema a kind, of exactly its fields. */
const BY_KIND: Readonly<Record<HandoutKind, Schema>> = {
  text: record<Of<'text'>>({ kind: oneOf(['text']), ...OWN, text: string().strict().defined().max(MOST_HANDOUT_TEXT) }),
  shape: record<Of<'shape'>>({ kind: oneOf(['shape']), ...OF_STUDY, rung: rungRef.required() }),
  rungs: record<Of<'rungs'>>({ kind: oneOf(['rungs']), ...OF_STUDY }),
  arpeggio: record<Of<'arpeggio'>>({
    kind: oneOf(['arpeggio']),
    ...OF_STUDY,
    chord: string().strict().required().max(40).test('chord', passes((v) => parseChord(v as string))), // prettier-ignore
  }),
  route: lineOf('route'),
  lick: lineOf('lick'),
  drill: lineOf('drill'),
  grips: record<Of<'grips'>>({ kind: oneOf(['grips']), ...OF_STUDY }),
  plan: record<Of<'plan'>>({ kind: oneOf(['plan']), ...OF_STUDY }),
};
export const HANDOUT_KINDS = Object.freeze(keysOf(BY_KIND));

const partSchema = lazy((value: unknown) => {
  const kind = (value as HandoutPart | null)?.kind;
  const known = typeof kind === 'string' && Object.hasOwn(BY_KIND, kind);
  return known ? BY_KIND[kind] : record<{ readonly kind: string }>({ kind: oneOf(HANDOUT_KINDS) });
}).meta({ ...published({ is: 'any', of: Object.values(BY_KIND) }), named: 'handoutPart' });

const unlike = (v: unknown): boolean => isDistinct(v, 'id');

const typed = () => string().strict().defined().max(MOST_NAME);
const handoutSchema = record<Handout>({
  id: id().max(40),
  title: name(MOST_NAME, 'give the handout a title.'),
  teacher: typed(),
  pupil: typed(),
  paper: oneOf(['a4', 'letter']),
  hand: oneOf(['as-is', 'right', 'left']),
  parts: list(partSchema as unknown as Schema, MOST_PARTS).test('ids', 'parts: two parts have the same id.', unlike),
});
export const handoutsSchema = list(handoutSchema, MOST_HANDOUTS).test('ids', 'handouts: two handouts have the same id.', unlike);
