import { array, number, object, string, type AnyObject, type ISchema, type ObjectShape } from 'yup';

/** Which shape of the layout is chosen: by its number in the school, nearest to a fret. */
export interface RungRef {
  number: number;
  fret: number;
}

export const whole = (min: number, max: number) => number().strict().integer().required().min(min).max(max);
/** An object with these fields and no others. */
export const record = (fields: ObjectShape) => object(fields).noUnknown().strict();
export const list = (of: ISchema<unknown, AnyObject>, max: number) => array().of(of).strict().defined().max(max);
export const oneOf = (values: readonly string[]) =>
  string()
    .strict()
    .oneOf([...values])
    .required();

export const place = record({ string: whole(1, 12), fret: whole(0, 36) });
export const rungRef = record({ number: whole(-12, 60), fret: whole(-36, 72) });
