import type { z } from 'zod'
import { say } from '../../core/document'
import {
  dayBodySchema,
  dayOf,
  type BenchClaims,
  type CardPeople,
  type cardInSchema,
  type cardSchema,
} from '../../contract'
import type { Database, Queries } from '../database'
import { tellFloor } from '../floor/floor'
import { iso } from '../orders/orders'
import { HttpError } from '../http/http-error'
import { isBenchCode } from './bench-codes'
import { openSession, type Visitor } from './sessions'
import { lookInTurn } from './login-throttle'
import { hashToken, newToken } from './tokens'

type Card = z.output<typeof cardSchema>
type CardIn = z.output<typeof cardInSchema>

/** Hours that a session at a bench lasts: until the working day is over. */
export const cardHours = 12
/** Minutes for which somebody waits at a bench to be confirmed, and how many may at one bench. */
const claimMinutes = 10
const mostClaims = 8

/**
 * Who stands at a bench on this day, for whoever has its card and knows the word.
 * @param source where the request comes from: guesses are slowed there, and nowhere else
 */
export async function peopleAt(
  db: Database,
  { day, stand, word }: Card,
  source: string,
): Promise<CardPeople> {
  const attempt = { account: `card ${day.slice(0, 8)} ${stand}`, source }
  const people = await lookInTurn(db, attempt, async () => {
    const [row] = await db.query<{ word: string | null; name: string; body: unknown }>(
      'select word, name, body from lab_days where id = $1 and day = $2',
      [day, dayOf(new Date())],
    )
    if (!row) throw new HttpError(404, say('school.noBenchHere'))
    if (row.word === null || row.word !== word.trim().toLowerCase()) return undefined
    const { groups, seats, stands } = dayBodySchema.parse(row.body)
    const bench = stands[stand - 1]
    if (!bench) throw new HttpError(404, say('school.noBenchHere'))
    const ids = groups.flatMap((people, g) => (seats[g]?.includes(stand - 1) ? people : []))
    const found = await db.query<{ id: string; name: string }>(
      `select id, name from users where id = any($1::uuid[]) and role = 'student' order by name`,
      [ids],
    )
    return { day: row.name, stand: bench.name, people: found }
  })
  if (!people) throw new HttpError(401, say('school.wrongWord'))
  return people
}

async function personAt(db: Database, card: Card, person: string, source: string): Promise<CardPeople> {
  const found = await peopleAt(db, card, source)
  if (!found.people.some(({ id }) => id === person)) throw new HttpError(403, say('school.notHere'))
  return found
}

/** Asks the instructor to confirm that somebody at a bench is who they say; answers what is to be shown for it later. */
export async function askToConfirm(
  db: Database,
  { person, ...card }: Card & { readonly person: string },
  source: string,
): Promise<{ claim: string }> {
  await personAt(db, card, person, source)
  const claim = newToken()
  await db.transaction(async (tx) => {
    await tx.query(`delete from bench_claims where asked_at < now() - interval '${claimMinutes} minutes'`)
    const [open] = await tx.query<{ count: number }>(
      'select count(*)::int as count from bench_claims where lab_day_id = $1 and stand = $2 and confirmed_at is null',
      [card.day, card.stand],
    )
    if (open!.count >= mostClaims) throw new HttpError(429, say('school.tooBusy'))
    await tx.query(
      'insert into bench_claims (secret_hash, lab_day_id, stand, user_id) values ($1, $2, $3, $4)',
      [hashToken(claim), card.day, card.stand, person],
    )
    await tellFloor(tx, 'claims')
  })
  return { claim }
}

/**
 * Signs somebody in at a bench for the day: with their own bench code, or once the instructor has confirmed them. The
 * session opens this bench's orders of this day and nothing else. Undefined while nobody has confirmed yet.
 * @throws HttpError 401 where the code is wrong, 403 where the instructor said no
 */
export async function signInByCard(
  db: Database,
  { person, code, claim, ...card }: CardIn,
  source: string,
): Promise<(Visitor & { readonly token: string }) | undefined> {
  const { stand } = await personAt(db, card, person, source)
  if (code !== undefined) {
    const attempt = { account: `bench code ${person}`, source }
    const right = await lookInTurn(db, attempt, async () =>
      (await isBenchCode(db, person, code)) ? true : undefined,
    )
    if (!right) throw new HttpError(401, say('school.wrongCode'))
  } else {
    const [row] = await db.query<{ id: string; confirmed: boolean }>(
      `select id, confirmed_at is not null as confirmed from bench_claims
       where secret_hash = $1 and lab_day_id = $2 and stand = $3 and user_id = $4`,
      [hashToken(claim ?? ''), card.day, card.stand, person],
    )
    if (!row) throw new HttpError(403, say('school.notConfirmed'))
    if (!row.confirmed) return undefined
    // Good for one session.
    await db.query('delete from bench_claims where id = $1', [row.id])
  }
  return openSession(db, person, {
    hours: cardHours,
    bench: { day: card.day, stand: card.stand, name: stand },
  })
}

/** Who waits at a bench to be confirmed. */
export const openClaims = (db: Queries): Promise<BenchClaims> =>
  db.query(
    `select c.id, u.name as student, d.body->'stands'->(c.stand - 1)->>'name' as station, ${iso('c.asked_at')} as at
     from bench_claims c join users u on u.id = c.user_id join lab_days d on d.id = c.lab_day_id
     where c.confirmed_at is null and c.asked_at > now() - interval '${claimMinutes} minutes' order by c.asked_at`,
  )

/** The instructor says that it is them, or that it is not. */
export async function settleClaim(db: Queries, id: string, confirmed: boolean): Promise<void> {
  const rows = await db.query(
    confirmed
      ? 'update bench_claims set confirmed_at = now() where id = $1 returning id'
      : 'delete from bench_claims where id = $1 returning id',
    [id],
  )
  if (!rows.length) throw new HttpError(404, say('school.nothingHere'))
  await tellFloor(db, 'claims')
}

/** Nobody waits at a bench under this account any more. */
export const forgetClaims = (tx: Queries, user: string): Promise<unknown[]> =>
  tx.query('delete from bench_claims where user_id = $1', [user])
