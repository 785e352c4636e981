import { volts, onWorkLamp } from '../example'
import { dequal } from 'dequal/lite'
import type { StepOf } from '../../../attempt'
import { defineRule } from '../rule'

export const sameTestAgain = defineRule({
  key: 'sameTestAgain',
  procedures: ['pointByPoint'],
  title: 'The same test again',
  weight: 'note',
  fires: ({ step, earlier }) => {
    const since = earlier.slice(earlier.findLastIndex((s) => s.type === 'repair' || s.type === 'renew') + 1)
    return since.some((s) => s.type === 'test' && dequal(set(s), set(step)))
  },
  say: 'Nothing had changed since this was measured before: it can only show the same.',
  instead: 'Ask what reading would tell two of the pieces that are left from each other, and take that.',
  example: {
    ...onWorkLamp,
    wrong: volts('X1a', 'X1b'),
    right: volts('X1b', 'L1a'),
    shows: 'The same reading says the same; the next point along the path says something new.',
  },
})

/** All that decides what a test shows. */
const set = ({ arrangement, instrument, settings, held, also }: StepOf<'test'>): unknown => [
  arrangement,
  instrument,
  settings,
  held,
  also,
]
