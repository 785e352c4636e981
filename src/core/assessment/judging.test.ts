import { describe, expect, it } from 'vitest'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { complaintOf, Student, type Habit } from '../../../test/students'
import { Predictor } from '../diagnosis'
import { possibleFaults } from '../faults'
import { followBlindly, practiceVerdicts } from './practice'
import { judgeAttempt, prepareJudging } from './judge'
import { Judging } from './judging'
import { defaultRubric } from './rubric'

const worked = (name: string, share: number, habit: Habit) => {
  const circuit = demoCircuit(name)
  const shown = possibleFaults(circuit).filter((fault) => complaintOf(circuit, [fault]))
  const planted = [shown[Math.floor(shown.length * share)]!]
  const { arrangement, complaint } = complaintOf(circuit, planted)!
  const student = new Student(circuit, planted, arrangement, complaint, habit)
  student.work()
  const { order, steps } = student.attempt
  return { circuit, planted, order, steps }
}

describe('an attempt that is judged as its steps come', () => {
  it.each([
    ['sweeper-work-lamp', 0.2, 'loadFirst'],
    ['sweeper-work-lamp', 0.7, 'batteryOutward'],
    ['van-cooling-fan', 0.5, 'groundFirst'],
  ] as const)('is judged after each as if it were judged anew: %s, %d, %s', (name, share, habit) => {
    const { circuit, planted, order, steps } = worked(name, share, habit)
    const predictor = new Predictor(circuit, undefined, planted)
    const prepared = prepareJudging(predictor, order)
    const following = new Judging(predictor, order, defaultRubric, prepared)
    const blindly = followBlindly(predictor, order, defaultRubric, prepared)
    expect(steps.length).toBeGreaterThan(4)
    for (let n = 1; n <= steps.length; n++) {
      const kept = structuredClone(following.follow([steps[n - 1]!]).judged())
      blindly.follow([steps[n - 1]!])
      const anew = judgeAttempt(predictor, order, steps.slice(0, n), defaultRubric, prepared)
      expect(kept).toEqual(anew)
      const all = followBlindly(predictor, order, defaultRubric, prepared).follow(steps.slice(0, n))
      expect(practiceVerdicts(blindly)).toEqual(practiceVerdicts(all))
    }
    expect(following.taken).toEqual(steps)
  })

  it('says in hindsight what only a later step shows: the load was blamed, and its return never measured', () => {
    const circuit = demoCircuit('sweeper-work-lamp')
    const attempt = new Attempt(
      circuit,
      [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }],
      {
        controls: { S1: 'closed' },
        detached: [],
      },
    )
      .operate()
      .test('L1a', 'B1-', 12.5, [])
      .conclude('L1.bulb', 'burntOut')
    const { order, steps } = attempt
    const following = new Judging(new Predictor(circuit), order, defaultRubric, undefined)
    const codes = () => following.judged().judgements.map((j) => j.verdict.code)
    following.follow(steps.slice(0, -1))
    expect(codes()).not.toContain('rules.feedOnly.title')
    following.follow(steps.slice(-1))
    expect(codes()).toContain('rules.feedOnly.title')
  })

  it('does not ask for the return where the feed has lost all volts and the readings prove the socket', () => {
    const circuit = demoCircuit('sweeper-work-lamp')
    const on = { controls: { S1: 'closed' }, detached: [] }
    const open = [{ kind: 'open', part: 'L1', segment: 'socketIn' }] as const
    const attempt = new Attempt(circuit, open, on)
      .operate()
      .test('B1+', 'L1f', 0.3, [])
      .test('B1+', 'L1a', 0.3, [])
      .conclude('L1.socket', 'open')
    const { judgements } = attempt.judged(new Predictor(circuit))
    const codes = judgements.map((j) => j.verdict.code)
    expect(codes).toContain('assessment.proven')
    expect(codes).not.toContain('rules.feedOnly.title')
  })
})
