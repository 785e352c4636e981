import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { LRUCache } from 'lru-cache'
import PQueue from 'p-queue'
import { Piscina } from 'piscina'
import { say, type Message } from '../../core/document'
import type { JudgedAttempt, Judgement, Prepared } from '../../core/assessment'
import type { BenchState, Frame, Order, Performed } from '../../core/attempt'
import type { Difficulty, Fit, Item, MisbeliefEvidence } from '../../core/learning'
import { HttpError } from '../http/http-error'
import { boardsOf } from './boards-of'
import type {
  DifficultyTask,
  DraftTask,
  FitTask,
  HintTask,
  ItemTask,
  JudgeTask,
  PerformTask,
  PrepareTask,
  QuestionTask,
  ReadyTask,
  StartTask,
} from './tasks'

/** Milliseconds that a task gets. A step is waited for by a student; a whole review may take longer. */
const limits = {
  start: 20_000,
  perform: 20_000,
  draft: 20_000,
  prepare: 120_000,
  makeReady: 120_000,
  solveAhead: 60_000,
  verdicts: 60_000,
  hint: 60_000,
  question: 20_000,
  judge: 120_000,
  fit: 60_000,
  difficulty: 120_000,
  ideas: 120_000,
  item: 20_000,
}
/** Megabytes that one worker may hold; a task that needs more is stopped, and the worker with it. */
const memory = 1500
const mostWaiting = 300
/** Answers that are remembered: of more orders than a day has. */
const mostAnswers = 300
/**
 * How far a thread stands back where cores are short: whoever answers requests goes first, then a step that a student waits
 * for, then reviews and the Floor’s curves.
 */
const standsBack = { steps: 4, reviews: 12, background: 19 }
/** Built, a thread starts with the tasks as they are; run from the sources, it has to be taught TypeScript first. */
const entry = import.meta.url.endsWith('.ts') ? './entry.mjs' : './tasks.js'
const fewestForSteps = 3

/** Who waits for a task, and for how long. */
export interface Stopping {
  /** What is stopped is not asked for any more: the person has gone away. */
  readonly signal?: AbortSignal
  /** Nobody waits for it just now: it stands behind whoever does. */
  readonly behind?: boolean
  /** Nobody waits for it at all: it gets a thread of its own, which stands behind everything. */
  readonly background?: boolean
}

/** A thread, and what waits for it: what a person waits for comes first. */
interface Thread {
  readonly pool: Piscina
  readonly queue: PQueue
}

/**
 * Solving and judging run beside the server, never in it. Every task has its limits; what goes over them is refused in plain
 * words and holds nobody up. Steps never wait behind reviews, nor all behind one heavy step: a student's own run one after
 * the other, and there are threads for several students.
 */
export class Workers {
  private readonly steps: Piscina
  /** One thread each: a thread keeps the solved boards of the orders that it judges. */
  private readonly reviews: readonly Thread[]
  /** For what nobody waits for: what is judged anew. */
  private readonly background: Thread

  constructor(threads = availableParallelism()) {
    const of = (maxThreads: number, niceIncrement: number) =>
      new Piscina({
        filename: fileURLToPath(new URL(entry, import.meta.url)),
        minThreads: 0,
        maxThreads,
        maxQueue: mostWaiting,
        idleTimeout: 600_000,
        niceIncrement,
        resourceLimits: { maxOldGenerationSizeMb: memory },
      })
    // A heavy step of one student leaves threads for everybody else's: the system shares the cores out between them.
    this.steps = of(Math.max(fewestForSteps, threads), standsBack.steps)
    const thread = (niceIncrement: number): Thread => ({
      pool: of(1, niceIncrement),
      queue: new PQueue({ concurrency: 1 }),
    })
    this.reviews = Array.from({ length: Math.max(1, threads) }, () => thread(standsBack.reviews))
    this.background = thread(standsBack.background)
  }

  /** Orders that can be judged at the same time. */
  get judges(): number {
    return this.reviews.length
  }

  /** The same thread for all that is judged on the same boards. */
  private judgeOf(order: Order, { background }: Stopping = {}): Thread {
    if (background) return this.background
    return this.reviews[numberOf(boardsOf(order)) % this.reviews.length]!
  }

  /** The last task of whoever has one under way. */
  private readonly turns = new Map<string, Promise<unknown>>()

  /** Runs `work` after whatever else was asked for under the same name. */
  async inTurn<T>(name: string, work: () => Promise<T>): Promise<T> {
    const before = this.turns.get(name) ?? Promise.resolve()
    const mine = before.then(work, work)
    const settled = mine.catch(() => undefined)
    this.turns.set(name, settled)
    void settled.then(() => this.turns.get(name) === settled && this.turns.delete(name))
    return mine
  }

  /** The same for all who are handed the same: a class that begins at once asks for it once. */
  start = (task: StartTask): Promise<BenchState> => this.remembered('start', task)
  perform = (task: PerformTask, stopping?: Stopping): Promise<PerformedStep> =>
    this.run(this.steps, 'perform', task, stopping)
  draft = (task: DraftTask): Promise<Frame['complaint']> => this.remembered('draft', task)
  prepare = (task: PrepareTask, stopping?: Stopping): Promise<Prepared> =>
    this.inThread('prepare', task, stopping)
  /** Solves what the judging of the next steps will ask for. */
  makeReady = (task: ReadyTask, stopping?: Stopping): Promise<void> =>
    this.inThread('makeReady', task, stopping)
  /** Solves what judging the next step will ask for, on the bench as it stands. */
  solveAhead = (task: JudgeTask, stopping?: Stopping): Promise<void> =>
    this.inThread('solveAhead', task, stopping)
  verdicts = (task: JudgeTask, stopping?: Stopping): Promise<readonly Judgement[]> =>
    this.inThread('verdicts', task, stopping)
  hint = (task: HintTask, stopping?: Stopping): Promise<Message> => this.inThread('hint', task, stopping)
  question = (task: QuestionTask, stopping?: Stopping): Promise<Message | null> =>
    this.inThread('question', task, stopping)
  judge = (task: JudgeTask, stopping?: Stopping): Promise<JudgedAttempt> =>
    this.inThread('judge', task, stopping)

