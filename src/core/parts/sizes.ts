import type { AnyPart } from './definition'

/** Parameters as they are given, with those that follow from a size where they are not. */
function withSizes({ sizes }: AnyPart, given: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const chosen = sizes && sizes.presets[String(given[sizes.by])]
  return { ...chosen, ...given }
}

/** Made once for each kind: making one takes longer than reading with it. */
const strict = new WeakMap<AnyPart, ReturnType<AnyPart['parameters']['strict']>>()

/** Reads parameters as they were written down; what is not said is the default, of its size where it has one. */
export function readParameters(definition: AnyPart, given: Readonly<Record<string, unknown>>) {
  let schema = strict.get(definition)
  if (!schema) strict.set(definition, (schema = definition.parameters.strict()))
  return schema.safeParse(withSizes(definition, given))
}

/** Parameters of a new part. The given ones must be sound. */
export const sized = (
  definition: AnyPart,
  given: Readonly<Record<string, unknown>>,
): Record<string, unknown> => definition.parameters.parse(withSizes(definition, given))

/** What else changes when a size is chosen. */
export const presetsOf = (
  { sizes }: AnyPart,
  name: string,
  value: unknown,
): Readonly<Record<string, number>> => (sizes?.by === name && sizes.presets[String(value)]) || {}
