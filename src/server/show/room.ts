import { createChannel, type Channel, type Session } from 'better-sse'
import type { z } from 'zod'
import { say, type Message } from '../../core/document'
import {
  type Answer,
  type Asked,
  type newQuestionSchema,
  type QuestionBody,
  type Spread,
  type User,
  type WallMessage,
} from '../../contract'
import type { Database } from '../database'
import { HttpError } from '../http/http-error'

const channelName = 'room'

/** Hours after which a question that nobody closed is closed. */
const longest = '3 hours'

/** What counts as an answer to a question. */
function checkAnswer(body: QuestionBody, { value }: Answer): void {
  const wants = (what: Message) => new HttpError(422, say('school.notAnAnswer', { wants: what }))
  if (body.type === 'volts' && typeof value !== 'number') throw wants(say('school.wantsVolts'))
  const named = body.type === 'light' ? body.glows : body.type === 'piece' ? body.pieces : undefined
  if (named && !named.some(({ id }) => id === value)) throw wants(say('school.wantsNamed'))
  if (body.type === 'choice' && !(Number.isInteger(value) && body.choices[Number(value)] !== undefined))
    throw wants(say('school.wantsChoice'))
}

/** Puts a question to a class, or to everybody. What the same instructor had asked before is closed. */
export const ask = (
  db: Database,
  { class: group, body }: z.output<typeof newQuestionSchema>,
  instructor: Pick<User, 'id'>,
): Promise<{ id: string }> =>
  db.transaction(async (tx) => {
    await tx.query('update questions set closed_at = now() where instructor_id = $1 and closed_at is null', [
      instructor.id,
    ])
    // Answers are for the lesson: nobody's record.
    await tx.query(`delete from questions where asked_at < now() - interval '1 day'`)
    const [row] = await tx.query<{ id: string }>(
      'insert into questions (instructor_id, class_id, body) values ($1, $2, $3) returning id',
      [instructor.id, group, JSON.stringify(body)],
    )
    await tx.query('select pg_notify($1, $2)', [channelName, 'asked'])
    return row!
  })

async function own(db: Database, id: string, instructor: Pick<User, 'id'>): Promise<void> {
  const [row] = await db.query('select 1 from questions where id = $1 and instructor_id = $2', [
    id,
    instructor.id,
  ])
  if (!row) throw new HttpError(404, say('school.noQuestion'))
}

export async function close(db: Database, id: string, instructor: Pick<User, 'id'>): Promise<void> {
  await own(db, id, instructor)
  await db.transaction(async (tx) => {
    await tx.query('update questions set closed_at = now() where id = $1 and closed_at is null', [id])
    await tx.query('select pg_notify($1, $2)', [channelName, 'asked'])
  })
}

/** The answers in the order of their values: neither who, nor who first. */
export async function spreadOf(db: Database, id: string, instructor: Pick<User, 'id'>): Promise<Spread> {
  await own(db, id, instructor)
  const rows = await db.query<{ value: number | string }>(
    `select body->'value' as value from answers where question_id = $1 order by body->>'value'`,
    [id],
  )
  return { values: rows.map(({ value }) => value) }
}

const openFor = `closed_at is null and asked_at > now() - interval '${longest}' and
  (class_id is null or exists (select 1 from class_members m where m.class_id = q.class_id and m.user_id = $1))`

/** The newest question that is open for a student. */
export async function askedOf(db: Database, student: Pick<User, 'id'>): Promise<Asked> {
  const [row] = await db.query<NonNullable<Asked>>(
    `select q.id, q.body, (select a.body->'value' from answers a where a.question_id = q.id and a.user_id = $1) as mine
     from questions q where ${openFor} order by asked_at desc limit 1`,
    [student.id],
  )
  return row ?? null
}

/** Answers, or answers anew while the question is open. */
export async function answer(
  db: Database,
  id: string,
  given: Answer,
  student: Pick<User, 'id'>,
): Promise<void> {
  const [row] = await db.query<{ body: QuestionBody; open: boolean }>(
    `select q.body, (${openFor}) as open from questions q where q.id = $2`,
    [student.id, id],
  )
  if (!row) throw new HttpError(404, say('school.noQuestion'))
  if (!row.open) throw new HttpError(409, say('school.questionClosed'))
  checkAnswer(row.body, given)
  await db.transaction(async (tx) => {
    await tx.query(
      `insert into answers (question_id, user_id, body) values ($1, $2, $3)
       on conflict (question_id, user_id) do update set body = excluded.body, at = now()`,
      [id, student.id, JSON.stringify(given)],
    )
    await tx.query('select pg_notify($1, $2)', [channelName, 'answered'])
  })
}

/** What a notification is for: everybody's screens, or the screens of one instructor. */
interface Said {
  readonly to: string
  readonly message: WallMessage
}

/** Tells the other screens of the same instructor. */
export const tellWall = (
  db: Database,
  message: WallMessage,
  instructor: Pick<User, 'id'>,
): Promise<unknown> =>
  db.query('select pg_notify($1, $2)', [
    channelName,
    JSON.stringify({ to: instructor.id, message } satisfies Said),
  ])

/** Who hears that something was asked, and that somebody answered. One for each server process. */
export class Room {
  private readonly class = createChannel()
  private readonly shows = createChannel()
  /** The screens of each instructor, by id: the wall, and what steers it. */
  private readonly walls = new Map<string, Channel>()
  private hearing: Promise<() => Promise<void>> | undefined

  constructor(private readonly database: Database) {}

  /** Nothing is sent but that there is something to look at: what it is, is asked for by whoever may know it. */
  private hear(): Promise<() => Promise<void>> {
    return (this.hearing ??= this.database
      .listen(channelName, (what) => {
        if (what.startsWith('{')) {
          const { to, message } = JSON.parse(what) as Said
          this.walls.get(to)?.broadcast(message, 'wall')
          return
        }
        if (what !== 'answered') this.class.broadcast(null, 'asked')
        if (what !== 'asked') this.shows.broadcast(null, 'answered')
      })
      .catch((error: unknown) => {
        this.hearing = undefined
        throw error
      }))
  }

  async attend(session: Session, { id, role }: Pick<User, 'id' | 'role'>): Promise<void> {
    await this.hear()
    // Whoever has gone meanwhile hears nothing any more.
    if (!session.isConnected) return
    const channel = role === 'instructor' ? this.shows : this.class
    channel.register(session)
    if (role === 'instructor') this.wallOf(id).register(session)
    session.push(null, role === 'instructor' ? 'answered' : 'asked')
    if (role === 'instructor') session.push(null, 'again')
  }

  private wallOf(instructor: string): Channel {
    const known = this.walls.get(instructor)
    if (known) return known
    const made = createChannel()
    made.on('session-deregistered', () => {
      if (made.sessionCount === 0) this.walls.delete(instructor)
    })
    this.walls.set(instructor, made)
    return made
  }

  async close(): Promise<void> {
    await (
      await this.hearing?.catch(() => undefined)
    )?.()
  }
}
