import { expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../../test/demo'
import { harnessCircuit } from '../../../../bench/harness'
import { possibleFaults } from '../../faults'
import { tell } from '../../words'
import { tooLargeToJudge } from './judging-size'

it.each(demoNames)('%s can be judged, with two faults too', (name) => {
  const circuit = demoCircuit(name)
  const planted = possibleFaults(circuit).filter((_, i) => i % 40 === 0)
  expect(tooLargeToJudge(circuit, planted.slice(0, 1), 1)).toBeUndefined()
  expect(tooLargeToJudge(circuit, planted.slice(0, 2), 2)).toBeUndefined()
})

it('says of a large circuit what would be accepted, and that is so', () => {
  const large = harnessCircuit(300)
  const planted = possibleFaults(large).slice(0, 2)
  expect(tooLargeToJudge(large, planted.slice(0, 1), 1)).toBeUndefined()
  const two = tell(tooLargeToJudge(large, planted, 2)!)
  expect(two).toMatch(/^Too large to judge two faults in: it has \d+ pieces. Plant one fault, or take a part/)
  const huge = harnessCircuit(900)
  const one = tell(tooLargeToJudge(huge, possibleFaults(huge).slice(0, 1), 1)!)
  const fewer = Number(/at most (\d+) pieces/.exec(one)![1])
  // A harness has fewer pieces than nodes.
  const smaller = harnessCircuit(fewer)
  expect(tooLargeToJudge(smaller, possibleFaults(smaller).slice(0, 1), 1)).toBeUndefined()
})
