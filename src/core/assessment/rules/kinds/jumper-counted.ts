import { volts, clamp, times, onWorkLamp, coiled } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineHindsight } from '../rule'
import { endsOf, natureOf, readsVolts, unborne } from '../scene'

export const jumperCounted = defineHindsight({
  key: 'jumperCounted',
  procedures: [],
  weight: 'slip',
  fires: (scene, ahead) => {
    const ends = endsOf(scene)
    if (!readsVolts(scene) || natureOf(scene).shorts || !ends) return false
    const spans = (scene.setup.also ?? []).some(({ instrument, settings, place }) => {
      const { carries, draws } = instrumentOf(instrument).nature(settings)
      return (
        carries === true &&
        draws === 0 &&
        place.type !== 'jaws' &&
        [place.red, place.black].every((node) => ends.includes(node))
      )
    })
    return spans && Math.abs(scene.step.reading.value ?? 0) > 0.03 && unborne(scene, ahead).length > 0
  },
  example: {
    ...onWorkLamp,
    wrong: { ...times(clamp(['W4']), coiled, 'written'), unit: 'V' },
    right: volts('X1a', 'X1b'),
  },
})
