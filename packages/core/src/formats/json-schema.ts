/** The circuit document's JSON Schema, made from the Yup schema so that the two cannot part ways. */
import type {
  Schema,
  SchemaDescription,
  SchemaFieldDescription,
  SchemaInnerTypeDescription,
  SchemaObjectDescription,
} from 'yup';
import { circuitSchema, FORMAT, VERSION } from '../circuit';

type JsonSchema = { [key: string]: unknown };

const param = (tests: SchemaDescription['tests'], name: string, key: string) =>
  tests.find((test) => test.name === name)?.params?.[key];

function stringSchema(description: SchemaDescription): JsonSchema {
  const { tests } = description;
  const regex = param(tests, 'matches', 'regex');
  return {
    type: description.nullable ? ['string', 'null'] : 'string',
    ...(description.oneOf.length > 0 && { enum: description.oneOf }),
    ...(regex instanceof RegExp && { pattern: regex.source }),
    ...(param(tests, 'min', 'min') !== undefined && { minLength: param(tests, 'min', 'min') }),
    ...(param(tests, 'max', 'max') !== undefined && { maxLength: param(tests, 'max', 'max') }),
  };
}

function numberSchema({ tests, oneOf }: SchemaDescription): JsonSchema {
  return {
    type: 'number',
    ...(oneOf.length > 0 && { enum: oneOf }),
    ...(param(tests, 'min', 'min') !== undefined && { minimum: param(tests, 'min', 'min') }),
    ...(param(tests, 'max', 'max') !== undefined && { maximum: param(tests, 'max', 'max') }),
  };
}

function convert(description: SchemaFieldDescription): JsonSchema {
  if (description.type === 'string') return stringSchema(description as SchemaDescription);
  if (description.type === 'number') return numberSchema(description as SchemaDescription);
  if (description.type === 'array') {
    const { innerType, tests, meta } = description as SchemaInnerTypeDescription;
    const { items, most } = (meta ?? {}) as { items?: Schema; most?: number };
    const maxItems = most ?? param(tests, 'max', 'max');
    return {
      type: 'array',
      items: convert(items?.describe() ?? (innerType as SchemaFieldDescription)),
      ...(param(tests, 'min', 'min') !== undefined && { minItems: param(tests, 'min', 'min') }),
      ...(maxItems !== undefined && { maxItems }),
    };
  }
  const { fields } = description as SchemaObjectDescription;
  const names = Object.keys(fields);
  if (names.length === 0) return { type: 'object', additionalProperties: { type: ['number', 'string'] } };
  const required = names.filter((name) => !(fields[name] as SchemaDescription).optional);
  return {
    type: 'object',
    properties: Object.fromEntries(names.map((name) => [name, convert(fields[name]!)])),
    required,
    additionalProperties: false,
  };
}

/** The schema published as `docs/circuit.schema.json`. */
export function circuitJsonSchema(): JsonSchema {
  return {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: `${FORMAT}, version ${VERSION}`,
    ...convert(circuitSchema.describe()),
  };
}
