import {
  judgeAttempt,
  hintFor,
  makeReady,
  practiceVerdicts,
  prepareJudging,
  questionAbout,
  type JudgedAttempt,
  type Judgement,
  type Prepared,
  type Rubric,
} from '../../core/assessment'
import {
  advance,
  draftComplaint,
  meterOfFrame,
  perform,
  startBench,
  type Action,
  type Bench,
  type HintLevel,
  type Order,
  type Step,
  type StepOf,
} from '../../core/attempt'
import { wireUp, type Circuit } from '../../core/circuit'
import { Predictor } from '../../core/diagnosis'
import type { Message } from '../../core/document'
import type { Fault } from '../../core/faults'
import { boardsOf } from './boards-of'
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
  /** What was worked out at hand-out, as it was kept. */
  readonly prepared?: Prepared | undefined
}
export interface HintTask extends JudgeTask {
  readonly level: HintLevel
}
export interface QuestionTask {
  readonly order: Order
  readonly bench: Bench
  readonly step: StepOf<'test'>
  readonly prepared: Prepared
}
export interface ReadyTask {
  readonly order: Order
  readonly prepared: Prepared
}
export interface DraftTask {
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
}

/** A class works on few circuits at a time: the last ones' solved boards stay in memory. */
const kept = new Map<string, Predictor>()
const most = 3

function predictorFor(order: Order): Predictor {
  const { circuit, planted, frame } = order
  const key = boardsOf(order)
  const found = kept.get(key) ?? new Predictor(circuit, meterOfFrame(frame), planted, frame.faults)
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
  draft: ({ circuit, planted }: DraftTask): Order['frame']['complaint'] => draftComplaint(circuit, planted),
  prepare: ({ order }: StartTask): Prepared => prepareJudging(predictorFor(order), order),
  makeReady: ({ order, prepared }: ReadyTask): void => makeReady(predictorFor(order), order, prepared),
  verdicts: ({ order, steps, rubric, prepared }: JudgeTask): readonly Judgement[] =>
    practiceVerdicts(predictorFor(order), order, steps, rubric, prepared),
  hint: ({ order, steps, rubric, prepared, level }: HintTask): Message =>
    hintFor(predictorFor(order), order, steps, level, rubric, prepared),
  question: ({ order, bench, step, prepared }: QuestionTask): Message | null =>
    questionAbout(predictorFor(order), order, bench, step, prepared) ?? null,
  judge: ({ order, steps, rubric, prepared }: JudgeTask): JudgedAttempt =>
    judgeAttempt(predictorFor(order), order, steps, rubric, prepared),
}

export type TaskName = keyof typeof tasks

/** What a worker thread runs. */
export default function run({ name, task }: { name: TaskName; task: never }): unknown {
  return tasks[name](task)
}
