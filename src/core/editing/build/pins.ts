import { kindOfPins, mostPins, modulePins, partOfKind, pinsOf, readParameters, type Pins } from '../../parts'
import { say, messageOf } from '../../document'
import type { Circuit } from '../../circuit'
import { endsOf, refuse, type Built } from './arrangement'

/** Terminals of a part that a path meets or a state bridges. */
function metBy(circuit: Circuit, id: string): ReadonlySet<string> {
  const own = (terminal: string) => (terminal.startsWith(`${id}.`) ? [terminal.slice(id.length + 1)] : [])
  return new Set([
    ...circuit.paths.flatMap(({ from, to, steps }) => [
      ...own(from),
      ...own(to),
      ...steps.flatMap((step) => (step.part === id ? endsOf(circuit, step) : [])),
    ]),
    ...circuit.states.flatMap(({ bypassed }) => (bypassed ?? []).flat().flatMap(own)),
  ])
}

/** Gives a module more pins or fewer. What is wired stays where it is; a pin that is in use cannot be taken away. */
export function changePins(circuit: Circuit, id: string, pins: Pins): Built {
  const part = circuit.parts.find((p) => p.id === id)
  if (!part) return refuse(id, say('circuit.noPart', { id }))
  if (!pinsOf(part.kind)) return refuse(id, say('circuit.noModule', { id }))
  for (const [key, { name, least }] of Object.entries(modulePins)) {
    const count = pins[key as keyof Pins]
    if (!Number.isInteger(count) || count < least || count > mostPins)
      return refuse(
        id,
        say('circuit.pinCount', {
          name: messageOf(name),
          least: { shown: String(least) },
          most: { shown: String(mostPins) },
        }),
      )
  }
  const kind = kindOfPins(pins)
  const after = partOfKind(kind)
  const left = new Set(after.terminals.map(({ key }) => key))
  const lost = partOfKind(part.kind).terminals.filter(({ key }) => !left.has(key))
  const met = metBy(circuit, id)
  const used = lost.filter(({ key }) => met.has(key))
  if (used.length)
    return refuse(id, say('circuit.pinInUse', { id, pins: used.map(({ name }) => messageOf(name)) }))
  const values = Object.fromEntries(
    Object.entries(part.parameters).filter(([name]) => name in after.parameters.shape),
  )
  const read = readParameters(after, values)
  // A condition that names an input that is no longer there.
  if (!read.success)
    return refuse(id, say('circuit.pinNamed', { id, pins: lost.map(({ name }) => messageOf(name)) }))
  const parts = circuit.parts.map((p) => (p.id === id ? { ...p, kind, parameters: values } : p))
  return { ok: true, circuit: { ...circuit, parts }, touched: [id] }
}
