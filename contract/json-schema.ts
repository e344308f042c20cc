import type { ISchema, Lazy, ObjectSchema, Schema } from 'yup';
import { instrumentSchema } from './instrument';
import { ownDrillSchema } from './drill';
import { ownScaleSchema } from './own-scale';
import { ID } from './parts';
import { passSchema } from './pass';
import type { Published } from './published';
import { roundSchema } from './round';
import { studySchema } from './study';
import { BUNDLE_KIND } from './bundle';

/** A JSON Schema (draft 2020-12), as plain data. */
export type JsonSchema = Readonly<Record<string, unknown>>;

const DRAFT = 'https://json-schema.org/draft/2020-12/schema';
const NULL = { type: 'null' };

type AnySchema = Schema | ISchema<unknown> | Lazy<unknown>;
const metaOf = (s: AnySchema): Published | undefined => (s as Schema).spec.meta?.published;
interface Described {
  readonly type: string;
  readonly nullable: boolean;
  readonly optional: boolean;
  readonly oneOf: unknown[];
  readonly tests: { readonly name?: string; readonly params?: Record<string, unknown> }[];
}
const describe = (s: AnySchema): Described => (s as Schema).describe();

/** Whether a field may be left out. */
const isOptional = (s: AnySchema): boolean => {
  const p = metaOf(s);
  if (p?.is === 'any') return p.optional ?? false;
  if (p?.is === 'list') return false;
  return describe(s).optional;
};

const paramOf = ({ tests }: Described, test: string, name: string): unknown => tests.find((t) => t.name === test)?.params?.[name];
const defined = (o: Record<string, unknown>): Record<string, unknown> => Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined)); // prettier-ignore

/**
 * The form of a schema as JSON Schema: types, ranges, lengths, enumerations, required and unknown fields. What only the core knows (whether a place lies on the
 * neck, whether two ids are the same) is not in it: a file that holds by the published form may still be refused, never the other way round.
 */
export function jsonSchemaOf(schema: AnySchema, defs?: Definitions): JsonSchema {
  const name = defs && (schema as Schema).spec.meta?.named;
  if (!name) return inPlace(schema, defs);
  if (!(name in defs)) {
    defs[name] = {}; // so that a form that holds itself ends
    defs[name] = inPlace(schema, defs, false);
  }
  const ref = { $ref: `#/$defs/${name}` };
  return isNullable(schema) ? { anyOf: [NULL, ref] } : ref;
}

/** Forms that stand in several places, by name. */
type Definitions = Record<string, JsonSchema>;

const isNullable = (schema: AnySchema): boolean => metaOf(schema)?.is !== 'any' && describe(schema).nullable;

function inPlace(schema: AnySchema, defs: Definitions | undefined, nullable = true): JsonSchema {
  const p = metaOf(schema);
  if (p?.is === 'list') return defined({ type: 'array', items: jsonSchemaOf(p.of, defs), minItems: p.min || undefined, maxItems: p.max });
  if (p?.is === 'any') return { anyOf: p.of.map((s) => (s === null ? NULL : jsonSchemaOf(s, defs))) };
  const d = describe(schema);
  const plain = p?.is === 'checked' ? p.form : formOf(schema, d, defs);
  return nullable && d.nullable && !('enum' in plain) ? { anyOf: [NULL, plain] } : plain;
}

