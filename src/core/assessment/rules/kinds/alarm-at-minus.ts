import { voltsReading, onWorkLamp } from '../example'
import { dequal } from 'dequal/lite'
import { defineRule } from '../rule'

export const alarmAtMinus = defineRule({
  key: 'alarmAtMinus',
  procedures: [],
  weight: 'note',
  fires: ({ step, earlier }) => {
    const before = [...earlier].reverse().find((s) => s.type === 'test')
    if (before?.type !== 'test' || before.held.type !== 'leads' || step.held.type !== 'leads') return false
    return (
      before.instrument === step.instrument &&
      (before.reading.value ?? 0) < -0.005 &&
      before.held.red === step.held.black &&
      before.held.black === step.held.red &&
      dequal(before.arrangement, step.arrangement)
    )
  },
  example: {
    ...onWorkLamp,
    wrong: voltsReading('L1b', 'L1a'),
    right: voltsReading('L1a', 'L1b'),
  },
})
