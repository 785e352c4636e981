import { volts, clamp, times, onWorkLamp, coiled } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineHindsight } from '../rule'
import { endsOf, natureOf, readsVolts, unborne } from '../scene'

export const jumperCounted = defineHindsight({
  key: 'jumperCounted',
  procedures: [],
  title: 'The jumper’s own loss counted',
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
  say: 'The leads stood on the jumper’s own ends: its loss is in the reading.',
  instead: 'Measure behind the jumper’s clips, on the circuit’s own metal; take a short thick one.',
  example: {
    ...onWorkLamp,
    wrong: { ...times(clamp(['W4']), coiled, 'written'), unit: 'V' },
    right: volts('X1a', 'X1b'),
    shows:
      'Fifty milliohms of coiled jumper lose more than the joint that they bridge: measured at its clips they count as the circuit’s.',
  },
})
