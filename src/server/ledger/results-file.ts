import type { Readable } from 'node:stream'
import { recordsToCsv } from '../../core/formats'
import type { Queries } from '../database'
import { iso } from '../orders/orders'
import { peopleOf } from '../class/scope'
import { csvFile, slices } from './csv-file'
import { ofDay } from './ledger'
import type { LedgerScope } from './scope'

/**
 * Marks as OneRoster's lineItems and results (1EdTech OneRoster 1.1 CSV, fields from memory): a line item for each lesson, or
 * circuit where there was no lesson, in each class; a result for each finished order. People and classes that another
 * system has named keep its names.
 */

const atOnce = 1000

const itemFields = [
  'sourcedId',
  'status',
  'dateLastModified',
  'title',
  'description',
  'assignDate',
  'dueDate',
  'classSourcedId',
  'categorySourcedId',
  'gradingPeriodSourcedId',
  'resultValueMin',
  'resultValueMax',
] as const
const resultFields = [
  'sourcedId',
  'status',
  'dateLastModified',
  'lineItemSourcedId',
  'studentSourcedId',
  'scoreStatus',
  'score',
  'scoreDate',
  'comment',
] as const

/** What a result belongs to: its lesson, or its circuit; and the newest class of its student. */
const itemSql = `coalesce(o.lesson_id::text, md5(r.circuit))`
const classSql = `coalesce((select coalesce(c.sourced, c.id::text) from class_members m join classes c on c.id = m.class_id
    where m.user_id = r.student_id order by c.created_at desc, c.id limit 1), '')`
const whoseSql = (people: readonly string[] | null, day: string | undefined): string =>
  `${people ? 'r.student_id = any($1::uuid[])' : '$1::uuid[] is null'} ${day ? ofDay('$2') : 'and $2::uuid is null'}`

interface ResultRow {
  readonly id: string
  readonly sorted: string
  readonly item: string
  readonly class: string
  readonly student: string
  readonly at: string
  readonly mark: number
}

export const resultsFile = (db: Queries, scope: LedgerScope): Readable =>
  csvFile(
    slices(async (last: ResultRow | undefined) => {
      const people = await peopleOf(db, scope)
      return db.query<ResultRow>(
        `select r.work_order_id as id, r.concluded_at::text as sorted, ${itemSql} as item, ${classSql} as class,
           coalesce(u.sourced, u.id::text) as student, ${iso('r.concluded_at')} as at, r.mark
         from current_results r join current_orders o on o.id = r.work_order_id join users u on u.id = r.student_id
         where ${whoseSql(people, scope.day)}
           ${last ? 'and (r.concluded_at, r.work_order_id) > ($3::timestamptz, $4::uuid)' : ''}
         order by r.concluded_at, r.work_order_id limit ${atOnce + 1}`,
        [people, scope.day ?? null, ...(last ? [last.sorted, last.id] : [])],
      )
    }, atOnce),
    (rows) =>
      recordsToCsv(
        rows.map((row): Record<(typeof resultFields)[number], unknown> => ({
          sourcedId: row.id,
          status: 'active',
          dateLastModified: row.at,
          lineItemSourcedId: `${row.item}-${row.class}`,
          studentSourcedId: row.student,
          scoreStatus: 'fully graded',
          score: Math.round(10 * row.mark) / 10,
          scoreDate: row.at.slice(0, 10),
          comment: '',
        })),
      ),
    resultFields,
  )

interface ItemRow {
  readonly item: string
  readonly class: string
  readonly title: string
  readonly assigned: string
}

/** Line items are few beside results: they are read at once. */
export const lineItemsFile = (db: Queries, scope: LedgerScope): Readable =>
  csvFile(
    (async function* () {
      const people = await peopleOf(db, scope)
      const rows = await db.query<ItemRow>(
        `select item, class, min(title) as title, ${iso('min(assigned)')} as assigned from (
           select ${itemSql} as item, ${classSql} as class, coalesce(l.name, r.circuit) as title, o.created_at as assigned
           from current_results r join current_orders o on o.id = r.work_order_id left join lessons l on l.id = o.lesson_id
           where ${whoseSql(people, scope.day)}) one
         group by item, class order by item, class`,
        [people, scope.day ?? null],
      )
      if (rows.length) yield rows
    })(),
    (rows) =>
      recordsToCsv(
        rows.map((row): Record<(typeof itemFields)[number], unknown> => ({
          sourcedId: `${row.item}-${row.class}`,
          status: 'active',
          dateLastModified: row.assigned,
          title: row.title,
          description: '',
          assignDate: row.assigned.slice(0, 10),
          dueDate: row.assigned.slice(0, 10),
          classSourcedId: row.class,
          categorySourcedId: 'brachyon',
          gradingPeriodSourcedId: '',
          resultValueMin: 0,
          resultValueMax: 100,
        })),
      ),
    itemFields,
  )
