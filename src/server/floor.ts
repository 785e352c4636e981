import { createChannel, type Session } from 'better-sse'
import { type FloorAct, type FloorRow, type Told, type User } from '../contract'
import type { JudgedAttempt } from '../core/assessment'
import { asSeen, usualHints, type Step } from '../core/attempt'
import type { Database, Queries } from './database'
import { judgementOf } from './judging'
import { iso, load, loadOrder, loadSteps, type Order, type Standing } from './orders'
import type { Workers } from './workers/pool'

/** The channel on which every server process says that an order has changed. */
const channelName = 'floor'

/** Tells everybody who watches, in every process, once the transaction is through. */
export const tellFloor = (db: Queries, id: string) => db.query('select pg_notify($1, $2)', [channelName, id])

const rowSql = `select o.id, o.document->>'name' as circuit, o.station, o.round, ${iso('o.created_at')} as created,
    ${iso('o.started_at')} as began, ${iso('o.concluded_at')} as concluded, ${iso('o.released_at')} as released, o.stopped,
    u.id as "studentId", u.name
  from work_orders o join users u on u.id = o.student_id`

type Row = Omit<
  FloorRow,
  'student' | 'left' | 'idle' | 'unsafe' | 'last' | 'tests' | 'hints' | 'at' | 'total'
> & {
  studentId: string
  name: string
}

/** A grave error of safety is said at once, and loudly. */
const unsafeOf = (judged: JudgedAttempt): FloorRow['unsafe'] =>
  judged.judgements
    .filter(({ aspect, share }) => aspect === 'safety' && share !== undefined && share < 1)
    .map(({ step, verdict, reason }) => ({ step, what: verdict.code ? verdict : reason }))

/** Tests at the end that removed nobody from the suspects. */
function idleOf(steps: readonly Step[], left: readonly number[]): number {
  let idle = 0
  for (let i = steps.length - 1; i > 0; i--) {
    if (steps[i]!.type !== 'test') continue
    if (left[i]! < left[i - 1]!) break
    idle++
  }
  return idle
}

/** What the judge adds to a row. */
type Judged = Pick<FloorRow, 'left' | 'idle' | 'unsafe' | 'total'>
const unjudged: Judged = { left: null, idle: 0, unsafe: [], total: null }
interface Plain {
  readonly row: Omit<FloorRow, keyof Judged>
  readonly steps: readonly Step[]
}

/** A row as its steps are, before anybody has judged them. */
async function plainRow(db: Database, { studentId, name, ...row }: Row): Promise<Plain> {
  const kept = await loadSteps(db, row.id)
  const steps = kept.map(({ step }) => step)
  const last = steps.at(-1)
  return {
    row: {
      ...row,
      student: { id: studentId, name },
      at: kept.at(-1)?.at ?? null,
      tests: steps.filter(({ type }) => type === 'test').length,
      hints: steps.filter(({ type }) => type === 'hint').length,
      last: last ? asSeen(last) : null,
    },
    steps,
  }
}

/** Nothing where it cannot be judged just now. */
async function judgedPart(
  db: Database,
  workers: Workers,
  { row, steps }: Plain,
): Promise<Judged | undefined> {
  if (!steps.length) return unjudged
  const judged = await loadOrder(db, row.id)
    .then((order) => judgementOf(db, workers, order, steps))
    .catch(() => undefined)
  if (!judged) return undefined
  const left = judged.suspects.map((one) => one.length)
  return { left, idle: idleOf(steps, left), unsafe: unsafeOf(judged), total: judged.total }
}

/** What was handed out today and what is still open since the day before; or what belongs to a lab day. */
const rowsNow = (db: Database, day?: string): Promise<Row[]> =>
  db.query<Row>(
    day === undefined
      ? `${rowSql} where o.created_at > now() - interval '18 hours'
           or (o.concluded_at is null and o.created_at > now() - interval '3 days') order by o.created_at desc limit 120`
      : `${rowSql} where o.lab_day_id = $1 order by o.round, o.station limit 400`,
    day === undefined ? [] : [day],
  )

async function plainRowOf(db: Database, id: string): Promise<Plain | undefined> {
  const [row] = await db.query<Row>(`${rowSql} where o.id = $1`, [id])
  return row && plainRow(db, row)
}

