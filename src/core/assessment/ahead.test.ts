import { expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import { complaintOf, Student } from '../../../test/students'
import { Predictor } from '../diagnosis'
import { possibleFaults } from '../faults'
import { prepareJudging, solveAhead } from './judge'
import { Judging } from './judging'
import { defaultRubric } from './rubric'

it('has every board of the state in memory before the next reading, and changes no verdict', () => {
  const circuit = demoCircuit('van-washer-pump')
  const fault = possibleFaults(circuit).find((one) => one.kind === 'corroded' && complaintOf(circuit, [one]))!
  const { arrangement, complaint } = complaintOf(circuit, [fault])!
  const student = new Student(circuit, [fault], arrangement, complaint, 'batteryOutward')
  expect(student.work()).toBe(true)
  const { order, steps } = student.attempt
  const plain = new Predictor(circuit, undefined, [fault])
  const prepared = prepareJudging(plain, order)
  const alone = new Judging(plain, order, defaultRubric, prepared).follow(steps).judged()

  const warm = new Predictor(circuit, undefined, [fault])
  const judging = new Judging(warm, order, defaultRubric, prepared)
  for (const step of steps) {
    judging.follow([step])
    solveAhead(warm, order, judging)
    const { boards } = warm
    solveAhead(warm, order, judging)
    expect(warm.boards).toBe(boards)
  }
  expect(judging.judged()).toEqual(alone)
})
