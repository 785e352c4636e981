import { z } from 'zod'
import type { RetentionState } from '../../contract'
import { forgetOldSignIns } from '../accounts/sign-ins'
import { removeFormer } from '../accounts/users'
import type { Database, Queries } from '../database'
import { factOf, setFact } from './facts'
import { forgetPrepared } from '../judging/prepared'
import { iso } from '../orders/orders'
import { binDays, binOlderThan, emptyBin, unpackBin } from './bin'
import { lookAtClock, type Clock } from './clock'

const monthsFact = 'retention'
const planFact = 'retention plan'

/** Hours between the announcement of what goes into the bin and its going there. */
const noticeHours = 24

const planSchema = z.object({ announced: z.string(), before: z.string(), count: z.number() })
type Plan = z.infer<typeof planSchema>

/** Months for which the school keeps records; null: until they are erased. */
export async function retentionOf(db: Queries): Promise<number | null> {
  const months = await factOf(db, monthsFact)
  return months === undefined ? null : Number(months)
}

async function planOf(db: Queries): Promise<Plan | undefined> {
  const text = await factOf(db, planFact)
  return text === undefined ? undefined : planSchema.parse(JSON.parse(text))
}

/** Sets how long records are kept. Nothing goes at once: what is too old is announced first. */
export async function keepFor(db: Database, months: number | null): Promise<void> {
  await setFact(db, monthsFact, months === null ? null : String(months))
  await setFact(db, planFact, null)
  await lookForOld(db)
}

/**
 * What is older than the school keeps is announced, goes into the bin a day later, and is gone after thirty days there.
 * Nothing of this happens by a clock that has jumped: an announcement of before is taken back then.
 * @returns how many pieces of work went into the bin
 */
export async function lookForOld(db: Database): Promise<number> {
  await unpackBin(db)
  if ((await lookAtClock(db)) !== 'steady') {
    await setFact(db, planFact, null)
    return 0
  }
  await emptyBin(db)
  await forgetOldSignIns(db)
  await removeFormer(db)
  await forgetPrepared(db)
  const months = await retentionOf(db)
  const plan = months === null ? undefined : await planOf(db)
  let count = 0
  if (plan && (await isDue(db, plan))) {
    count = await binOlderThan(db, plan.before)
    await setFact(db, planFact, null)
  }
  if (months !== null && (!plan || count)) await announce(db, months)
  return count
}

async function isDue(db: Queries, { announced }: Plan): Promise<boolean> {
  const [row] = await db.query<{ due: boolean }>(
    `select now() > $1::timestamptz + interval '${noticeHours} hours' as due`,
    [announced],
  )
  return row!.due
}

async function announce(db: Queries, months: number): Promise<void> {
  const [row] = await db.query<Plan>(
    `select now()::text as announced, (now() - $1 * interval '1 month')::text as before, count(*)::int as count
     from current_orders where coalesce(concluded_at, created_at) < now() - $1 * interval '1 month'`,
    [months],
  )
  if (row!.count) await setFact(db, planFact, JSON.stringify(row))
}

/** What an instructor is told of it. */
export async function retentionState(db: Database): Promise<RetentionState> {
  const clock: Clock = await lookAtClock(db)
  const plan = await planOf(db)
  const [row] = await db.query<{ now: string; binned: number; until: string | null; on: string | null }>(
    `select ${iso('now()')} as now, (select count(*)::int from work_orders where binned_at is not null) as binned,
       (select ${iso(`(min(binned_at) + interval '${binDays} days')`)} from work_orders where binned_at is not null) as until,
       ${iso(`($1::timestamptz + interval '${noticeHours} hours')`)} as on`,
    [plan?.announced ?? null],
  )
  return {
    months: await retentionOf(db),
    clock,
    now: row!.now,
    plan: plan && row!.on ? { on: row!.on, count: plan.count } : null,
    bin: row!.until ? { count: row!.binned, until: row!.until } : null,
  }
}

/** Minutes between two looks. */
const everyMinutes = 60

/** Looks now and every hour, and tidies up after what has gone; the answer ends it. */
export function forgetInTime(db: Database, failed: (error: unknown) => void): () => void {
  const look = () =>
    void lookForOld(db)
      .then(() => db.tidy())
      .catch(failed)
  look()
  const timer = setInterval(look, everyMinutes * 60_000)
  timer.unref()
  return () => clearInterval(timer)
}
