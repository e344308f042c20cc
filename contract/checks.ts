import type { TestContext, ValidationError } from 'yup';
import { CoreError } from '../core';

/** A schema test that asks the core, and hands on its words and its field. */
export const passes =
  (check: (value: unknown) => unknown, fieldToo = false) =>
  (value: unknown, context: TestContext): true | ValidationError => {
    try {
      check(value);
      return true;
    } catch (e) {
      if (!(e instanceof CoreError)) throw e;
      const path = fieldToo ? [context.path, e.field].filter(Boolean).join('.') : context.path;
      return context.createError({ path, message: e.message });
    }
  };
