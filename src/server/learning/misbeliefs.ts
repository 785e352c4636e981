import { say } from '../../core/document'
import {
  findMisbelief,
  fewestShown,
  named,
  probabilityOf,
  weightFor,
  type MisbeliefEvidence,
  type MisbeliefKey,
} from '../../core/learning'
import type { AttemptIdeas, Held, Reteach, User } from '../../contract'
import { peopleOf } from '../class/scope'
import type { Scope } from '../../contract'
import type { Queries } from '../database'
import { HttpError } from '../http/http-error'

/** Table `misbelief_evidence`: one row for each attempt or drill and each wrong idea that it had an occasion for. */

/** Writes what one attempt or drill says, in place of what it said before. */
export async function keepIdeas(
  tx: Queries,
  { student, order, item }: { readonly student: string; readonly order?: string; readonly item?: string },
  evidence: readonly MisbeliefEvidence[],
): Promise<void> {
  const source = order ?? item
  await tx.query('delete from misbelief_evidence where source_id = $1', [source])
  if (!evidence.length) return
  await tx.query(
    `insert into misbelief_evidence (student_id, source_id, order_id, item_id, misbelief, shown, occasions, weight, step)
     select $1, $2, $4, $5, e->>'misbelief', (e->>'shown')::int, (e->>'occasions')::int, (e->>'weight')::float8, (e->>'step')::int
     from jsonb_array_elements($3::jsonb) e`,
    [student, source, JSON.stringify(evidence), order ?? null, item ?? null],
  )
}

/** Forgets all that was ever noted of one student's ideas. */
export const forgetIdeas = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from misbelief_evidence where student_id = $1', [student])

/** Where a wrong idea can be unlearned. */
const cureOf = (key: string) => {
  const found = findMisbelief(key)
  return { drill: found?.drills[0] ?? '', rule: found?.rule ?? null }
}

interface Summed {
  readonly misbelief: string
  readonly weight: number
  readonly shown: number
  readonly occasions: number
}
/** What is in the bin counts for nothing while it is there. */
const counts = 'not exists (select 1 from binned_orders b where b.id = e.order_id)'
const isNamed = (probability: number, shown: number): boolean => probability >= named && shown >= fewestShown

/**
 * What is known of one student: what is named, and what is more likely than not, the likeliest first.
 * @param own as the student may see it: of work whose review has not been given back nothing is told
 */
export async function heldByStudent(db: Queries, student: string, own = false): Promise<Held[]> {
  const rows = await db.query<Summed & { order: string | null }>(
    `select misbelief, sum(weight)::float8 as weight, sum(shown)::int as shown, sum(occasions)::int as occasions,
       (select n.order_id from misbelief_evidence n join current_orders o on o.id = n.order_id
        where n.student_id = $1 and n.misbelief = e.misbelief and n.shown > 0 order by n.at desc limit 1) as order
     from misbelief_evidence e where student_id = $1 and ${counts} and (not $2 or item_id is not null or exists (
       select 1 from current_orders o where o.id = e.order_id and o.released_at is not null))
     group by misbelief`,
    [student, own],
  )
  return rows
    .filter(({ misbelief }) => findMisbelief(misbelief))
    .map(({ weight, ...row }) => {
      const probability = probabilityOf(weight)
      return { ...row, ...cureOf(row.misbelief), probability, named: isNamed(probability, row.shown) }
    })
    .filter(({ probability, shown }) => shown > 0 && probability >= 0.2)
    .sort((p, q) => q.probability - p.probability)
}

