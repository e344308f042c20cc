import './words';
import { lazy, mixed, number, string } from 'yup';
import { checkHand, SCHOOLS, type Hand, type HandReach } from '../core';
import { passes } from './checks';
import { published } from './published';
import { built, list, record, whole } from './parts';

/** A school of fingering; null: the layout's own. */
export const schoolSchema = built(() =>
  string()
    .strict()
    .nullable()
    .defined()
    .oneOf([...Object.keys(SCHOOLS), null]),
);

const reach = built(() =>
  record<HandReach>({ fret: whole(1, 24), comfortable: number().strict().required(), most: number().strict().required() }),
);

/** A hand by its size, or as it was measured. */
export const handSchema = built(() => record<Hand>({
  size: string().strict().oneOf(['small', 'medium', 'large']).required(),
  reaches: lazy((value: unknown) => (value === undefined ? mixed() : list(reach(), 6, { min: 1 }))).meta(
    published({ is: 'any', of: [list(reach(), 6, { min: 1 })], optional: true }),
  ),
})
  .required()
  .meta({ named: 'hand' })
  .test('core', passes((v) => checkHand('finger-per-fret', v as Hand), false))); // prettier-ignore
