import type { ISchema, Schema } from 'yup';

/** What a schema that cannot be looked into says of itself, for the published form (json-schema.ts). */
export type Published =
  /** A list of members. */
  | { readonly is: 'list'; readonly of: Schema; readonly min: number; readonly max: number }
  /** One of several, told by the value itself; null among them where it may be. */
  | { readonly is: 'any'; readonly of: readonly (Schema | ISchema<unknown> | null)[]; readonly optional?: boolean }
  /** A value that the core checks: its form in JSON Schema, and in words. */
  | { readonly is: 'checked'; readonly form: Readonly<Record<string, unknown>> };

declare module 'yup' {
  // The library names its open interface so.
  interface CustomSchemaMetadata {
    readonly published?: Published;
    /** Its name among the definitions of the published form, where it stands in several places. */
    readonly named?: string;
  }
}

/** Metadata for `.meta()`. */
export const published = (p: Published): { readonly published: Published } => ({ published: p });
