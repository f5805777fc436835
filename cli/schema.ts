import type { Fields } from '../core/document'
import { FIELDS, PREP_LEVELS, TURNS, VERSION } from '../core/document'
import { BatchFile, CHECKS } from '../core/document/open'
import { defaultMetadataStorage } from 'class-transformer/esm5/storage'
import { targetConstructorToSchema, validationMetadatasToSchemas } from 'class-validator-jsonschema'

const LENGTH = {
  type: 'string',
  description: 'A length with its unit: "5 3/8 in", "136 mm", "13.6 cm"',
  pattern: '(in|inch|inches|mm|cm|m|["″”])\\s*$',
} as const

/** The published JSON Schema of the batch file, written from the classes that validate it. */
export function batchSchema(): object {
  const options = {
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/$defs/',
    additionalConverters: {
      [CHECKS.length]: () => LENGTH,
      [CHECKS.day]: () => ({ type: 'string' as const, format: 'date', pattern: '^\\d{4}-\\d{2}-\\d{2}$' }),
      [CHECKS.time]: () => ({ type: 'string' as const, pattern: '^(([01]\\d|2[0-3]):[0-5]\\d)?$' }),
      [CHECKS.parameters]: () => ({
        type: 'object' as const,
        additionalProperties: { anyOf: [{ type: 'string' as const }, { type: 'boolean' as const }] },
      }),
      [CHECKS.one]: () => ({}),
      [CHECKS.text]: ({ constraints }: { constraints: unknown[] }) => ({
        type: 'string' as const, maxLength: Number(constraints[0]),
      }),
      [CHECKS.filledText]: ({ constraints }: { constraints: unknown[] }) => ({
        type: 'string' as const,
        maxLength: Number(constraints[0]),
        pattern: '\\S',
      }),
      [CHECKS.list]: ({ constraints }: { constraints: unknown[] }) => ({
        type: 'array' as const, maxItems: Number(constraints[0]),
      }),
      [CHECKS.wholeOrNull]: ({ constraints }: { constraints: unknown[] }) => ({
        type: ['integer', 'null'] as never,
        minimum: 0,
        maximum: Number(constraints[0]),
      }),
      [CHECKS.tree]: () => ({ $ref: '#/$defs/CutTree' }),
      [CHECKS.oneOrNull]: ({ constraints }: { constraints: unknown[] }) => ({ enum: [...constraints, null] }),
      [CHECKS.choices]: ({ constraints }: { constraints: unknown[] }) => ({
        type: 'array' as const, uniqueItems: true, items: { enum: constraints },
      }),
      [CHECKS.papers]: () => ({ type: 'object' as const, additionalProperties: { type: 'string' as const } }),
      [CHECKS.counts]: ({ constraints }: { constraints: unknown[] }) => ({
        type: 'object' as const,
        maxProperties: Number(constraints[0]),
        additionalProperties: { type: 'integer' as const, minimum: 0, maximum: Number(constraints[1]) },
      }),
      [CHECKS.levels]: ({ constraints }: { constraints: unknown[] }) => ({
        type: 'object' as const,
        maxProperties: Number(constraints[0]),
        additionalProperties: { enum: [...PREP_LEVELS] },
      }),
      [CHECKS.pointers]: ({ constraints }: { constraints: unknown[] }) => ({
        type: 'object' as const,
        maxProperties: Number(constraints[0]),
        additionalProperties: { type: 'string' as const },
      }),
    },
  }
  const piece = {
    type: 'object' as const,
    required: ['width', 'height', 'turn'],
    properties: { width: LENGTH, height: LENGTH, turn: { enum: [...TURNS] } },
  }
  const tree = {
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
      piece,
      turned: { type: 'boolean' },
    },
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
  for (const { shape, table } of Object.values(FIELDS)) describe(definitions[shape]?.properties ?? {}, table)
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Wakaru batch file, version ${VERSION}`,
    ...file,
    $defs: { ...definitions, CutTree: tree },
  }
}

/** Says of the properties of a shape what their fields are called. */
function describe(properties: Record<string, object>, table: Fields): void {
  for (const [key, { name, help }] of Object.entries(table)) {
    const property = properties[key]
    if (property) properties[key] = { ...property, description: [name, help].filter(Boolean).join(', ') }
  }
}
