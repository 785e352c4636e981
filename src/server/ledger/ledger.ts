import { say } from '../../core/document'
import { type Ledger, type LedgerStudents } from '../../contract'
import { levelsOf, nextOf, reliability, type Evidence, type Skill } from '../../core/lab'
import type { Queries } from '../database'
import { cursorOf, pageFrom, pageSize, readCursor } from '../http/pages'
import { HttpError } from '../http/http-error'
import { peopleOf } from '../class/scope'
import { drillEvidence } from '../learning/drills'
import { faultKey, type Difficulties, type Observed } from '../learning/difficulties'
import type { LedgerScope } from './scope'

/** The school's records, out of `attempt_results`. */

/** Faults that are listed, those that were met most often first. */
const mostFaults = 100

/** What an answer of a drill counts beside an attempt: nobody has watched it (common practice, no source). */
const drillWeight = 0.15

interface StudentRow {
  readonly id: string
  readonly name: string
}

/** What each student of a scope can do, by pages in the order of their names. */
export async function ledgerStudents(
  db: Queries,
  scope: LedgerScope,
  after?: string,
): Promise<LedgerStudents> {
  const people = await peopleOf(db, scope)
  const cursor = readCursor(after, 2)
  const whose = `u.role = 'student' and ${people ? 'u.id = any($1::uuid[])' : '$1::uuid[] is null'}
     and ($2::uuid is null or exists (select 1 from current_orders o where o.lab_day_id = $2 and o.student_id = u.id))`
  const bound = [people, scope.day ?? null]
  const [counted] = await db.query<{ count: number }>(
    `select count(*)::int as count from users u where ${whose}`,
    bound,
  )
  const found = await db.query<StudentRow>(
    `select id, name from users u where ${whose} ${cursor ? 'and (u.name, u.id) > ($3, $4::uuid)' : ''}
     order by u.name, u.id limit ${pageSize + 1}`,
    [...bound, ...(cursor ?? [])],
  )
  const shown = found.slice(0, pageSize).map(({ id }) => id)
  const own = await evidenceByStudent(db, shown, scope.day)
  return pageFrom(
    found,
    pageSize,
    counted!.count,
    ({ id, name }) => {
      const { attempts = 0, mean = null, drills = 0, evidence = [] } = own.get(id) ?? {}
      const skills = levelsOf(evidence)
      return {
        id,
        name,
        attempts,
        mean: attempts ? mean : null,
        drills,
        skills,
        next: nextOf(skills).slice(0, 3),
      }
    },
    ({ id, name }) => cursorOf(name, id),
  )
}

interface Shown {
  attempts: number
  mean: number
  drills: number
  evidence: Evidence[]
}

/** All that students have shown, by student. */
async function evidenceByStudent(
  db: Queries,
  students: readonly string[],
  day: string | undefined,
): Promise<Map<string, Shown>> {
  const rows = await db.query<{
    student: string
    mark: number
    age: number
    evidence: [Skill, number, number][]
  }>(
    `select r.student_id as student, r.mark, extract(epoch from now() - r.concluded_at)::float8 / 86400 as age, r.evidence
     from current_results r where r.student_id = any($1::uuid[]) ${ofDay('$2')}`,
    [students, day ?? null],
  )
  const shown = new Map<string, Shown>()
  for (const { student, mark, age, evidence } of rows) {
    const one = shown.get(student) ?? { attempts: 0, mean: 0, drills: 0, evidence: [] }
    one.mean = (one.mean * one.attempts + mark) / (one.attempts + 1)
    one.attempts++
    for (const [skill, share, weight] of evidence) one.evidence.push({ skill, share, weight, age })
    shown.set(student, one)
  }
  if (day === undefined)
    for (const { student, skill, share, age } of await drillEvidence(db, students)) {
      const one = shown.get(student) ?? { attempts: 0, mean: 0, drills: 0, evidence: [] }
      one.drills++
      one.evidence.push({ skill: skill as Skill, share, weight: drillWeight, age })
      shown.set(student, one)
    }
  return shown
}

/** Of one lab day, where one is named. */
export const ofDay = (day: string): string =>
  `and (${day}::uuid is null or exists (select 1 from current_orders o where o.id = r.work_order_id and o.lab_day_id = ${day}))`

/** What each fault has shown in a scope, and what confidence was worth. */
export async function ledgerOf(db: Queries, scope: LedgerScope, difficulties: Difficulties): Promise<Ledger> {
  const hard = await difficulties.now()
  const people = await peopleOf(db, scope)
  const whose = people ? 'r.student_id = any($1::uuid[])' : '$1::uuid[] is null'
  const bound = [people, scope.day ?? null]
  const faults = await db.query<Omit<Ledger['faults'][number], keyof Observed> & { all: number }>(
    `select *, count(*) over ()::int as all from (
       select r.circuit, r.fault, count(*)::int as attempts, (count(*) filter (where r.found))::int as found,
         percentile_cont(0.5) within group (order by r.tests) as tests,
         percentile_cont(0.5) within group (order by r.minutes) as minutes,
         mode() within group (order by r.wrong) filter (where r.wrong is not null) as wrong
       from current_results r where ${whose} ${scope.day ? ofDay('$2') : 'and $2::uuid is null'} group by r.circuit, r.fault) f
     order by attempts desc, circuit, fault limit ${mostFaults}`,
    bound,
  )
  const said = await db.query<{ sure: number; right: boolean; count: number }>(
    `select r.sure, r.found as right, count(*)::int as count from current_results r
     where r.sure is not null and ${whose} ${scope.day ? ofDay('$2') : 'and $2::uuid is null'} group by r.sure, r.found`,
    bound,
  )
  return {
    faults: faults.map(({ all, ...one }) => {
      void all
      const known = hard.get(faultKey(one.circuit, one.fault))
      return {
        ...one,
        difficulty: known?.difficulty ?? null,
        spread: known?.spread ?? null,
        discrimination: known?.discrimination ?? null,
        computed: known?.computed ?? null,
      }
    }),
    allFaults: faults[0]?.all ?? 0,
    reliability: reliability(said),
  }
}

/** @throws HttpError 404 where there is no such student */
export async function expectStudent(db: Queries, id: string): Promise<void> {
  const [row] = await db.query(`select 1 from users where id = $1 and role = 'student'`, [id])
  if (!row) throw new HttpError(404, say('school.noPerson'))
}
