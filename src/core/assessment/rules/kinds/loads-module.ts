import { voltsReading, lamp } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineRule } from '../rule'

export const loadsModule = defineRule({
  key: 'loadsModule',
  procedures: ['modulePowers', 'sensorSupply'],
  weight: 'grave',
  fires: (context) => {
    const { circuit, wiring } = context.predictor
    const sensitive = new Set(
      circuit.parts.flatMap(({ id }) =>
        context.step.arrangement.detached.includes(id)
          ? []
          : context
              .definition(id)
              .terminals.filter((t) => t.sensitive)
              .map((t) => wiring.nodeOf(id, t.key)),
      ),
    )
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
