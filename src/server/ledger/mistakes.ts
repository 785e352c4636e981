import type { CommonMistakes, User } from '../../contract'
import type { Queries } from '../database'

/** Days of work that are looked back on. */
const lookBack = 60
/** Mistakes that are told: more are not read. */
const most = 5

/**
 * Which rules of measuring were broken most often of late: by a student in reviews that were released to them, or by
 * everybody of the school for an instructor.
 */
export const commonMistakes = (
  db: Queries,
  { id, role }: Pick<User, 'id' | 'role'>,
): Promise<CommonMistakes> =>
  db.query(
    `select substring(v from '^\\d+:rules\\.(\\w+)\\.') as rule, count(*)::int as times
     from current_results r join current_orders o on o.id = r.work_order_id, unnest(r.verdicts) v
     where v ~ '^\\d+:rules\\.' and r.concluded_at > now() - interval '${lookBack} days'
       and ($1::uuid is null or (r.student_id = $1 and o.released_at is not null))
     group by 1 order by times desc, 1 limit ${most}`,
    [role === 'student' ? id : null],
  )
