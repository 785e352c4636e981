import { LRUCache } from 'lru-cache'
import { isDeepStrictEqual } from 'node:util'
import {
  followBlindly,
  hintFor,
  makeReady,
  practiceVerdicts,
  prepareJudging,
  questionAbout,
  solveAhead,
  Judging,
  type JudgedAttempt,
  type Judgement,
  type Prepared,
  type Rubric,
} from '../../core/assessment'
import {
  advance,
  draftComplaint,
  perform,
  startBench,
  type Action,
  type BenchState,
  type HintLevel,
  type Order,
  type Step,
  type StepOf,
} from '../../core/attempt'
import { type Circuit } from '../../core/circuit'
import type { Message } from '../../core/document'
import type { Fault } from '../../core/faults'
import {
  difficultyOf,
  DrillBench,
  evidenceIn,
  fitTwoParameter,
  makeItem,
  workOf,
  type Difficulty,
  type DrillKey,
  type Fit,
  type Item,
  type MisbeliefEvidence,
  type Prior,
  type Response,
} from '../../core/learning'
import { remembered, withBoards } from './boards'
import type { PerformedStep } from './pool'

export interface StartTask {
  readonly order: Order
}
export interface PrepareTask extends StartTask {
  readonly thresholds: Rubric['thresholds']
}
export interface PerformTask {
  readonly order: Order
  readonly bench: BenchState
  readonly before: readonly Step['type'][]
  readonly action: Action
}
export interface FitTask {
  /** Attempts in flat arrays, of which the first `count` hold: they are copied to another thread. */
  readonly responses: {
    readonly student: Int32Array
    readonly fault: Int32Array
    readonly right: Uint8Array
  }
  readonly count: number
  readonly students: number
  readonly faults: number
  /** What was thought of each before anybody tried it, where something was. */
  readonly priors?: readonly (Prior | null)[]
}
export interface DifficultyTask {
  readonly order: Order
  readonly thresholds: Rubric['thresholds']
}
/** A question of a drill. */
export interface ItemTask {
  readonly circuit: Circuit
  readonly kind: DrillKey
  readonly seed: number
  /** Logits. */
  readonly wanted: number
}
export interface JudgeTask {
  /** Of an order that is judged by its own rubric: a thread that has followed it so far goes on from there. */
  readonly id?: string | undefined
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
  readonly bench: BenchState
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

/** The attempt followed up to its last step: from where it was, where this thread has followed it before. */
function followed(task: JudgeTask, blind: boolean): Judging {
  const { id, order, steps, rubric, prepared } = task
  return withBoards(order, ({ predictor, live }) => {
    const begun = () =>
      blind
        ? followBlindly(predictor, order, rubric, prepared)
        : new Judging(predictor, order, rubric, prepared)
    if (id === undefined) return begun().follow(steps)
    const key = `${blind} ${id} ${JSON.stringify([rubric, order.frame])}`
    const known = live.get(key)
    // Should anything go wrong on the way, nothing half followed is left.
    live.delete(key)
    const judging = known && continues(known.taken, steps) ? known : begun()
    judging.follow(steps.slice(judging.taken.length))
    live.set(key, judging)
    return judging
  })
}

/** Steps are only ever added. */
const continues = (taken: readonly Step[], steps: readonly Step[]): boolean =>
  taken.length <= steps.length &&
  isDeepStrictEqual(taken.at(-1), taken.length ? steps[taken.length - 1] : undefined)

const tasks = {
  ready: (): true => true,
  start: ({ order }: StartTask): BenchState => startBench(order),
  perform: ({ order, bench, before, action }: PerformTask): PerformedStep => {
    const performed = perform(order, bench, before, action)
    return { performed, bench: performed.ok ? advance(order, bench, performed.step) : undefined }
  },
  draft: ({ circuit, planted }: DraftTask): Order['frame']['complaint'] => draftComplaint(circuit, planted),
  prepare: ({ order, thresholds }: PrepareTask): Prepared =>
    withBoards(order, ({ predictor }) => prepareJudging(predictor, order, { thresholds })),
  difficulty: ({ order, thresholds }: DifficultyTask): Difficulty =>
    withBoards(order, ({ predictor }) => difficultyOf(predictor, order, thresholds)),
  makeReady: ({ order, prepared }: ReadyTask): void =>
    withBoards(order, ({ predictor }) => makeReady(predictor, order, prepared)),
  verdicts: (task: JudgeTask): readonly Judgement[] => practiceVerdicts(followed(task, true)),
  hint: ({ level, ...task }: HintTask): Message => hintFor(followed(task, true), level),
  question: ({ order, bench, step, prepared }: QuestionTask): Message | null =>
    withBoards(order, ({ predictor }) => questionAbout(predictor, order, bench, step, prepared) ?? null),
  solveAhead: (task: JudgeTask): void => {
    const judging = followed(task, false)
    withBoards(task.order, ({ predictor }) => solveAhead(predictor, task.order, judging))
  },
  ideas: ({ order, steps, prepared }: JudgeTask): readonly MisbeliefEvidence[] =>
    withBoards(order, ({ predictor }) => evidenceIn(workOf(predictor, order, steps, prepared))),
  item: ({ circuit, kind, seed, wanted }: ItemTask): Item | null =>
    makeItem(benchOf(circuit), kind, seed, wanted) ?? null,
  judge: (task: JudgeTask): JudgedAttempt => followed(task, false).judged(),
  fit: ({ responses: { student, fault, right }, count, students, faults, priors = [] }: FitTask): Fit => {
    const responses = Array.from({ length: count }, (_, i): Response => ({
      student: student[i]!,
      fault: fault[i]!,
      right: right[i] === 1,
    }))
    return fitTwoParameter(responses, students, faults, {
      priors: Array.from({ length: faults }, (_, f) => priors[f] ?? unknownFault),
    })
  },
}

/** A fault of which nothing is known beforehand (common practice, no source). */
const unknownFault = { difficulty: 0, spread: 1.5 }

/** Benches of circuits that items are made of: their boards stay solved. */
const benches = new LRUCache<string, DrillBench>({ max: 12 })
function benchOf(circuit: Circuit): DrillBench {
  const key = JSON.stringify(circuit)
  const known = benches.get(key) ?? new DrillBench(circuit)
  benches.set(key, known)
  return known
}

type Task = ItemTask | DraftTask | FitTask | { readonly order: Order }
export type TaskName = keyof typeof tasks

/** What a worker thread runs. */
export default function run({ name, task }: { name: TaskName; task: Task | undefined }): unknown {
  const own = task && 'order' in task ? { ...task, order: remembered(task.order) } : task
  return tasks[name](own as never)
}
