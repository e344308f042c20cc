import type { ISchema, Schema } from 'yup';

/** What a schema that cannot be looked into says of itself, for the published form (json-schema.ts). */
export type Published =
  /** A list of members. */
  | { is: 'list'; of: Schema; min: number; max: number }
  /** One of several, told by the value itself; null among them where it may be. */
  | { is: 'any'; of: readonly (Schema | ISchema<unknown> | null)[]; optional?: boolean }
  /** A value that the core checks: its form in JSON Schema, and in words. */
  | { is: 'checked'; form: Readonly<Record<string, unknown>> };

declare module 'yup' {
  // The library names its open interface so.
  interface CustomSchemaMetadata {
    published?: Published;
    /** Its name among the definitions of the published form, where it stands in several places. */
    named?: string;
  }
}

/** Metadata for `.meta()`. */
export const published = (p: Published): { published: Published } => ({ published: p });
