import { voltsReading, clamp, times, onWorkLamp, coiled } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineHindsight } from '../rule'
import { endsOf, natureOf, readsVolts, unborne } from '../context'

export const jumperCounted = defineHindsight({
  key: 'jumperCounted',
  procedures: [],
  weight: 'slip',
  fires: (context, ahead) => {
    const ends = endsOf(context)
    if (!readsVolts(context) || natureOf(context).shorts || !ends) return false
    const spans = (context.setup.also ?? []).some(({ instrument, settings, place }) => {
      const { carries, draws } = instrumentOf(instrument).nature(settings)
      return (
        carries === true &&
        draws === 0 &&
        place.type !== 'jaws' &&
        [place.red, place.black].every((node) => ends.includes(node))
      )
    })
    return spans && Math.abs(context.step.reading.value ?? 0) > 0.03 && unborne(context, ahead).length > 0
  },
  example: {
    ...onWorkLamp,
    wrong: { ...times(clamp(['W4']), coiled, 'written'), unit: 'V' },
    right: voltsReading('X1a', 'X1b'),
  },
})
