import { expect, it } from 'vitest'
import { defaultRubric } from '../../assessment'
import { Judging } from '../../assessment/judging'
import { describeFault, possibleFaults } from '../../faults'
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

it.each(names)(
  'on %s: what is worked out for one in series holds for each of the others, worked out alone',
  (name) => {
    const circuit = demoCircuit(name)
    let shared = 0
    for (const [i, fault] of possibleFaults(circuit).entries()) {
      const complaint = i % every === 7 && complaintOf(circuit, [fault])
      if (!complaint) continue
      const about = [circuit, [fault], complaint.arrangement, complaint.complaint] as const
      for (const student of [new Student(...about, habits[i % 4]!), new OtherRoute(...about)]) {
        student.work()
        const { order, steps } = student.attempt
        const judging = new Judging(
          new Predictor(circuit, undefined, [fault]),
          order,
          defaultRubric,
          undefined,
        )
        const alone = new Predictor(circuit, undefined, [fault])
        let before = judging.followed().belief
        for (const step of steps) {
          judging.follow([step])
          const { belief } = judging.followed()
          if (belief.facts.length === before.facts.length + 1) {
            const left = new Map(belief.alive.map((one) => [one.hypothesis.index, one.ranges]))
            const label = `${describeFault(circuit, fault)}, fact ${belief.facts.length}`
            for (const { hypothesis, ranges } of before.alive) {
              const own = narrowed(
                alone,
                { hypothesis: alone.hypotheses[hypothesis.index]!, ranges },
                belief.facts,
              )
              expect(left.get(hypothesis.index), `${label}: ${hypothesis.name}`).toEqual(own?.ranges)
            }
            shared += belief.alive.length - belief.distinct.length
          }
          before = belief
        }
      }
    }
    expect(shared).toBeGreaterThan(20)
  },
  campaign ? 3_600_000 : 120_000,
)
