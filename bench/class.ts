import { possibleFaults } from '../src/core/faults'
import { defaultRubric, type Prepared } from '../src/core/assessment'
import type { Order, Step } from '../src/core/attempt'
import { Workers } from '../src/server/workers/pool'
import { demoCircuit } from '../test/demo'
import { small } from './small'
import { complaintOf, Student, type Habit } from '../test/students'

/**
 * A class at once: thirty students on three circuits, each with an attempt of their own, each judged after one more step, as
 * on a server with its threads. Prints how long the answers took, after what was prepared at hand-out.
 */
const circuits = ['van-cooling-fan', 'sweeper-work-lamp', 'gritter-salt-sensor'] as const
const habits: readonly Habit[] = ['loadFirst', 'batteryOutward', 'groundFirst', 'halving']
const students = small ? 3 : 30

const workers = new Workers()
await workers.warm()
const attempts: { order: Order; steps: readonly Step[]; prepared: Prepared }[] = []
for (let i = 0; i < students; i++) {
  const circuit = demoCircuit(circuits[i % circuits.length]!)
  const shown = possibleFaults(circuit).filter((fault) => complaintOf(circuit, [fault]))
  const planted = [shown[Math.floor(shown.length * 0.6)]!]
  const { arrangement, complaint } = complaintOf(circuit, planted)!
  const student = new Student(
    circuit,
    planted,
    arrangement,
    complaint,
    habits[Math.floor(i / 3) % habits.length]!,
  )
  student.work()
  const { order, steps } = student.attempt
  const prepared = await workers.prepare({ order, thresholds: defaultRubric.thresholds })
  await workers.makeReady({ order, prepared })
  attempts.push({ order, steps, prepared })
}

const judged = async ({ order, steps, prepared }: (typeof attempts)[number], n: number) => {
  const start = performance.now()
  await workers.judge({ order, steps: steps.slice(0, n), rubric: defaultRubric, prepared })
  return performance.now() - start
}
function report(what: string, times: number[]): void {
  times.sort((a, b) => a - b)
  const at = (share: number) =>
    times[Math.min(times.length - 1, Math.floor(share * times.length))]!.toFixed(0)
  console.log(what.padEnd(70), `median ${at(0.5)} ms, 95 % ${at(0.95)} ms, at most ${at(1)} ms`)
}

// As a class works: each thinks for two to eight seconds between one answer and the next step.
const times: number[] = []
await Promise.all(
  attempts.map(async (attempt, i) => {
    for (let n = 1; n <= attempt.steps.length; n++) {
      // No chance of its own: the same run each time.
      const thinks = 2000 + ((i * 7919 + n * 104729) % 6000)
      await new Promise((go) => setTimeout(go, small ? thinks / 50 : thinks))
      times.push(await judged(attempt, n))
    }
  }),
)
report(`${times.length} steps of ${students} students who think for 2 to 8 s`, times)

// The worst that a class can do: all of them in the same instant, step by step.
for (const n of [2, 4, 6, 8]) {
  const running = attempts.filter(({ steps }) => steps.length >= n)
  report(
    `step ${n} again, ${running.length} in the same instant`,
    await Promise.all(running.map((a) => judged(a, n))),
  )
}
await workers.close()
