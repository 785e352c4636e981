import type { z } from 'zod'
import { say } from '../../core/document'
import {
  clockOf,
  dayBodySchema,
  dayOf,
  type changedDaySchema,
  type DayList,
  type DayRow,
  type newDaySchema,
  type OwnRounds,
  type StoredDay,
  type User,
} from '../../contract'
import { randomInt } from 'node:crypto'
import { wordsOf } from '../accounts/users'
import type { Database, Queries } from '../database'
import { handOut, type HandOut } from '../orders/hand-out'
import { loadLesson, readyLesson } from './lessons'
import { cursorOf, pageFrom, pageSize, readCursor } from '../http/pages'
import { HttpError } from '../http/http-error'
import type { Workers } from '../workers/pool'

/** Easily read from a board and typed; guesses are slowed. About 21 bits, for a day. */
const wordOfDay = (): string => `${wordsOf(2).join('-')}-${randomInt(10, 100)}`

/** The word of a day; one is made where there is none yet. */
async function wordFor(db: Queries, id: string): Promise<string> {
  const [row] = await db.query<{ word: string }>(
    'update lab_days set word = coalesce(word, $2) where id = $1 returning word',
    [id, wordOfDay()],
  )
  if (!row) throw new HttpError(404, say('school.noDay'))
  return row.word
}

const rowSql = `select id, name, to_char(day, 'YYYY-MM-DD') as day, jsonb_array_length(body->'stands') as stations,
    word, (body->>'rounds')::int as rounds, jsonb_array_length(coalesce(body->'out', '[]')) as out from lab_days`

/** Days by pages, the newest first; those whose name has some words in it, where words are given. */
export async function listDays(db: Queries, find = '', after?: string): Promise<DayList> {
  const cursor = readCursor(after, 3)
  const named = `position(lower($1) in lower(name)) > 0`
  const [counted] = await db.query<{ count: number }>(
    `select count(*)::int as count from lab_days where ${named}`,
    [find],
  )
  const rows = await db.query<DayRow>(
    `${rowSql} where ${named} ${cursor ? 'and (day, name, id) < ($2::date, $3, $4::uuid)' : ''}
     order by day desc, name desc, id desc limit ${pageSize + 1}`,
    [find, ...(cursor ?? [])],
  )
  return pageFrom(
    rows,
    pageSize,
    counted!.count,
    (row) => row,
    ({ day, name, id }) => cursorOf(day, name, id),
  )
}

/** The days of today and the next one, on the clock of the school. */
export const nearDays = (db: Queries, today: string): Promise<DayRow[]> =>
  db.query(
    `${rowSql} where day between $1::date and (select coalesce(min(day), $1::date) from lab_days where day > $1::date)
     order by day, name`,
    [today],
  )

/** A student's own way through the benches of today. */
export async function ownRounds(db: Queries, student: Pick<User, 'id'>): Promise<OwnRounds> {
  const days = await db.query<{ name: string; body: unknown }>(
    'select name, body from lab_days where day = $1 order by name',
    [dayOf(new Date())],
  )
  const bodies = days.map(({ name, body }) => ({ name, body: dayBodySchema.parse(body) }))
  const own = bodies.flatMap(({ body }) => body.groups.filter((people) => people.includes(student.id)).flat())
  const names = new Map(
    (
      await db.query<{ id: string; name: string }>('select id, name from users where id = any($1::uuid[])', [
        own,
      ])
    ).map((u) => [u.id, u.name]),
  )
  return bodies.flatMap(({ name, body }) => {
    return body.groups.flatMap((people, g) => {
      if (!people.includes(student.id)) return []
      return (body.seats[g] ?? []).slice(0, body.rounds).flatMap((seat, r) => {
        const stand = body.stands[seat]
        const others = people.filter((id) => id !== student.id).map((id) => names.get(id) ?? '?')
        return stand
          ? [{ day: name, round: r + 1, at: clockOf(body, r), stand: stand.name, with: others }]
          : []
      })
    })
  })
}

export async function loadDay(db: Queries, id: string): Promise<StoredDay> {
  const [row] = await db.query<Omit<StoredDay, 'body'> & { body: unknown }>(
    `select id, word, name, to_char(day, 'YYYY-MM-DD') as day, class_id as class, revision, body from lab_days where id = $1`,
    [id],
  )
  if (!row) throw new HttpError(404, say('school.noDay'))
  row.word ??= await wordFor(db, id)
  return { ...row, body: dayBodySchema.parse(row.body) }
}

export async function addDay(db: Queries, day: z.output<typeof newDaySchema>): Promise<string> {
  const [row] = await db.query<{ id: string }>(
    'insert into lab_days (name, day, class_id, body, word) values ($1, $2, $3, $4, $5) returning id',
    [day.name, day.day, day.class, JSON.stringify(day.body), wordOfDay()],
  )
  return row!.id
}

/** Writes a day, unless somebody else has written it meanwhile. */
export async function changeDay(
  db: Database,
  id: string,
  { revision, ...day }: z.output<typeof changedDaySchema>,
): Promise<StoredDay> {
  await loadDay(db, id)
  const [row] = await db.query(
    `update lab_days set name = $3, day = $4, class_id = $5, body = $6, revision = revision + 1, updated_at = now()
     where id = $1 and revision = $2 returning id`,
    [id, revision, day.name, day.day, day.class, JSON.stringify(day.body)],
  )
  if (!row) throw new HttpError(409, say('school.dayChanged'))
  return loadDay(db, id)
}

/**
 * Hands one round out, all of it or nothing: to everybody who has a bench with a lesson in it, one order each. Asked for
 * twice, those who have theirs already get none.
 */
export async function handOutRound(
  db: Database,
  workers: Workers,
  id: string,
  round: number,
  instructor: Pick<User, 'id' | 'language'>,
): Promise<number> {
  const day = await loadDay(db, id)
  const { stands, groups, seats, rounds } = day.body
  if (round < 0 || round >= rounds) throw new HttpError(422, say('school.noRound', { round: round + 1 }))
  const orders: HandOut[] = []
  for (const [g, people] of groups.entries()) {
    const stand = stands[seats[g]?.[round] ?? -1]
    if (!stand?.lesson) continue
    const lesson = await loadLesson(db, stand.lesson)
    // At a real board the readings are the board's own.
    const source = stand.real ? (stand.meter ? 'meter' : 'typed') : lesson.lesson.frame.source
    const own = {
      ...lesson,
      lesson: { ...lesson.lesson, frame: { ...lesson.lesson.frame, ...(source && { source }) } },
    }
    const order = await readyLesson(db, workers, own, stand.set, instructor, stand.meter)
    orders.push({ order: { ...order, day: id, station: stand.name, round: round + 1 }, students: people })
  }
  const also = (tx: Queries) =>
    tx.query(
      `update lab_days set revision = revision + 1, body = jsonb_set(body, '{out}',
         (select coalesce(jsonb_agg(distinct n), '[]') from (
            select jsonb_array_elements(coalesce(body->'out', '[]')) as n union select to_jsonb($2::int)) a))
       where id = $1 and not coalesce(body->'out', '[]') @> to_jsonb($2::int)`,
      [id, round],
    )
  return (await handOut(db, workers, orders, instructor, { also })).length
}

/** Takes a day away; its orders stay. @throws HttpError 404 */
export async function removeDay(db: Queries, id: string): Promise<void> {
  const gone = await db.query('delete from lab_days where id = $1 returning 1', [id])
  if (!gone.length) throw new HttpError(404, say('school.noDay'))
}