  /** How hard an order is, before anybody has tried it. */
  difficulty = (task: DifficultyTask, stopping?: Stopping): Promise<Difficulty> =>
    this.inThread('difficulty', task, stopping)

  /** Which wrong ideas a finished attempt speaks for. */
  ideas = (task: JudgeTask, stopping?: Stopping): Promise<readonly MisbeliefEvidence[]> =>
    this.inThread('ideas', task, stopping)

  /** A question of a drill; null where the circuit offers none. All of one circuit come from the thread that has its boards. */
  item = async (task: ItemTask): Promise<Item | null> => {
    const { pool, queue } = this.reviews[numberOf(task.circuit.name) % this.reviews.length]!
    if (queue.size >= mostWaiting) throw new HttpError(503, say('school.tooBusy'))
    return queue.add(() => this.run<Item | null>(pool, 'item', task), { priority: 1 })
  }

  /** Fits difficulties behind everything else. */
  fit = (task: FitTask): Promise<Fit> =>
    this.background.queue.add(() => this.run<Fit>(this.background.pool, 'fit', task))

  /**
   * Starts threads before anybody waits for one: loading what they run takes a second or two. One after the other, the one
   * for steps first: side by side they would all be late.
   */
  async warm(): Promise<void> {
    for (const pool of [this.steps, ...this.reviews.map((thread) => thread.pool)])
      await pool.run({ name: 'ready', task: undefined })
  }

  async close(): Promise<void> {
    const threads = [...this.reviews, this.background]
    for (const { queue } of threads) queue.clear()
    await Promise.all([this.steps, ...threads.map(({ pool }) => pool)].map((pool) => pool.destroy()))
  }

  /** Answers to tasks that follow from what is asked alone. */
  private readonly answers = new LRUCache<string, Promise<unknown>>({ max: mostAnswers })

  private remembered<T>(name: keyof typeof limits, task: unknown): Promise<T> {
    const key = `${name} ${JSON.stringify(task)}`
    const known = this.answers.get(key)
    if (known) return known as Promise<T>
    const answer = this.run<T>(this.steps, name, task)
    this.answers.set(key, answer)
    // What could not be worked out now may be another time.
    answer.catch(() => this.answers.delete(key))
    return answer
  }

  /** Runs a task in the thread that has its boards, after what waits there of the same urgency. */
  private async inThread<T>(
    name: keyof typeof limits,
    task: { readonly order: Order },
    stopping: Stopping = {},
  ): Promise<T> {
    const { pool, queue } = this.judgeOf(task.order, stopping)
    if (queue.size >= mostWaiting) throw new HttpError(503, say('school.tooBusy'))
    const patient = stopping.behind || stopping.background
    // What nobody waits for may wait as long as it takes; then it has its time like anything else.
    const own = patient ? undefined : AbortSignal.timeout(limits[name])
    const signals = [own, stopping.signal].filter((signal) => signal !== undefined)
    const signal = signals.length ? AbortSignal.any(signals) : undefined
    try {
      // What nobody waits for is given up while it waits; once it runs it is taken to its end.
      return await queue.add(
        () => this.run<T>(pool, name, task, patient ? {} : { ...(signal && { signal }) }),
        {
          priority: patient ? 0 : 1,
          ...(signal && { signal }),
        },
      )
    } catch (error) {
      if (error instanceof HttpError) throw error
      if (own?.aborted) throw new HttpError(422, say('school.tooHeavy'))
      if (signal?.aborted) throw new HttpError(503, say('school.tooBusy'))
      throw error
    }
  }

  private async run<T>(
    pool: Piscina,
    name: keyof typeof limits,
    task: unknown,
    { signal }: Stopping = {},
  ): Promise<T> {
    if (pool.queueSize >= mostWaiting) throw new HttpError(503, say('school.tooBusy'))
    const timeUp = AbortSignal.timeout(limits[name])
    const either = signal ? AbortSignal.any([timeUp, signal]) : timeUp
    try {
      return (await pool.run({ name, task }, { signal: either })) as T
    } catch (error) {
      if (timeUp.aborted || isOutOfMemory(error)) throw new HttpError(422, say('school.tooHeavy'))
      if (either.aborted || isFull(error)) throw new HttpError(503, say('school.tooBusy'))
      throw error
    }
  }
}

/** Any whole number from a text, at least 0. */
function numberOf(text: string): number {
  let hash = 0
  for (const char of text) hash = (Math.imul(hash, 31) + char.charCodeAt(0)) | 0
  return hash >>> 0
}

export interface PerformedStep {
  readonly performed: Performed
  /** The bench after it, if it could be taken. */
  readonly bench: BenchState | undefined
}

const codeOf = (error: unknown): unknown =>
  error instanceof Error && 'code' in error ? error.code : undefined
const isOutOfMemory = (error: unknown): boolean => codeOf(error) === 'ERR_WORKER_OUT_OF_MEMORY'
const isFull = (error: unknown): boolean => error instanceof Error && /queue is at limit/i.test(error.message)