/** What to teach again: what a scope's students hold, most of them first, each with a lesson in which it has shown. */
export async function reteachOf(db: Queries, scope: Scope): Promise<Reteach> {
  const people = await peopleOf(db, scope)
  // All of it is summed from an index alone, and what lies in the bin, which is little, taken off again. Only who is named
  // comes back, each with how many are expected to hold the idea in all.
  const sums = 'sum(weight)::float8 as weight, sum(shown)::int as shown'
  const rows = await db.query<{
    id: string
    name: string
    misbelief: string
    weight: number
    expected: number
  }>(
    `select u.id, u.name, s.misbelief, s.weight, s.expected from (
       select student_id, misbelief, weight, shown,
         sum(1 / (1 + exp(least(600, greatest(-600, $2 - weight))))) over (partition by misbelief) as expected from (
         select e.student_id, e.misbelief, e.weight - coalesce(b.weight, 0) as weight, e.shown - coalesce(b.shown, 0) as shown
         from (select student_id, misbelief, ${sums} from misbelief_evidence
           where ${people ? 'student_id = any($1::uuid[])' : '$1::uuid[] is null'} group by student_id, misbelief) e
         left join (select student_id, misbelief, ${sums} from binned_orders join misbelief_evidence on order_id = id
           group by student_id, misbelief) b using (student_id, misbelief)) left_over
       where shown > 0) s
     join users u on u.id = s.student_id where s.weight >= $3 and s.shown >= $4`,
    [people, weightFor(0.5), weightFor(named), fewestShown],
  )
  const byIdea = new Map<string, { expected: number; students: Reteach[number]['students'] }>()
  for (const { id, name, misbelief, weight, expected } of rows) {
    if (!findMisbelief(misbelief)) continue
    const one = byIdea.get(misbelief) ?? { expected, students: [] }
    one.students.push({ id, name, probability: probabilityOf(weight) })
    byIdea.set(misbelief, one)
  }
  const lessons = await lessonsFor(db, [...byIdea.keys()])
  return [...byIdea]
    .map(([misbelief, { expected, students }]) => ({
      misbelief,
      ...cureOf(misbelief),
      expected,
      students: students.sort((p, q) => q.probability - p.probability),
      lesson: lessons.get(misbelief) ?? null,
    }))
    .sort((p, q) => q.students.length - p.students.length || q.expected - p.expected)
}

/** Newest occasions of an idea that are asked for its lesson. */
const newest = 40

/** For each idea the lesson in whose orders it has lately shown most often. */
async function lessonsFor(
  db: Queries,
  ideas: readonly string[],
): Promise<ReadonlyMap<string, { id: string; name: string }>> {
  const rows = await db.query<{ misbelief: string; id: string; name: string }>(
    `select distinct on (misbelief) misbelief, l.id, l.name from (
       select e.misbelief, o.lesson_id, sum(e.shown) as shown from unnest($1::text[]) i (idea), lateral (
         select misbelief, order_id, shown from misbelief_evidence where misbelief = idea and shown > 0
         order by at desc limit ${newest}) e
       join current_orders o on o.id = e.order_id where o.lesson_id is not null group by 1, 2) s
     join lessons l on l.id = s.lesson_id order by misbelief, shown desc`,
    [ideas],
  )
  return new Map(rows.map(({ misbelief, id, name }) => [misbelief, { id, name }]))
}

/** Wrong ideas for which one finished attempt speaks, and which its student is likely to hold by all that is known. */
export async function ideasOfAttempt(db: Queries, order: string, user: User): Promise<AttemptIdeas> {
  const [row] = await db.query<{ student: string; released: boolean }>(
    'select student_id as student, released_at is not null as released from current_orders where id = $1',
    [order],
  )
  if (!row) throw new HttpError(404, say('school.noOrder'))
  const whole = user.role === 'instructor'
  if (!whole && (row.student !== user.id || !row.released)) throw new HttpError(404, say('school.noOrder'))
  const own = await db.query<{
    misbelief: MisbeliefKey
    shown: number
    occasions: number
    step: number | null
  }>('select misbelief, shown, occasions, step from misbelief_evidence where order_id = $1 and shown > 0', [
    order,
  ])
  const held = new Set((await heldByStudent(db, row.student, !whole)).map(({ misbelief }) => misbelief))
  return own
    .filter(({ misbelief }) => held.has(misbelief))
    .map((one) => ({ ...one, ...cureOf(one.misbelief) }))
}
