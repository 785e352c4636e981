import { describe, expect, it } from 'vitest'
import { defaultRubric } from '../../assessment'
import { Judging } from '../../assessment/judging'
import { describeFault, possibleFaults, type Fault } from '../../faults'
import { tell } from '../../words'
import { OtherRoute } from '../../../../test/other-route'
import { complaintOf, habits, Student } from '../../../../test/students'
import { demoCircuit, demoNames } from '../../../../test/demo'
import { Predictor } from '..'
import { narrowed } from '../posterior/belief'

/** Every so-many-th fault of three circuits; more, of all of them, in a campaign. */
const campaign = process.env.BRACHYON_CAMPAIGN !== undefined
const every = campaign ? 13 : 61
const names = campaign
  ? demoNames
  : (['sweeper-work-lamp', 'sweeper-lamp-selector', 'van-key-off-drain'] as const)
const patience = campaign ? 3_600_000 : 120_000

/**
 * Follows a student, and works out after each fact what it leaves of every hypothesis, each by itself.
 * @returns for how many of them it had not been worked out
 */
function expectAlike(student: Student): number {
  student.work()
  const { order, steps } = student.attempt
  const { circuit, planted, frame } = order
  const predictor = () => new Predictor(circuit, undefined, planted, frame.faults)
  const [judging, alone] = [new Judging(predictor(), order, defaultRubric, undefined), predictor()]
  const label = planted.map((fault) => tell(describeFault(circuit, fault))).join(' and ')
  let shared = 0
  let before = judging.followed().belief
  for (const step of steps) {
    judging.follow([step])
    const { belief } = judging.followed()
    if (belief.facts.length === before.facts.length + 1) {
      const left = new Map(belief.alive.map((one) => [one.hypothesis.index, one.ranges]))
      for (const { hypothesis, ranges } of before.alive) {
        const own = { hypothesis: alone.hypotheses[hypothesis.index]!, ranges }
        expect(
          left.get(hypothesis.index),
          `${label}, fact ${belief.facts.length}: ${hypothesis.name}`,
        ).toEqual(narrowed(alone, own, belief.facts)?.ranges)
      }
      shared += belief.alive.length - belief.distinct.length
    }
    before = belief
  }
  return shared
}

describe('what is worked out for one in series holds for each of the others, worked out alone', () => {
  it.each(names)(
    'on %s',
    (name) => {
      const circuit = demoCircuit(name)
      let shared = 0
      for (const [i, fault] of possibleFaults(circuit).entries()) {
        const complaint = i % every === 7 && complaintOf(circuit, [fault])
        if (!complaint) continue
        const about = [circuit, [fault], complaint.arrangement, complaint.complaint] as const
        shared += expectAlike(new Student(...about, habits[i % 4]!)) + expectAlike(new OtherRoute(...about))
      }
      expect(shared).toBeGreaterThan(20)
    },
    patience,
  )

  it.each(['highResistance', 'shortToGround', 'drain', 'blown'] as const)(
    'beside a second fault: %s',
    (kind) => {
      const circuit = demoCircuit('sweeper-work-lamp')
      const all = possibleFaults(circuit)
      const first: Fault = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 0.7 }
      const second = all.find((one) => one.kind === kind && one.part !== first.part)!
      const planted = [first, second]
      const complaint = complaintOf(circuit, planted)!
      const about = [circuit, planted, complaint.arrangement, complaint.complaint] as const
      expect(expectAlike(new Student(...about, 'loadFirst', { faults: 2 }))).toBeGreaterThan(0)
    },
    patience,
  )
})
