import { volts, lamp } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineRule } from '../rule'

export const loadsModule = defineRule({
  key: 'loadsModule',
  procedures: ['modulePowers', 'sensorSupply'],
  title: 'A load or a test current into a module',
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
  say: 'An input, a signal or a reference of a module takes microamps: a lamp, a jumper or an ohmmeter can ruin it.',
  instead: 'Unplug the module before ohms; measure its pins with the voltmeter only.',
  example: {
    circuit: 'gritter-salt-sensor',
    state: 'run',
    wrong: lamp('X1b', 'B1−', 0.25),
    right: volts('X1b', 'RP1r'),
    shows:
      'A lamp on a sensor’s five volts is dark, and can ruin what supplies them; a voltmeter draws nothing.',
  },
})
