import { volts, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { isDropTest, meantToRun, piecesBetween, readsVolts, unborne } from '../scene'

export const dropWithoutLoad = defineHindsight({
  key: 'dropWithoutLoad',
  procedures: ['fourDrops'],
  title: 'Drop test with the circuit off',
  weight: 'mistake',
  fires: (scene, ahead) => {
    if (!readsVolts(scene) || !isDropTest(scene) || meantToRun(scene)) return false
    const between = piecesBetween(scene)
    return unborne(scene, ahead).some(({ id }) => between.has(id))
  },
  say: 'No current could flow in this state, so a drop of zero is no proof: nothing is lost where nothing flows.',
  instead: 'Switch the load on and measure again.',
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 }],
    wrong: volts('X1a', 'X1b', 'on-unplugged'),
    right: volts('X1a', 'X1b'),
    shows: 'The same bad joint: nothing is lost in it until its load draws current.',
  },
})
