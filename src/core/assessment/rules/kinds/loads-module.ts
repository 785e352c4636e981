import { volts, lamp } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineRule } from '../rule'

export const loadsModule = defineRule({
  key: 'loadsModule',
  procedures: ['modulePowers', 'sensorSupply'],
  weight: 'grave',
  fires: (scene) => {
    const { circuit, wiring } = scene.predictor
    const sensitive = new Set(
      circuit.parts.flatMap(({ id }) =>
        scene.step.arrangement.detached.includes(id)
          ? []
          : scene
              .definition(id)
              .terminals.filter((t) => t.sensitive)
              .map((t) => wiring.nodeOf(id, t.key)),
      ),
    )
    return [scene.setup, ...(scene.setup.also ?? [])].some(({ instrument, settings, place }) => {
      const { needsDead, carries, draws } = instrumentOf(instrument).nature(settings)
      if (place.type === 'jaws' || (!needsDead && !carries && draws < 0.05)) return false
      return sensitive.has(place.red) || sensitive.has(place.black)
    })
  },
  example: {
    circuit: 'gritter-salt-sensor',
    state: 'run',
    wrong: lamp('X1b', 'B1−', 0.25),
    right: volts('X1b', 'RP1r'),
  },
})
