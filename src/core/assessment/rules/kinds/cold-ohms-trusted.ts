import { voltsReading, beep, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { natureOf, unborne } from '../context'

export const coldOhmsTrusted = defineHindsight({
  key: 'coldOhmsTrusted',
  procedures: ['highResistance'],
  weight: 'slip',
  comparesLoaded: true,
  fires: (context, ahead) =>
    natureOf(context).needsDead === true && !context.live && unborne(context, ahead).length > 0,
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'strandsLost', part: 'W4', segment: 'copper', severity: 97 }],
    wrong: beep('X1b', 'L1a', 'strap-off'),
    right: voltsReading('X1b', 'L1a'),
  },
})
