import type { Fields } from '../core/document'
import { FIELDS, PREP_LEVELS, TURNS, VERSION, nameOf } from '../core/document'
import { BatchFile, CHECKS } from '../core/document/open'
import { defaultMetadataStorage } from 'class-transformer/esm5/storage'
import type { IOptions } from 'class-validator-jsonschema/build/options'
import { targetConstructorToSchema, validationMetadatasToSchemas } from 'class-validator-jsonschema'

const LENGTH = {
  type: 'string',
  description: 'A length with its unit: "5 3/8 in", "136 mm", "13.6 cm"',
  pattern: '(in|inch|inches|mm|cm|m|["″”])\\s*$',
} as const

/** How each check of ours is said in a schema. */
const CONVERTERS: IOptions['additionalConverters'] = {
  [CHECKS.length]: () => LENGTH,
  [CHECKS.day]: () => ({ type: 'string' as const, format: 'date', pattern: '^\\d{4}-\\d{2}-\\d{2}$' }),
  [CHECKS.time]: () => ({ type: 'string' as const, pattern: '^(([01]\\d|2[0-3]):[0-5]\\d)?$' }),
  [CHECKS.parameters]: () => ({
    type: 'object' as const,
    additionalProperties: { anyOf: [{ type: 'string' as const }, { type: 'boolean' as const }] },
  }),
  [CHECKS.one]: () => ({}),
  [CHECKS.text]: ({ constraints }) => ({
    type: 'string' as const, maxLength: Number(constraints[0]),
  }),
  [CHECKS.filledText]: ({ constraints }) => ({
    type: 'string' as const,
    maxLength: Number(constraints[0]),
    pattern: '\\S',
  }),
  [CHECKS.list]: ({ constraints }) => ({
    type: 'array' as const, maxItems: Number(constraints[0]),
  }),
  [CHECKS.wholeOrNull]: ({ constraints }) => ({
    type: ['integer', 'null'] as never,
    minimum: 0,
    maximum: Number(constraints[0]),
  }),
  [CHECKS.tree]: () => ({ $ref: '#/$defs/CutTree' }),
  [CHECKS.oneOrNull]: ({ constraints }) => ({ enum: [...constraints, null] }),
  [CHECKS.papers]: () => ({ type: 'object' as const, additionalProperties: { type: 'string' as const } }),
  [CHECKS.counts]: ({ constraints }) => ({
    type: 'object' as const,
    maxProperties: Number(constraints[0]),
    additionalProperties: { type: 'integer' as const, minimum: 0, maximum: Number(constraints[1]) },
  }),
  [CHECKS.levels]: ({ constraints }) => ({
    type: 'object' as const,
    maxProperties: Number(constraints[0]),
    additionalProperties: { enum: [...PREP_LEVELS] },
  }),
  [CHECKS.pointers]: ({ constraints }) => ({
    type: 'object' as const,
    maxProperties: Number(constraints[0]),
    additionalProperties: { type: 'string' as const },
  }),
}

const PIECE = {
  type: 'object' as const,
  required: ['width', 'height', 'turn'],
  properties: { width: LENGTH, height: LENGTH, turn: { enum: [...TURNS] } },
}
/** A sheet cut up, part by part. */
const CUT_TREE = {
  type: 'object',
  required: ['width', 'height'],
  additionalProperties: false,
  description:
    'A sheet or a part of it. With side and parts it is cut right across; with piece it is one; else it is left over.',
  properties: {
    width: LENGTH,
    height: LENGTH,
    side: { enum: ['width', 'height'] },
    parts: { type: 'array', minItems: 1, items: { $ref: '#/$defs/CutTree' } },
    piece: PIECE,
    turned: { type: 'boolean' },
  },
}

/** The published JSON Schema of the batch file, written from the classes that validate it. */
export function batchSchema(): object {
  const options = {
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/$defs/',
    additionalConverters: CONVERTERS,
  }
  // The settings of a studio are no part of a file.
  const {
    BatchFile: _,
    SettingsChange: _c,
    StudioSettings: _s,
    SchoolTools: _t,
    ...definitions
  } = validationMetadatasToSchemas(options)
  const file = targetConstructorToSchema(BatchFile, options)
  for (const { properties = {} } of Object.values(definitions)) nameProperties(properties)
  for (const { shape, table } of Object.values(FIELDS)) describe(definitions[shape]?.properties ?? {}, table)
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Wakaru batch file, version ${VERSION}`,
    ...file,
    $defs: { ...definitions, CutTree: CUT_TREE },
  }
}

/** Says of properties that stand in no table what they are called. */
function nameProperties(properties: Record<string, object>): void {
  for (const [key, property] of Object.entries(properties)) {
    const description = nameOf(key)
    if (description !== undefined && !('description' in property)) properties[key] = { ...property, description }
  }
}

/** Says of the properties of a shape what their fields are called. */
function describe(properties: Record<string, object>, table: Fields): void {
  for (const [key, { name, help }] of Object.entries(table)) {
    const property = properties[key]
    if (property) properties[key] = { ...property, description: [name, help].filter(Boolean).join(', ') }
  }
}
