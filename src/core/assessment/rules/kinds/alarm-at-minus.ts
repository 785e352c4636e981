import { voltsReading, onWorkLamp } from '../example'
import { dequal } from 'dequal/lite'
import { heldByPoints } from '../../../instruments'
import { defineRule } from '../rule'

export const alarmAtMinus = defineRule({
  key: 'alarmAtMinus',
  procedures: [],
  weight: 'note',
  fires: ({ order: { circuit }, step, earlier }) => {
    const before = [...earlier].reverse().find((s) => s.type === 'test')
    if (before?.type !== 'test') return false
    const [last, now] = [before, step].map(({ held }) => heldByPoints(circuit, held))
    if (last?.type !== 'leads' || now?.type !== 'leads') return false
    return (
      before.instrument === step.instrument &&
      (before.reading.value ?? 0) < -0.005 &&
      last.red === now.black &&
      last.black === now.red &&
      dequal(before.arrangement, step.arrangement)
    )
  },
  example: {
    ...onWorkLamp,
    wrong: voltsReading('L1b', 'L1a'),
    right: voltsReading('L1a', 'L1b'),
  },
})
