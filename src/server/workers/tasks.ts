import { judgeAttempt, type JudgedAttempt, type Rubric } from '../../core/assessment'
import {
  advance,
  meterOfFrame,
  perform,
  startBench,
  type Action,
  type Bench,
  type Order,
  type Step,
} from '../../core/attempt'
import { wireUp, type Circuit } from '../../core/circuit'
import { Predictor } from '../../core/diagnosis'
import type { PerformedStep } from './pool'

export interface StartTask {
  readonly order: Order
}
export interface PerformTask {
  readonly order: Order
  readonly bench: Bench
  readonly before: readonly Step['type'][]
  readonly action: Action
}
export interface JudgeTask {
  readonly order: Order
  readonly steps: readonly Step[]
  readonly rubric: Rubric
}

/** A class works on few circuits at a time: the last ones' solved hypotheses stay in memory. */
const kept = new Map<string, Predictor>()
const most = 2

function predictorFor(circuit: Circuit, frame: Order['frame']): Predictor {
  const key = JSON.stringify([circuit, frame.meter])
  const found = kept.get(key) ?? new Predictor(circuit, meterOfFrame(frame))
  kept.delete(key)
  kept.set(key, found)
  for (const old of [...kept.keys()].slice(0, -most)) kept.delete(old)
  return found
}

const tasks = {
  ready: (): true => true,
  start: ({ order }: StartTask): Bench => startBench(order, wireUp(order.circuit)),
  perform: ({ order, bench, before, action }: PerformTask): PerformedStep => {
    const performed = perform(order, bench, before, action)
    return { performed, bench: performed.ok ? advance(order, bench, performed.step) : undefined }
  },
  judge: ({ order, steps, rubric }: JudgeTask): JudgedAttempt =>
    judgeAttempt(predictorFor(order.circuit, order.frame), order, steps, rubric),
}

export type TaskName = keyof typeof tasks

/** What a worker thread runs. */
export default function run({ name, task }: { name: TaskName; task: never }): unknown {
  return tasks[name](task)
}
