import { describe, expect, it } from 'vitest'
import { Predictor } from '../diagnosis'
import { describeFault, possibleFaults } from '../faults'
import { complaintOf, habits, Student } from '../../../test/students'
import { demoCircuit, demoNames } from '../../../test/demo'
import { tell } from '../words'
import { defaultRubric } from '.'
import { Judging } from './judging'

const campaign = process.env.BRACHYON_CAMPAIGN !== undefined
const every = campaign ? 5 : 61

describe('whatever is still suspected', () => {
  it.each(demoNames)(
    'on %s could be what is there: a fault of it has been solved that gives all that was seen and read',
    (name) => {
      const circuit = demoCircuit(name)
      const predictor = new Predictor(circuit)
      const impossible: string[] = []
      for (const [i, fault] of possibleFaults(circuit).entries()) {
        if (i % every !== demoNames.indexOf(name) % every) continue
        const complaint = complaintOf(circuit, [fault])
        if (!complaint) continue
        const { arrangement, complaint: facts } = complaint
        const student = new Student(circuit, [fault], arrangement, facts, habits[i % habits.length]!)
        if (!student.work()) continue
        const { order, steps } = student.attempt
        const end = steps.findIndex((s) => s.type === 'conclude')
        for (const upTo of new Set([1, Math.ceil(end / 2), end])) {
          const judging = new Judging(predictor, order, defaultRubric, undefined)
          const { belief } = judging.follow(steps.slice(0, upTo)).followed()
          for (const [piece, doubt] of belief.doubts)
            if (doubt > 0.02 && !belief.example(piece))
              impossible.push(
                `${tell(describeFault(circuit, fault))}, after ${upTo} steps: ${piece} with ${doubt.toFixed(2)}`,
              )
        }
      }
      expect(impossible).toEqual([])
    },
    campaign ? 3_600_000 : 120_000,
  )
})
