import './words';
import { string } from 'yup';
import { SCHOOLS } from '../core';

/** A school of fingering; null: the layout's own. */
export const schoolSchema = string()
  .strict()
  .nullable()
  .defined()
  .oneOf([...Object.keys(SCHOOLS), null]);

export const handSchema = string().strict().oneOf(['small', 'medium', 'large']).required();
