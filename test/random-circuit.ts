import fc from 'fast-check'
import { z } from 'zod'
import { readCircuit } from '../src/core/editing'
import { type Circuit } from '../src/core/circuit'
import { partOfKind } from '../src/core/parts'

/** Terminals of a part that are not on its main way, and where each is led: to supply, to return, or nowhere. */
const lead = fc.constantFrom('supply', 'return', 'open')
const pieces = [
  'wire',
  'fuse',
  'connector',
  'switch',
  'resistor',
  'splice',
  'breaker',
  'fusibleLink',
  'lamp',
  'heater',
]

/** Parameters near their defaults, inside their ranges; words drawn from what may be chosen, text as it stands. */
function parametersOf(kind: string, draws: readonly number[]): Record<string, unknown> {
  const { shape } = partOfKind(kind).parameters
  const found: Record<string, unknown> = {}
  Object.entries(shape).forEach(([name, field], i) => {
    const draw = draws[i % draws.length]!
    const schema = z.toJSONSchema(field as z.ZodType, { io: 'input' })
    const options = Array.isArray(schema.enum) ? schema.enum : undefined
    if (options) found[name] = options[Math.floor(draw * options.length) % options.length]
    else if (schema.type === 'number' && typeof schema.default === 'number') {
      const value = schema.default * 10 ** (0.5 * (draw - 0.5))
      found[name] = Math.min(schema.maximum ?? value, Math.max(schema.minimum ?? value, value))
    }
  })
  return found
}

/**
 * Random circuits in which `kind` stands on the main path, its other terminals led to supply or return at random through
 * pieces of their own; every control in a random position, every value near its default.
 */
export const circuitsWith = (kind: string): fc.Arbitrary<Circuit | undefined> =>
  fc
    .record({
      before: fc.array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 3 }),
      after: fc.array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 3 }),
      leads: fc.array(fc.tuple(lead, fc.constantFrom(...pieces)), { minLength: 24, maxLength: 24 }),
      draws: fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 40, maxLength: 40 }),
      running: fc.boolean(),
      temperature: fc.integer({ min: -20, max: 60 }),
    })
    .map(({ before, after, leads, draws, running, temperature }) => {
      const parts: { id: string; kind: string; parameters?: object }[] = []
      const counts = new Map<string, number>()
      const add = (of: string) => {
        const { letters } = partOfKind(of)
        const n = (counts.get(letters) ?? 0) + 1
        counts.set(letters, n)
        parts.push({ id: letters + n, kind: of, parameters: parametersOf(of, draws.slice(parts.length % 7)) })
        return letters + n
      }
      const battery = add('battery')
      const [supply, back] = [`${battery}.p`, `${battery}.n`]
      const studied = kind === 'battery' ? battery : add(kind)
      const own = kind === 'battery' ? [] : [{ part: studied }]
      const main = [...before.map((k) => ({ part: add(k) })), ...own, ...after.map((k) => ({ part: add(k) }))]
      const paths: object[] = [{ id: 'main', from: supply, to: back, steps: main }]
      const definition = partOfKind(kind)
      const free = definition.terminals.filter((t) => !t.inside && !definition.through.includes(t.key))
      if (kind !== 'battery')
        free.forEach(({ key }, i) => {
          const [where, through] = leads[i % leads.length]!
          if (where === 'open') return
          paths.push({
            id: `lead-${key}`,
            from: where === 'supply' ? supply : `${studied}.${key}`,
            to: where === 'supply' ? `${studied}.${key}` : back,
            steps: [{ part: add(through) }],
          })
        })
      const controls = Object.fromEntries(
        parts.flatMap(({ id, kind: of }, i) => {
          const { positions } = partOfKind(of)
          return positions ? [[id, positions[Math.floor(draws[i % 40]! * positions.length)]!]] : []
        }),
      )
      const read = readCircuit({
        format: 'brachyon-circuit',
        version: 2,
        name: `random with ${kind}`,
        temperature,
        parts,
        paths,
        states: [{ id: 's', name: 's', controls, engine: running ? 'running' : 'off' }],
      })
      return read.ok ? read.value : undefined
    })
