import { type Words } from '../document'
import { z } from 'zod'
import { circuitSchema, partSchema } from '../circuit'
import { modulePattern, parts, partOfKind, type FieldMeta } from '../parts'

/**
 * JSON Schema (draft 2020-12) of a circuit file, with the parameters of every kind of part. Made from the schemas
 * that the door itself uses, so that the two cannot part ways. `tell` writes what the fields are called.
 */
export function circuitJsonSchema(tell: (words: Words) => string): object {
  const kinds = parts.map((part) =>
    z.strictObject({
      ...partSchema.shape,
      kind: z.literal(part.kind),
      parameters: part.parameters.strict().default({} as never),
    }),
  )
  const [first, second, ...more] = kinds
  // A module of any number of pins: its values are those of a module, with a condition for each of its drivers.
  const counted = z.strictObject({
    ...partSchema.shape,
    kind: z.string().regex(new RegExp(modulePattern)),
    parameters: partOfKind('module').parameters.partial().catchall(z.string()).default({}),
  })
  const anyPart = z.union([z.discriminatedUnion('kind', [first!, second!, ...more]), counted])
  const whole = z.strictObject({ ...circuitSchema.shape, parts: z.array(anyPart).min(1).max(2000) })
  return {
    ...z.toJSONSchema(whole, {
      io: 'input',
      unrepresentable: 'any',
      // The library visits a field more than once: what it says is written from what the field itself says.
      override: ({ zodSchema, jsonSchema }) =>
        void Object.assign(
          jsonSchema,
          told((z.globalRegistry.get(zodSchema) ?? {}) as Partial<FieldMeta>, tell),
        ),
    }),
    title: 'Brachyon circuit',
    description: 'Parts, the paths that pass through them from supply to return, and the states that matter.',
  }
}

/** What a field says of itself beside its type, in words instead of codes. */
function told({ label, names, table }: Partial<FieldMeta>, tell: (words: Words) => string): object {
  return {
    ...(label && { label: tell(label) }),
    ...(names && {
      names: Object.fromEntries(Object.entries(names).map(([key, words]) => [key, tell(words)])),
    }),
    ...(table && { table: table.map(({ value, text }) => ({ value, text: tell(text) })) }),
  }
}
