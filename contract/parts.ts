import './words';
import { lazy, mixed, number, object, string, ValidationError, type AnyObject, type ISchema, type Schema, type TestContext } from 'yup';
import { fieldsOf, listOf, type Place } from '../core';
import { published } from './published';
import { fieldWords } from './words';

/** Which shape of the layout is chosen: by its number in the school, nearest to a fret. */
export interface RungRef {
  readonly number: number;
  readonly fret: number;
}

/** A schema for every field of a type, no more and no fewer: a field cannot stand in the one and not in the other. */
type FieldsOf<T> = { readonly [K in keyof Required<T>]: ISchema<unknown, AnyObject> };

/** An object with these fields and no others. It has to be there; a field that may be null says so. */
export const record = <T extends object>(fields: FieldsOf<T>) => object(fields).noUnknown().strict().required();

/**
 * What is built when it is first asked for. A page draws before it checks, and the schemas of everything take a good part of a slow
 * machine's first second.
 */
export function built<T>(build: () => T): () => T {
  let kept: { readonly value: T } | null = null;
  return () => (kept ??= { value: build() }).value;
}

export const whole = (min: number, max: number) => number().strict().integer().required().min(min).max(max);
export const oneOf = (values: readonly string[]) =>
  string()
    .strict()
    .oneOf([...values])
    .required();

/** Whether no two members of a list are the same in a field. What is no list has no members: that it should be one is another check's word. */
export function isDistinct(value: unknown, field: string): boolean {
  const members = listOf(value);
  return new Set(members.map((m) => fieldsOf(m)[field])).size === members.length;
}

/** Records of a list that are told of at most: what is wrong with the first ones says enough. */
const MOST_TOLD = 5;

/** A value that passes at once, without its schema; that it then also passes its schema is proved in tests. */
type Plainly = (value: unknown) => boolean;

/**
 * A list of at most `max` members. Its length is checked before its members; members that are `plainly` good are not
 * asked twice, the others go through the schema until some have failed.
 */
export const list = (of: Schema, max: number, o: ListOptions = {}) =>
  mixed<unknown[]>()
    .defined()
    .meta(published({ is: 'list', of, min: o.min ?? 0, max }))
    .test('list', (value, context) => checkList(of, max, o, value, context));

interface ListOptions {
  readonly min?: number;
  readonly plainly?: Plainly;
}

/** The test of a list, for schemas that go on from there. */
export function checkList(
  of: Schema,
  max: number,
  { min = 0, plainly }: ListOptions,
  value: unknown,
  context: TestContext,
): true | ValidationError {
  const say = (words: string): ValidationError => context.createError({ message: `${fieldWords(context.path)}: ${words}` });
  if (!Array.isArray(value)) return say('a list is expected here.');
  if (value.length < min || value.length > max)
    return say(`${value.length} stand here; ${min === max ? 'it takes' : min ? `${min} to` : 'at most'} ${max}.`);
  const wrong = wrongMembers(of, value, context, plainly);
  return wrong.length ? new ValidationError(wrong, value, context.path) : true;
}

function wrongMembers(of: Schema, members: unknown[], { path }: TestContext, plainly?: Plainly): ValidationError[] {
  const wrong: ValidationError[] = [];
  for (let k = 0; k < members.length && wrong.length < MOST_TOLD; k++) {
    if (plainly?.(members[k])) continue;
    try {
      of.validateSync(members[k], { strict: true, abortEarly: false, path: `${path}[${k}]` } as object);
    } catch (e) {
      if (!(e instanceof ValidationError)) throw e;
      wrong.push(e);
    }
  }
  return wrong;
}

export const place = built(() => record<Place>({ string: whole(1, 12), fret: whole(0, 36) }).meta({ named: 'place' }));
export const rungRef = built(() => record<RungRef>({ number: whole(-12, 60), fret: whole(-36, 72) }).meta({ named: 'rung' }));

/** A list of whole numbers. */
export const wholes = (min: number, max: number, length: { readonly min: number; readonly max: number }) =>
  list(whole(min, max), length.max, { min: length.min });
/** The same, which may be left out. */
export const someWholes = (min: number, max: number, length: { readonly min: number; readonly max: number }) =>
  lazy((value: unknown) => (value === undefined ? mixed() : wholes(min, max, length))).meta(
    published({ is: 'any', of: [wholes(min, max, length)], optional: true }),
  );

/** Marks that a name may not hold: control characters of any kind, line ends among them. */
const CONTROL = /[\u0000-\u001f\u007f-\u009f\u2028\u2029]/;

/** A name as a player types it: not only blanks, one line. */
export const name = (max: number, missing: string) =>
  string()
    .strict()
    .trim()
    .required(({ path }: { readonly path: string }) => `${fieldWords(path)}: ${missing}`)
    .max(max)
    .test(
      'line',
      ({ path }: { readonly path: string }) => `${fieldWords(path)}: a name is one line without control characters.`,
      (v) => !CONTROL.test(v),
    );

/** What the schema of a name passes, without asking it. */
export const isPlainName = (value: unknown, max: number): boolean =>
  typeof value === 'string' && value.length > 0 && value.length <= max && value === value.trim() && !CONTROL.test(value);

/** An id: made here or brought along, and always safe in an address. */
export const ID = /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/;
export const id = () => string().strict().required().matches(ID, ({ path }: { readonly path: string }) => `${fieldWords(path)}: an id has letters, digits, - and _ only, 64 at most.`); // prettier-ignore
