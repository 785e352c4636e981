import { randomUUID } from 'node:crypto'
import PQueue from 'p-queue'
import type { Database } from '../database'
import { claimFact } from '../operations/facts'
import { tellFloor } from '../floor/floor'
import { handInOver, loadOrder, loadSteps, unjudgedOrders } from '../orders/orders'
import { learnFrom } from '../learning/learn'
import { loadOverrides } from '../orders/overrides'
import type { Workers } from '../workers/pool'
import { judgeNow, keepAsGiven, keepJudged, solveAhead } from './judging'
import { keepJudgement, keptJudgement, signOf } from './judgements'
import { keepProgress, progressOf } from './progress'
import { forgetRejudgement, keepRejudgement } from './rejudgements'
import { resultOf } from './result'
import { judgedByOthers, keepEngine, keepResult, markOf, unlearned } from './results'

/** Seconds between two looks for finished work that nobody has judged, and for work that an older engine has. */
const lookEvery = 30
/** Seconds for which a process that judges old work anew is the only one, unless it says so again. */
const lease = 120
/** Attempts that are judged anew between two looks at the lease. */
const batch = 20
/** Seconds in which what is under way may come to its end when the process ends. */
const lastSeconds = 3
/** Times that an attempt is tried; then it is left until the next start. */
const mostTries = 3

/**
 * Judges what nobody waits for: each step as it comes, so that the Floor has it and a review of finished work is read and
 * not worked out; finished work that was left when a process ended; and, after all that, what an older engine has judged.
 * It stands behind whoever waits. One for each server process: the one that took a step judges it.
 */
export class Judge {
  private readonly queue: PQueue
  /** Orders that wait or are under way; `again`: more has come since. */
  private readonly orders = new Map<string, 'waits' | 'runs' | 'again'>()
  private readonly tries = new Map<string, number>()
  private readonly self = randomUUID()
  private timer: ReturnType<typeof setTimeout> | undefined
  private looking: Promise<unknown> = Promise.resolve()
  private closed = false
  private readonly ending = new AbortController()

  constructor(
    private readonly database: Database,
    private readonly workers: Workers,
    private readonly failed: (error: unknown) => void = () => undefined,
  ) {
    this.queue = new PQueue({ concurrency: workers.judges })
  }

  /** A step was taken: it is judged when there is time. */
  follow(id: string, priority = 0): void {
    const now = this.orders.get(id)
    if (this.closed || now === 'waits' || now === 'again') return
    if (now === 'runs') {
      this.orders.set(id, 'again')
      return
    }
    this.orders.set(id, 'waits')
    void this.queue.add(() => this.run(id), { priority })
  }

  /** The work on an order is finished: it comes before work that goes on. */
  finished(id: string): void {
    // What waits already is moved to the front of what waits: whichever comes first does it.
    if (this.orders.get(id) === 'waits') void this.queue.add(() => this.run(id), { priority: 1 })
    else this.follow(id, 1)
  }

  private async run(id: string): Promise<void> {
    if (this.closed || this.orders.get(id) !== 'waits') return
    this.orders.set(id, 'runs')
    try {
      await this.judge(id)
      this.tries.delete(id)
    } catch (error) {
      this.note(id, error)
    }
    const again = this.orders.get(id) === 'again'
    this.orders.delete(id)
    if (again) this.follow(id, 1)
  }

  private async judge(id: string): Promise<void> {
    const { database, workers } = this
    const order = await loadOrder(database, id)
    if (order.judged) return
    const steps = (await loadSteps(database, id)).map(({ step }) => step)
    if (!steps.length) return
    const behind = { behind: true, signal: this.ending.signal }
    const judged =
      (await keptJudgement(database, order, steps)) ??
      (await judgeNow(database, workers, order, steps, behind))
    if (order.concluded !== null) await keepJudged(database, order, steps, judged)
    await keepProgress(database, id, steps.length, progressOf(steps, judged))
    await tellFloor(database, id)
    if (order.concluded === null) await solveAhead(database, workers, order, steps, behind)
  }

  /** Begins to look for what was left. */
  start(): void {
    const look = () => {
      this.looking = this.lookForLeft()
        .catch(this.failed)
        .then(() => {
          if (!this.closed) this.timer = setTimeout(look, lookEvery * 1000).unref()
        })
    }
    look()
  }

