import type { Database, Queries } from './database'

const fact = 'retention'
export async function retentionOf(db: Queries): Promise<number | null> {
  const [row] = await db.query<{ body: string }>('select body from facts where name = $1', [fact])
  return row ? Number(row.body) : null
}

export async function keepFor(db: Database, months: number | null): Promise<void> {
  if (months === null) await db.query('delete from facts where name = $1', [fact])
  else
    await db.query(
      'insert into facts (name, body) values ($1, $2) on conflict (name) do update set body = $2, at = now()',
      [fact, String(months)],
    )
  await forgetOld(db)
}

/** Takes away what is older than the school keeps: orders with all that hangs on them, and people of whom only the marks were left. */
export async function forgetOld(db: Database): Promise<number> {
  const months = await retentionOf(db)
  if (months === null) return 0
  return db.transaction(async (tx) => {
    const gone = await tx.query(
      `delete from work_orders where coalesce(concluded_at, created_at) < now() - $1 * interval '1 month' returning id`,
      [months],
    )
    await tx.query(
      `delete from users u where login like 'former-%' and role = 'student'
         and not exists (select 1 from work_orders o where o.student_id = u.id)`,
    )
    return gone.length
  })
}

/** Hours between two looks at what has become too old. */
const everyHours = 12

/** Looks now and twice a day; the answer ends it. */
export function forgetInTime(db: Database, failed: (error: unknown) => void): () => void {
  const look = () => void forgetOld(db).catch(failed)
  look()
  const timer = setInterval(look, everyHours * 3_600_000)
  timer.unref()
  return () => clearInterval(timer)
}
