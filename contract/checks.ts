import type { TestContext, ValidationError } from 'yup';
import { CoreError } from '../core';
import { fieldWords } from './words';

/** The core's message without the field it begins with; the schema names the field itself. */
const bare = (message: string, field: string): string => (message.startsWith(`${field}: `) ? message.slice(field.length + 2) : message);

/** A schema test that asks the core, and hands on its words and, with `fieldToo`, its field. */
export const passes =
  (check: (value: unknown) => unknown, fieldToo = false) =>
  (value: unknown, context: TestContext): true | ValidationError => {
    try {
      check(value);
      return true;
    } catch (e) {
      if (!(e instanceof CoreError)) throw e;
      const path = fieldToo ? [context.path, e.field].filter(Boolean).join('.') : context.path;
      const words = bare(e.message, e.field);
      return context.createError({ path, message: words === e.message ? words : `${fieldWords(path)}: ${words}` });
    }
  };
