import { randomUUID } from 'node:crypto'
import type { DeskAction, User } from '../../contract'
import type { Database } from '../database'
import { loadLesson, readyLesson } from '../class/lessons'
import type { Judge } from '../judging'
import { finish, takeStep } from '../orders/desk'
import { handOut } from '../orders/hand-out'
import { beginOrder } from '../orders/orders'
import { HttpError } from '../http/http-error'
import type { Workers } from '../workers/pool'
import { demoTerm, type UnderWay } from './term'

/** Places in the first class of those who work by themselves: not the ones whose sign-ins are printed. */
const atWork = [2, 3, 4, 5, 6, 7, 8, 9]
/** Seconds between two steps of one student. */
const pace = { least: 5, more: 6 }
/** Seconds after the end of one order before the next is handed out. */
const rest = 25

interface Ground {
  readonly database: Database
  readonly workers: Workers
  readonly judge: Judge
  readonly failed: (error: unknown) => void
}

/**
 * A class at work, for whoever looks at the demo school alone: eight made-up students take a step every few seconds, through
 * the same doors as real ones. One gets stuck, one does something unsafe; who has finished is handed the next order.
 */
export async function startLive(ground: Ground): Promise<void> {
  const term = demoTerm()
  const logins = term.classes[0]!.students.map(([login]) => login)
  const [instructor] = await ground.database.query<User>(
    `select id, login, name, role from users where role = 'instructor' order by created_at limit 1`,
  )
  const lessons = await ground.database.query<{ id: string }>('select id from lessons order by name')
  if (!instructor) return
  for (const place of atWork) {
    const work = term.under.find(({ student }) => student === place)
    const lesson = work && lessons[work.lesson]
    const [user] = await ground.database.query<User>(
      'select id, login, name, role from users where login = $1',
      [logins[place]],
    )
    if (user && lesson) void new AtWork(ground, user, instructor, work, lesson.id).goOn()
  }
}

/** One made-up student, who works until the process ends. */
class AtWork {
  private order: string | undefined

  constructor(
    private readonly ground: Ground,
    private readonly user: User,
    private readonly instructor: User,
    private readonly work: UnderWay,
    private readonly lesson: string,
  ) {}

  async goOn(): Promise<void> {
    try {
      this.order ??= (await this.openOrder()) ?? (await this.nextOrder())
      const over = await this.step(this.order)
      if (over) this.order = undefined
      this.wait(over ? rest : pace.least + ((this.user.login.charCodeAt(0) * 7) % pace.more))
    } catch (error) {
      // Stopped by the instructor, out of time, released meanwhile: looked at again after a while.
      if (!(error instanceof HttpError)) this.ground.failed(error)
      this.wait(rest)
    }
  }

  private wait(seconds: number): void {
    setTimeout(() => void this.goOn(), seconds * 1000).unref()
  }

  /** What it was handed and has not finished. */
  private async openOrder(): Promise<string | undefined> {
    const [row] = await this.ground.database.query<{ id: string }>(
      `select id from current_orders where student_id = $1 and lesson_id = $2 and concluded_at is null
       order by created_at desc limit 1`,
      [this.user.id, this.lesson],
    )
    return row?.id
  }

  private async nextOrder(): Promise<string> {
    const { database, workers } = this.ground
    const lesson = await loadLesson(database, this.lesson)
    const order = await readyLesson(database, workers, lesson, this.work.set, this.instructor)
    const [made] = await handOut(database, workers, [{ order, students: [this.user.id] }], this.instructor)
    return made!.id
  }

  /** Takes the next step; answers whether that was the last one. */
  private async step(id: string): Promise<boolean> {
    const { database, workers, judge } = this.ground
    const [row] = await database.query<{ taken: number }>('select taken from current_orders where id = $1', [
      id,
    ])
    const action = this.work.actions[row?.taken ?? 0]
    // Stuck: it stays where it is until its instructor does something.
    if (!action) {
      if (!this.work.actions.some(({ type }) => type === 'conclude')) return false
      await finish(database, id, this.user)
      judge.finished(id)
      return true
    }
    await beginOrder(database, id)
    await takeStep(database, workers, id, this.user, { key: randomUUID(), action } as DeskAction)
    judge.follow(id)
    return false
  }
}
