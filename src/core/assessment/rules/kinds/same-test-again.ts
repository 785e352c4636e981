import { voltsReading, onWorkLamp } from '../example'
import { dequal } from 'dequal/lite'
import type { StepOf } from '../../../attempt'
import type { Circuit } from '../../../circuit'
import { heldByPoints } from '../../../instruments'
import { defineRule } from '../rule'

export const sameTestAgain = defineRule({
  key: 'sameTestAgain',
  procedures: ['pointByPoint'],
  weight: 'note',
  fires: ({ order: { circuit }, step, earlier }) => {
    const since = earlier.slice(earlier.findLastIndex((s) => s.type === 'repair' || s.type === 'renew') + 1)
    return since.some((s) => s.type === 'test' && dequal(set(circuit, s), set(circuit, step)))
  },
  example: {
    ...onWorkLamp,
    wrong: voltsReading('X1a', 'X1b'),
    right: voltsReading('X1b', 'L1a'),
  },
})

/** All that decides what a test shows. */
const set = (
  circuit: Circuit,
  { arrangement, instrument, settings, held, also }: StepOf<'test'>,
): unknown => [
  arrangement,
  instrument,
  settings,
  heldByPoints(circuit, held),
  also.map((one) => ({ ...one, held: heldByPoints(circuit, one.held) })),
]
