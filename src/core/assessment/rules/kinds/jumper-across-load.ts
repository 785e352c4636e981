import { bridge, onWorkLamp } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineRule } from '../rule'
import { healthyVolts } from '../context'

export const jumperAcrossLoad = defineRule({
  key: 'jumperAcrossLoad',
  procedures: [],
  weight: 'grave',
  fires: (context) => {
    const all = [context.setup, ...(context.setup.also ?? [])]
    return all.some(({ instrument, settings, place }) => {
      const { carries, draws } = instrumentOf(instrument).nature(settings)
      if (carries !== true || draws > 0 || place.type === 'jaws') return false
      const { wiring, circuit } = context.predictor
      // Feed and return of a load, or the source itself: nothing is left to limit the current.
      const acrossLoad = circuit.parts.some(({ id }) => {
        const definition = context.definition(id)
        if (definition.role !== 'load' && definition.role !== 'source') return false
        const ends = definition.through.map((key) => wiring.nodeOf(id, key))
        return [place.red, place.black].every((node) => ends.includes(node))
      })
      return acrossLoad && Math.abs(healthyVolts(context, place.red, place.black)) > 2
    })
  },
  example: {
    ...onWorkLamp,
    wrong: bridge('L1a', 'L1b', Infinity),
    right: bridge('X1a', 'X1b', 10),
  },
})
