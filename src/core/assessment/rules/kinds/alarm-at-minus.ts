import { volts, onWorkLamp } from '../example'
import { dequal } from 'dequal/lite'
import { defineRule } from '../rule'

export const alarmAtMinus = defineRule({
  key: 'alarmAtMinus',
  procedures: [],
  title: 'Alarm at a minus sign',
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
  say: 'The same was measured again with the leads changed over: only the sign could turn.',
  instead: 'A minus sign says that red is on the lower point; the number stands.',
  example: {
    ...onWorkLamp,
    wrong: volts('L1b', 'L1a'),
    right: volts('L1a', 'L1b'),
    shows: 'A minus is no fault: the same volts with the leads the other way round.',
  },
})
