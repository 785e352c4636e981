import { z } from 'zod'
import { circuitSchema, partSchema } from '../circuit'
import { modulePattern, parts, partOfKind } from '../parts'

/**
 * JSON Schema (draft 2020-12) of a circuit file, with the parameters of every kind of part. Made from the schemas
 * that the door itself uses, so that the two cannot part ways.
 */
export function circuitJsonSchema(): object {
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
    ...z.toJSONSchema(whole, { io: 'input', unrepresentable: 'any' }),
    title: 'Brachyon circuit',
    description: 'Parts, the paths that pass through them from supply to return, and the states that matter.',
  }
}
