import { randomInt } from 'node:crypto'
import { dayBodySchema, dayOf, say, type CardPeople, type cardSchema, type User } from '../contract'
import type { z } from 'zod'
import type { Database, Queries } from './database'
import { Refusal } from './refusal'
import { lookInTurn } from './tries'
import { openSession, wordsOf } from './users'

/** Easily read from a board and typed; guesses are slowed bench by bench. About 21 bits, for a day. */
export const wordOfDay = (): string => `${wordsOf(2).join('-')}-${randomInt(10, 100)}`

/** The word of a day; one is made where there is none yet. */
export async function wordFor(db: Queries, id: string): Promise<string> {
  const [row] = await db.query<{ word: string }>(
    'update lab_days set word = coalesce(word, $2) where id = $1 returning word',
    [id, wordOfDay()],
  )
  if (!row) throw new Refusal(404, say('noDay'))
  return row.word
}

type Card = z.output<typeof cardSchema>

/** Who stands at a bench on this day, for whoever has its card and knows the word. */
export async function peopleAt(db: Database, { day, stand, word }: Card): Promise<CardPeople> {
  const people = await lookInTurn(db, `card ${day.slice(0, 8)} ${stand}`, async () => {
    const [row] = await db.query<{ word: string | null; name: string; body: unknown }>(
      'select word, name, body from lab_days where id = $1 and day = $2',
      [day, dayOf(new Date())],
    )
    if (!row) throw new Refusal(404, say('noBenchHere'))
    if (row.word === null || row.word !== word.trim().toLowerCase()) return undefined
    const { groups, seats, stands } = dayBodySchema.parse(row.body)
    const bench = stands[stand - 1]
    if (!bench) throw new Refusal(404, say('noBenchHere'))
    const ids = groups.flatMap((people, g) => (seats[g]?.includes(stand - 1) ? people : []))
    const found = await db.query<{ id: string; name: string }>(
      `select id, name from users where id = any($1::uuid[]) and role = 'student' order by name`,
      [ids],
    )
    return { day: row.name, stand: bench.name, people: found }
  })
  if (!people) throw new Refusal(401, say('wrongWord'))
  return people
}

/** Signs one of them in until the day is over. The account's password stays what it is. */
export async function signInByCard(
  db: Database,
  card: Card,
  person: string,
): Promise<{ user: User; token: string }> {
  const { people } = await peopleAt(db, card)
  if (!people.some(({ id }) => id === person)) throw new Refusal(403, say('notHere'))
  return openSession(db, person, { hours: cardHours, byCard: true })
}
export const cardHours = 12
