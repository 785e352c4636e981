import { voltsReading, bridge, onStarting } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineRule } from '../rule'

/** Amps from which a load needs a fuse of its own. */
const heavy = 2

export const loadOnBattery = defineRule({
  key: 'loadOnBattery',
  procedures: [],
  weight: 'grave',
  fires: (context) => {
    const { circuit, wiring } = context.predictor
    const posts = new Set(
      circuit.parts.flatMap(({ id }) => {
        const { role, terminals } = context.definition(id)
        return role === 'source' ? terminals.map((t) => wiring.nodeOf(id, t.key)) : []
      }),
    )
    return [context.setup, ...(context.setup.also ?? [])].some(({ instrument, settings, place }) => {
      const { carries, draws } = instrumentOf(instrument).nature(settings)
      if (!carries || draws < heavy || place.type !== 'leads') return false
      return posts.has(place.red) && posts.has(place.black)
    })
  },
  example: {
    ...onStarting,
    wrong: bridge('B1+', 'B1−', 1000),
    right: voltsReading('B1+', 'B1−'),
  },
})
