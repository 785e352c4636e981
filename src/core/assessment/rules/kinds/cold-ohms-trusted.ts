import { defineHindsight } from '../rule'
import { natureOf, unborne } from '../scene'

export const coldOhmsTrusted = defineHindsight({
  key: 'coldOhmsTrusted',
  procedures: ['highResistance'],
  title: 'Trusting continuity or cold ohms',
  weight: 'slip',
  fires: (scene, ahead) =>
    natureOf(scene).needsDead === true && !scene.live && unborne(scene, ahead).length > 0,
  say: 'A milliamp from the meter proves a path, not that the path carries amps.',
  instead: 'Prove it by its drop under its own load.',
})
