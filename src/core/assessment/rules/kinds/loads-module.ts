import { voltsReading, lamp } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineRule, type TestContext } from '../rule'

/** Pins of electronics, and all that wires and plugs join to them. */
function sensitiveNodes({ predictor, step, definition }: TestContext): ReadonlySet<number> {
  const { circuit, wiring } = predictor
  const plugged = circuit.parts.filter(({ id }) => !step.arrangement.detached.includes(id))
  const pins = plugged.flatMap(({ id }) =>
    definition(id)
      .terminals.filter((t) => t.sensitive)
      .map((t) => wiring.nodeOf(id, t.key)),
  )
  const joints = plugged.flatMap(({ id }) => {
    const { role, segments } = definition(id)
    return role === 'conductor' || role === 'connection'
      ? segments.map(({ between }) => between.map((key) => wiring.nodeOf(id, key)))
      : []
  })
  const reached = new Set(pins)
  for (let before = -1; before !== reached.size;) {
    before = reached.size
    for (const ends of joints) if (ends.some((node) => reached.has(node))) ends.forEach((n) => reached.add(n))
  }
  // What hangs on the battery's own return bears a load.
  return reached.has(0) ? new Set(pins) : reached
}

export const loadsModule = defineRule({
  key: 'loadsModule',
  procedures: ['modulePowers', 'sensorSupply'],
  weight: 'grave',
  fires: (context) => {
    const sensitive = sensitiveNodes(context)
    return [context.setup, ...(context.setup.also ?? [])].some(({ instrument, settings, place }) => {
      const { needsDead, carries, draws } = instrumentOf(instrument).nature(settings)
      if (place.type === 'jaws' || (!needsDead && !carries && draws < 0.05)) return false
      return sensitive.has(place.red) || sensitive.has(place.black)
    })
  },
  example: {
    circuit: 'gritter-salt-sensor',
    state: 'run',
    wrong: lamp('X1b', 'B1−', 0.25),
    right: voltsReading('X1b', 'RP1r'),
  },
})
