import type { z } from 'zod'
import {
  clockOf,
  dayBodySchema,
  dayOf,
  say,
  type changedDaySchema,
  type DayList,
  type newDaySchema,
  type OwnRounds,
  type StoredDay,
  type User,
} from '../contract'
import { wordFor, wordOfDay } from './accounts/cards'
import type { Database, Queries } from './database'
import { handOut, type HandOut } from './hand-out'
import { loadLesson, readyLesson } from './lessons'
import { Refusal } from './refusal'
import type { Workers } from './workers/pool'

export const listDays = (db: Queries): Promise<DayList> =>
  db.query(
    `select id, name, to_char(day, 'YYYY-MM-DD') as day, jsonb_array_length(body->'stands') as stations,
       word, (body->>'rounds')::int as rounds, jsonb_array_length(coalesce(body->'out', '[]')) as out
     from lab_days order by day desc, name limit 200`,
  )

/** A student's own way through the benches of today. */
export async function ownRounds(db: Queries, student: Pick<User, 'id'>): Promise<OwnRounds> {
  const days = await db.query<{ name: string; body: unknown }>(
    'select name, body from lab_days where day = $1 order by name',
    [dayOf(new Date())],
  )
  const names = new Map(
    (await db.query<{ id: string; name: string }>('select id, name from users')).map((u) => [u.id, u.name]),
  )
  return days.flatMap(({ name, body: raw }) => {
    const body = dayBodySchema.parse(raw)
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
  if (!row) throw new Refusal(404, say('noDay'))
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
  if (!row) throw new Refusal(409, say('dayChanged'))
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
  instructor: Pick<User, 'id'>,
): Promise<number> {
  const day = await loadDay(db, id)
  const { stands, groups, seats, rounds } = day.body
  if (round < 0 || round >= rounds) throw new Refusal(422, say('noRound', { round: round + 1 }))
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
    const order = await readyLesson(db, workers, own, stand.set, stand.meter)
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
