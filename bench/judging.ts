import { firstBelief, judgeAttempt, prepareJudging, type Prepared } from '../src/core/assessment'
import { Predictor, rankTests } from '../src/core/diagnosis'
import { instrumentKeys } from '../src/core/instruments'
import { possibleFaults } from '../src/core/faults'
import { demoCircuit, demoNames } from '../test/demo'
import { small } from './small'
import { complaintOf, Student } from '../test/students'

const timed = (work: () => void): number => {
  const start = performance.now()
  work()
  return performance.now() - start
}
const middle = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

/**
 * What judging costs on every demo circuit, each with one fault that shows: what is prepared at hand-out; then in a fresh
 * predictor that takes up what was prepared, as after a restart, the first four steps, each step more, the whole again.
 */
export function judging(line: (what: string, value: string) => void): void {
  for (const name of small ? demoNames.slice(0, 1) : demoNames) {
    const circuit = demoCircuit(name)
    const shown = possibleFaults(circuit).filter((fault) => complaintOf(circuit, [fault]))
    const fault = shown[Math.floor(shown.length * 0.6)]
    const complaint = fault && complaintOf(circuit, [fault])
    if (!fault || !complaint) continue
    const student = new Student(
      circuit,
      [fault],
      complaint.arrangement,
      complaint.complaint,
      'batteryOutward',
    )
    if (!student.work()) continue
    const { order, steps } = student.attempt
    const fresh = new Predictor(circuit, undefined, [fault])
    const preparation = timed(() => prepareJudging(fresh, order))
    const first = firstBelief(fresh, order)
    // Once more with other places open: nothing of it has been asked before.
    const ranking = timed(() => rankTests(first, instrumentKeys, { reached: ['none'], out: [] }))
    const kept = JSON.parse(JSON.stringify(prepareJudging(fresh, order))) as Prepared
    const before = process.memoryUsage()
    const again = new Predictor(circuit, undefined, [fault])
    const four = timed(() => judgeAttempt(again, order, steps.slice(0, 5), undefined, kept))
    const more = steps.slice(5).map((_, i) => timed(() => judgeAttempt(again, order, steps.slice(0, 6 + i))))
    const whole = timed(() => judgeAttempt(again, order, steps))
    const after = process.memoryUsage()
    const memory = (after.heapUsed + after.external - before.heapUsed - before.external) / 1e6
    line(
      `judge ${name}: ${fresh.hypotheses.length} hypotheses, ${first.alive.length} left by the complaint`,
      [
        `prepared ${preparation.toFixed(0)} ms`,
        `best next test ${ranking.toFixed(0)} ms`,
        `four steps ${four.toFixed(0)} ms`,
        `one more ${middle([...more]).toFixed(0)} ms, at most ${Math.max(0, ...more).toFixed(0)} ms`,
        `whole again ${whole.toFixed(0)} ms`,
        `about ${Math.max(0, memory).toFixed(0)} MB`,
      ].join('; '),
    )
  }
}
