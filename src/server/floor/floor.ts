import { say } from '../../core/document'
import { HttpError } from '../http/http-error'
import { createChannel, type Session } from 'better-sse'
import type { FloorAct, FloorList, FloorRow, Scope, Told, User } from '../../contract'
import { asSeen, stepDoor } from '../../core/attempt'
import { addAct, nudgesOf } from '../orders/acts'
import { often, type Database, type Queries } from '../database'
import { progressColumns } from '../judging/progress'
import {
  allowHints,
  countOf,
  extendOrder,
  floorChannel,
  iso,
  load,
  opened,
  stopOrder,
  type Order,
  type Standing,
} from '../orders/orders'
import { peopleOf } from '../class/scope'

/** Tells everybody who watches, in every process, once the transaction is through. */
export const tellFloor = (db: Queries, id: string) =>
  db.query(often('select pg_notify($1, $2)'), [floorChannel, id])

/** What goes before an order's id where its student has to hear of it too. */
const toStudent = 'told '

/** Rows that the Floor shows at most: what is more is said, and a class chosen. */
export const mostRows = 400

const rowSql = `select o.id, coalesce(o.circuit, o.document->>'name') as circuit, o.station, o.round,
    ${iso('o.created_at')} as created, ${iso('o.started_at')} as began, ${iso('o.concluded_at')} as concluded,
    ${iso('o.released_at')} as released, o.stopped, json_build_object('id', u.id, 'name', u.name) as student,
    ${iso('s.at')} as at, s.body as last, ${countOf('test')} as tests, ${countOf('hint')} as hints, ${progressColumns}
  from current_orders o join users u on u.id = o.student_id
    left join steps s on s.work_order_id = o.id and s.position = o.taken - 1
    left join attempt_progress p on p.work_order_id = o.id`

const rowOf = ({ last, ...row }: Omit<FloorRow, 'last'> & { last: unknown }): FloorRow => ({
  ...row,
  last: last === null ? null : asSeen(opened(stepDoor.read(last))),
})

/** What was handed out today and what is still open since the day before; or what belongs to a lab day. */
async function rowsNow(db: Database, scope: Scope, day?: string): Promise<FloorList> {
  const people = await peopleOf(db, scope)
  const which =
    day === undefined
      ? `(o.created_at > now() - interval '18 hours' or (o.concluded_at is null and o.created_at > now() - interval '3 days'))
         and o.created_at between now() - interval '3 days' and now()`
      : 'o.lab_day_id = $2'
  const where = `where ${which} and ${people ? 'o.student_id = any($1::uuid[])' : '$1::uuid[] is null'}`
  const bound = [people, ...(day === undefined ? [] : [day])]
  const [counted] = await db.query<{ count: number }>(
    `select count(*)::int as count from current_orders o ${where}`,
    bound,
  )
  const rows = await db.query<Parameters<typeof rowOf>[0]>(
    `${rowSql} ${where} order by ${day === undefined ? 'o.created_at desc' : 'o.round, o.station'}, o.id limit ${mostRows}`,
    bound,
  )
  return { rows: rows.map(rowOf), count: counted!.count }
}

/** Rows as they are now, of orders that have changed. */
const rowsOf = async (db: Database, ids: readonly string[]): Promise<FloorRow[]> =>
  (await db.query<Parameters<typeof rowOf>[0]>(often(`${rowSql} where o.id = any($1::uuid[])`), [ids])).map(
    rowOf,
  )

/** What an instructor does to work that is going on: kept, and told to the student. */
export async function act(db: Database, id: string, what: FloorAct, instructor: User): Promise<void> {
  const order = await load(db, id)
  if (what.type === 'hints' && order.frame.mode === 'exam')
    throw new HttpError(409, say('school.examNoHints'))
  await db.transaction(async (tx) => {
    if (what.type === 'stop') await stopOrder(tx, id, what.text)
    if (what.type === 'go') await stopOrder(tx, id, null)
    if (what.type === 'extend') await extendOrder(tx, id, what.minutes)
    if (what.type === 'hints') await allowHints(tx, id)
    const body =
      what.type === 'nudge' || what.type === 'stop'
        ? what.text
        : what.type === 'extend'
          ? String(what.minutes)
          : ''
    await addAct(tx, id, what.type, body, instructor.id)
    await tellFloor(tx, toStudent + id)
  })
}

/** What a student at work is told: words of the instructor, and whether to stop. Nothing of what is planted is in it. */
export async function toldOf(
  db: Database,
  { id, stopped, frame, left }: Pick<Order & Standing, 'id' | 'stopped' | 'frame' | 'left'>,
): Promise<Told> {
  return { stopped, hints: frame.hints, left, said: await nudgesOf(db, id) }
}

/** Milliseconds in which several changes become one look. */
const gather = 150

/** Who watches the workshop, and what is sent to them. One for each server process; it judges nothing. */
export class Floor {
  private readonly watching = createChannel()
  private readonly desks = new Map<string, Set<Session>>()
  /** Orders that have changed and are to be shown. */
  private readonly due = new Set<string>()
  private timer: ReturnType<typeof setTimeout> | undefined
  private stopHearing: (() => Promise<void>) | undefined
  private hearing: Promise<void> | undefined

  constructor(private readonly database: Database) {}

  /** Everything that is going on, with what was judged of it so far. */
  now(scope: Scope, day?: string): Promise<FloorList> {
    return rowsNow(this.database, scope, day)
  }

  /** Listening begins with the first who watches. */
  private hear(): Promise<void> {
    return (this.hearing ??= this.database
      .listen(floorChannel, (id) => this.changed(id))
      .then((stop) => void (this.stopHearing = stop))
      .catch((error: unknown) => {
        this.hearing = undefined
        throw error
      }))
  }

  async watch(session: Session): Promise<void> {
    await this.hear()
    // Whoever has gone meanwhile hears nothing any more.
    if (!session.isConnected) return
    this.watching.register(session)
    // What was missed before anybody listened is looked up now.
    session.push(null, 'again')
  }

  /** A student's own Desk hears that it was spoken to, and asks what was said. */
  async attend(id: string, session: Session): Promise<void> {
    await this.hear()
    if (!session.isConnected) return
    const own = this.desks.get(id) ?? new Set()
    this.desks.set(id, own.add(session))
    session.push(null, 'told')
    session.on('disconnected', () => {
      own.delete(session)
      if (own.size === 0) this.desks.delete(id)
    })
  }

  private changed(id: string): void {
    // The connection was lost meanwhile: whoever watches looks anew.
    if (id === '') {
      this.watching.broadcast(null, 'again')
      return
    }
    if (id === 'claims') {
      this.watching.broadcast(null, 'claims')
      return
    }
    const told = id.startsWith(toStudent)
    const order = told ? id.slice(toStudent.length) : id
    if (told) for (const session of this.desks.get(order) ?? []) session.push(null, 'told')
    if (this.watching.sessionCount === 0) return
    this.due.add(order)
    this.timer ??= setTimeout(() => {
      this.timer = undefined
      this.show().catch(() => this.watching.broadcast(null, 'again'))
    }, gather).unref()
  }

  /** A step is seen at once, with what was last judged; what the judge makes of it follows when that is kept. */
  private async show(): Promise<void> {
    const ids = [...this.due]
    this.due.clear()
    for (const row of await rowsOf(this.database, ids)) this.watching.broadcast(row, 'row')
  }

  async close(): Promise<void> {
    clearTimeout(this.timer)
    await this.stopHearing?.()
  }
}