/** What an instructor does to work that is going on: kept, and told to the student. */
export async function act(db: Database, id: string, what: FloorAct, instructor: User): Promise<void> {
  await load(db, id)
  await db.transaction(async (tx) => {
    const set = (sql: string, ...more: unknown[]) =>
      tx.query(`update work_orders set ${sql} where id = $1`, [id, ...more])
    if (what.type === 'stop') await set('stopped = $2', what.text)
    if (what.type === 'go') await set('stopped = null')
    if (what.type === 'extend') await set('extra_minutes = extra_minutes + $2', what.minutes)
    if (what.type === 'hints')
      await set(`frame = jsonb_set(coalesce(frame, '{}'), '{hints}', $2::jsonb)`, JSON.stringify(usualHints))
    const body =
      what.type === 'nudge' || what.type === 'stop'
        ? what.text
        : what.type === 'extend'
          ? String(what.minutes)
          : ''
    await tx.query('insert into acts (work_order_id, type, body, instructor_id) values ($1, $2, $3, $4)', [
      id,
      what.type,
      body,
      instructor.id,
    ])
    await tellFloor(tx, id)
  })
}

/** What a student at work is told: words of the instructor, and whether to stop. Nothing of what is planted is in it. */
export async function toldOf(
  db: Database,
  { id, stopped, frame, left }: Pick<Order & Standing, 'id' | 'stopped' | 'frame' | 'left'>,
): Promise<Told> {
  const said = await db.query<{ id: number; at: string; text: string }>(
    `select id::int as id, ${iso('at')} as at, body as text from acts where work_order_id = $1 and type = 'nudge' order by id`,
    [id],
  )
  return { stopped, hints: frame.hints, left, said }
}

/** Orders whose rows are kept; more are looked up anew. */
const mostShown = 1000
/** Milliseconds in which several changes of one order become one. */
const gather = 150

/** Who watches the workshop, and what is sent to them. One for each server process. */
export class Floor {
  private readonly watching = createChannel()
  private readonly desks = new Map<string, Set<Session>>()
  private readonly due = new Map<string, ReturnType<typeof setTimeout>>()
  /** Of each order that was shown: its row as last seen, and what was last judged of it. */
  private readonly shown = new Map<string, { row: Plain['row']; judged: Judged }>()
  private stopHearing: (() => Promise<void>) | undefined
  private hearing: Promise<void> | undefined

  constructor(
    private readonly database: Database,
    private readonly workers: Workers,
  ) {}

  /** Everything that is going on, judged; what was judged stays with an order until its next step is. */
  async now(day?: string): Promise<FloorRow[]> {
    const rows = await rowsNow(this.database, day)
    return Promise.all(
      rows.map(async (one) => {
        const plain = await plainRow(this.database, one)
        const judged = (await judgedPart(this.database, this.workers, plain)) ?? unjudged
        if (!this.shown.has(one.id)) this.shown.set(one.id, { row: plain.row, judged })
        return { ...plain.row, ...judged }
      }),
    )
  }

  /** Listening begins with the first who watches. */
  private hear(): Promise<void> {
    return (this.hearing ??= this.database
      .listen(channelName, (id) => this.changed(id))
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
    for (const session of this.desks.get(id) ?? []) session.push(null, 'told')
    if (this.watching.sessionCount === 0 || this.due.has(id)) return
    const timer = setTimeout(() => {
      this.due.delete(id)
      this.show(id).catch(() => this.watching.broadcast(null, 'again'))
    }, gather)
    timer.unref()
    this.due.set(id, timer)
  }

  /**
   * A step is seen at once, with what was last judged; what is judged of it follows, on the row as it is by then: a judge
   * who is slow makes nobody look idle.
   */
  private async show(id: string): Promise<void> {
    const plain = await plainRowOf(this.database, id)
    if (!plain) return
    if (this.shown.size > mostShown) this.shown.clear()
    const before = this.shown.get(id)?.judged ?? unjudged
    this.shown.set(id, { row: plain.row, judged: before })
    this.watching.broadcast({ ...plain.row, ...before }, 'row')
    const judged = await judgedPart(this.database, this.workers, plain)
    if (!judged) return
    const row = this.shown.get(id)?.row ?? plain.row
    this.shown.set(id, { row, judged })
    this.watching.broadcast({ ...row, ...judged }, 'row')
  }

  async close(): Promise<void> {
    for (const timer of this.due.values()) clearTimeout(timer)
    await this.stopHearing?.()
  }
}