function formOf(schema: AnySchema, d: Described, defs?: Definitions): JsonSchema {
  const values = d.oneOf.filter((v) => v !== undefined);
  if (values.length) return { enum: d.nullable && !values.includes(null) ? [...values, null] : values };
  switch (d.type) {
    case 'object':
      return objectOf(schema as ObjectSchema<object>, defs);
    case 'string': {
      const regex = paramOf(d, 'matches', 'regex') as RegExp | undefined;
      const required = d.tests.some((t) => t.name === 'required') || (!d.optional && paramOf(d, 'trim', 'trim') !== undefined);
      return defined({ type: 'string', minLength: required ? 1 : undefined, maxLength: paramOf(d, 'max', 'max'), pattern: regex?.source });
    }
    case 'number': {
      const whole = d.tests.some((t) => t.name === 'integer');
      return defined({ type: whole ? 'integer' : 'number', minimum: paramOf(d, 'min', 'min'), maximum: paramOf(d, 'max', 'max') });
    }
    case 'boolean':
      return { type: 'boolean' };
    case 'array': {
      const members = (schema as unknown as { readonly innerType?: AnySchema }).innerType;
      return defined({ type: 'array', items: members && jsonSchemaOf(members, defs), minItems: paramOf(d, 'min', 'min') ?? paramOf(d, 'length', 'length'), maxItems: paramOf(d, 'max', 'max') ?? paramOf(d, 'length', 'length') }); // prettier-ignore
    }
    default:
      throw new Error(`A schema of type ${d.type} does not say its form: give it published() metadata.`);
  }
}

function objectOf(schema: ObjectSchema<object>, defs?: Definitions): JsonSchema {
  const fields = Object.entries(schema.fields as Record<string, AnySchema>);
  return {
    type: 'object',
    properties: Object.fromEntries(fields.map(([name, s]) => [name, jsonSchemaOf(s, defs)])),
    required: fields.filter(([, s]) => !isOptional(s)).map(([name]) => name),
    additionalProperties: false,
  };
}

const kept = (body: string): JsonSchema => ({
  type: 'array',
  items: {
    type: 'object',
    properties: { id: { type: 'string', pattern: ID.source }, body: { $ref: `#/$defs/${body}` } },
    required: ['id', 'body'],
  },
});
/** A file with its head, and the records that it holds as definitions. */
function headed(
  title: string,
  kind: string,
  rest: Record<string, unknown>,
  required: string[],
  records: Record<string, AnySchema>,
): JsonSchema {
  const defs: Definitions = {};
  for (const [name, schema] of Object.entries(records)) defs[name] = inPlace(schema, defs, false);
  return {
    $schema: DRAFT,
    title,
    type: 'object',
    properties: { kind: { const: kind }, version: { const: 1 }, ...rest },
    required: ['kind', 'version', ...required],
    $defs: defs,
  };
}

/** The published forms, by the names of their files in docs/schema. */
export const PUBLISHED: Readonly<Record<string, () => JsonSchema>> = {
  notebook: () =>
    headed(
      'A notebook of Crow Ladder, or some studies of it',
      BUNDLE_KIND,
      {
        by: { type: 'string', maxLength: 100, description: 'The program that wrote it, with its version.' },
        instruments: kept('instrument'),
        scales: kept('scale'),
        drills: kept('drill'),
        studies: kept('study'),
        passes: { type: 'array', items: { $ref: '#/$defs/pass' } },
        rounds: { type: 'array', items: { $ref: '#/$defs/round' } },
        versions: {
          type: 'array',
          items: {
            type: 'object',
            properties: { study: { type: 'string' }, revision: { type: 'integer', minimum: 1 }, at: { type: 'integer', minimum: 0 }, body: { $ref: '#/$defs/study' } }, // prettier-ignore
            required: ['study', 'revision', 'at', 'body'],
          },
        },
        damaged: { type: 'array', description: 'Written only: records that no longer hold, as the text that they are.' },
      },
      [],
      {
        instrument: instrumentSchema(),
        scale: ownScaleSchema(),
        drill: ownDrillSchema(),
        study: studySchema(),
        pass: passSchema(),
        round: roundSchema(),
      },
    ),
  instrument: () =>
    headed('An instrument of Crow Ladder', 'crow-ladder instrument', { instrument: { $ref: '#/$defs/instrument' } }, ['instrument'], {
      instrument: instrumentSchema(),
    }),
  log: () =>
    headed('A practice log of Crow Ladder', 'crow-ladder log', { passes: { type: 'array', items: { $ref: '#/$defs/pass' } } }, ['passes'], {
      pass: passSchema(),
    }),
};

/** A published form as the text of its file. */
export const schemaText = (name: string): string => `${JSON.stringify(PUBLISHED[name]!(), null, 2)}\n`;
