import './words';
import { lazy, string, type Schema } from 'yup';
import { parseChord, keysOf } from '../core';
import { passes } from './checks';
import { built, id, list, name, oneOf, record, rungRef, type RungRef, isDistinct } from './parts';
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

const own = () => ({ id: id().max(40) });
const ofStudy = () => ({ ...own(), study: id().notRequired().nullable().defined() });
type Of<K extends HandoutKind> = Extract<HandoutPart, { readonly kind: K }>;
const lineOf = (kind: 'route' | 'lick' | 'drill') =>
  record<Extract<HandoutPart, { readonly of: string }>>({ kind: oneOf([kind]), ...ofStudy(), of: id().max(40) });

/** One schema a kind, of exactly its fields. */
const BY_KIND: Readonly<Record<HandoutKind, () => Schema>> = {
  text: built(() => record<Of<'text'>>({ kind: oneOf(['text']), ...own(), text: string().strict().defined().max(MOST_HANDOUT_TEXT) })),
  shape: built(() => record<Of<'shape'>>({ kind: oneOf(['shape']), ...ofStudy(), rung: rungRef().required() })),
  rungs: built(() => record<Of<'rungs'>>({ kind: oneOf(['rungs']), ...ofStudy() })),
  arpeggio: built(() =>
    record<Of<'arpeggio'>>({
      kind: oneOf(['arpeggio']),
      ...ofStudy(),
      chord: string().strict().required().max(40).test('chord', passes((v) => parseChord(v as string))), // prettier-ignore
    }),
  ),
  route: built(() => lineOf('route')),
  lick: built(() => lineOf('lick')),
  drill: built(() => lineOf('drill')),
  grips: built(() => record<Of<'grips'>>({ kind: oneOf(['grips']), ...ofStudy() })),
  plan: built(() => record<Of<'plan'>>({ kind: oneOf(['plan']), ...ofStudy() })),
};
export const HANDOUT_KINDS = Object.freeze(keysOf(BY_KIND));

const partSchema = built(() =>
  lazy((value: unknown) => {
    const kind = (value as HandoutPart | null)?.kind;
    const known = typeof kind === 'string' && Object.hasOwn(BY_KIND, kind);
    return known ? BY_KIND[kind]() : record<{ readonly kind: string }>({ kind: oneOf(HANDOUT_KINDS) });
  }).meta({ ...published({ is: 'any', of: Object.values(BY_KIND).map((schema) => schema()) }), named: 'handoutPart' }),
);

const unlike = (v: unknown): boolean => isDistinct(v, 'id');

const typed = () => string().strict().defined().max(MOST_NAME);
const handoutSchema = built(() =>
  record<Handout>({
    id: id().max(40),
    title: name(MOST_NAME, 'give the handout a title.'),
    teacher: typed(),
    pupil: typed(),
    paper: oneOf(['a4', 'letter']),
    hand: oneOf(['as-is', 'right', 'left']),
    parts: list(partSchema() as unknown as Schema, MOST_PARTS).test('ids', 'parts: two parts have the same id.', unlike),
  }),
);
export const handoutsSchema = built(() =>
  list(handoutSchema(), MOST_HANDOUTS).test('ids', 'handouts: two handouts have the same id.', unlike),
);