  /** Judges finished work that has no result, then what an older engine has judged. */
  async lookForLeft(): Promise<void> {
    for (;;) {
      if (this.closed || !(await this.isMine())) return
      for (const id of await handInOver(this.database)) this.finished(id)
      const left = await unjudgedOrders(this.database, batch)
      const fresh = left.filter((id) => (this.tries.get(id) ?? 0) < mostTries)
      if (!fresh.length) break
      for (const id of fresh) {
        if (this.closed) return
        await this.inBackground(id, () => this.judgeLeft(id))
      }
    }
    await this.rejudge()
    await this.learnLeft()
  }

  /** What finished attempts say beside their marks, after all else. */
  private async learnLeft(): Promise<void> {
    for (;;) {
      if (this.closed || !(await this.isMine())) return
      const left = await unlearned(this.database, batch)
      const fresh = left.filter((id) => (this.tries.get(id) ?? 0) < mostTries)
      if (!fresh.length) return
      for (const id of fresh) {
        if (this.closed) return
        await this.inBackground(id, () => this.learn(id))
      }
    }
  }

  private async learn(id: string): Promise<void> {
    const { database, workers } = this
    const order = await loadOrder(database, id)
    const steps = (await loadSteps(database, id)).map(({ step }) => step)
    const background = { background: true, signal: this.ending.signal }
    await learnFrom(database, workers, order, steps, background)
  }

  private async rejudge(): Promise<void> {
    for (;;) {
      if (this.closed || !(await this.isMine())) return
      const old = await judgedByOthers(this.database, batch)
      const fresh = old.filter((id) => (this.tries.get(id) ?? 0) < mostTries)
      if (!fresh.length) return
      for (const id of fresh) {
        if (this.closed) return
        await this.inBackground(id, () => this.judgeAnew(id))
      }
    }
  }

  /** One process at a time does this, whichever is first. */
  private isMine(): Promise<boolean> {
    return claimFact(this.database, 'judging left work', this.self, lease)
  }

  private async inBackground(id: string, work: () => Promise<void>): Promise<void> {
    try {
      await work()
    } catch (error) {
      this.note(id, error)
    }
  }

  private note(id: string, error: unknown): void {
    // What was given up because the process ends is nobody's failure.
    if (this.closed) return
    this.tries.set(id, (this.tries.get(id) ?? 0) + 1)
    this.failed(error)
  }

  private async judgeLeft(id: string): Promise<void> {
    const { database, workers } = this
    const order = await loadOrder(database, id)
    if (order.judged || order.concluded === null) return
    const steps = (await loadSteps(database, id)).map(({ step }) => step)
    // What was given back by an engine of before stays as it was given; what this one says of it is looked at afterwards.
    if (order.released !== null && (await keepAsGiven(database, order, steps))) return
    const kept = await keptJudgement(database, order, steps)
    await keepJudged(
      database,
      order,
      steps,
      kept ??
        (await judgeNow(database, workers, order, steps, { background: true, signal: this.ending.signal })),
    )
    await tellFloor(database, id)
  }

  /** What was given back stays as it is where its mark would change: that waits for an instructor’s word. */
  private async judgeAnew(id: string): Promise<void> {
    const { database, workers } = this
    const order = await loadOrder(database, id)
    const steps = (await loadSteps(database, id)).map(({ step }) => step)
    const judged = await judgeNow(database, workers, order, steps, {
      background: true,
      signal: this.ending.signal,
    })
    const sign = signOf(order, steps)
    const result = resultOf(order, steps, judged)
    await database.transaction(async (tx) => {
      const [row] = await tx.query<{ mark: number; released: boolean }>(
        `select r.mark, o.released_at is not null as released from current_results r join current_orders o on o.id = r.work_order_id
         where r.work_order_id = $1 for update`,
        [id],
      )
      if (!row) return
      const mark = markOf(judged, await loadOverrides(tx, id))
      if (row.released && Math.abs(mark - row.mark) > 1e-6) {
        await keepRejudgement(tx, id, sign, judged, mark)
        await keepEngine(tx, id)
        return
      }
      await keepJudgement(tx, id, sign, judged)
      await keepResult(tx, order, result, judged)
      await forgetRejudgement(tx, id)
    })
  }

  /** Resolves when nothing waits any more: for tests, and for whoever ends the process. */
  async idle(): Promise<void> {
    await this.queue.onIdle()
  }

  async close(): Promise<void> {
    this.closed = true
    this.ending.abort()
    clearTimeout(this.timer)
    this.queue.clear()
    const over = Promise.all([this.queue.onIdle(), this.looking])
    await Promise.race([over, new Promise((late) => setTimeout(late, lastSeconds * 1000).unref())])
  }
}
