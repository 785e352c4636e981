import { readWords } from '../../core/document'
import { tell } from '../../contract/words'
import type { Readable } from 'node:stream'
import type { MarkRow, Marks } from '../../contract'
import { aspectNames, aspects } from '../../core/assessment'
import { recordsToCsv } from '../../core/formats'
import type { Queries } from '../database'
import { iso } from '../orders/orders'
import type { Override } from '../orders/overrides'
import { cursorOf, pageFrom, readCursor } from '../http/pages'
import { peopleOf } from '../class/scope'
import { csvFile, slices } from './csv-file'
import { ofDay } from './ledger'
import type { LedgerScope } from './scope'

/** Rows that are read at once. */
const atOnce = 200

interface Row {
  readonly id: string
  readonly sorted: string
  readonly student: string
  readonly circuit: string
  readonly fault: string
  readonly finished: string
  readonly found: boolean
  readonly readings: number
  readonly minutes: number
  /** By aspect; null where nothing was marked. */
  readonly points: Readonly<Record<string, number>> | null
  readonly mark: number
  readonly verdicts: string[]
  readonly overrides: readonly Override[]
}

const overridesOf = (order: string): string =>
  `(select coalesce(json_agg(json_build_object('aspect', v.aspect, 'points', v.points, 'note', v.note) order by v.aspect), '[]')
      from overrides v where v.work_order_id = ${order})`

const markRow = ({ points, mark, overrides, ...row }: Row): MarkRow => ({
  student: row.student,
  circuit: row.circuit,
  fault: row.fault,
  finished: row.finished,
  found: row.found,
  readings: row.readings,
  minutes: row.minutes,
  verdicts: row.verdicts,
  points: Object.fromEntries(
    Object.entries(points ?? {}).map(([aspect, own]) => [
      aspect,
      overrides.find((o) => o.aspect === aspect)?.points ?? own,
    ]),
  ),
  mark: Math.round(10 * mark) / 10,
  notes: overrides.map(({ aspect, points, note }) => `${aspect} ${points}: ${note}`),
})

async function readRows(
  db: Queries,
  people: readonly string[] | null,
  day: string | undefined,
  cursor: readonly string[] | undefined,
): Promise<Row[]> {
  return db.query<Row>(
    // The verdicts as JSON: an array of PostgreSQL’s own is read letter by letter, which took half of the whole file’s time.
    `select r.work_order_id as id, r.concluded_at::text as sorted, u.name as student, r.circuit, r.fault,
       ${iso('r.concluded_at')} as finished, r.found, r.tests as readings, r.minutes, r.mark, to_json(r.verdicts) as verdicts,
       (select json_object_agg(m->>'aspect', m->'points') from jsonb_array_elements(r.marks) m) as points,
       ${overridesOf('r.work_order_id')} as overrides
     from current_results r join users u on u.id = r.student_id
     where ${people ? 'r.student_id = any($1::uuid[])' : '$1::uuid[] is null'} ${day ? ofDay('$2') : 'and $2::uuid is null'}
       ${cursor ? 'and (r.concluded_at, r.work_order_id) < ($3::timestamptz, $4::uuid)' : ''}
     order by r.concluded_at desc, r.work_order_id desc limit ${atOnce + 1}`,
    [people, day ?? null, ...(cursor ?? [])],
  )
}

/** One row for each finished order: points of each aspect, the mark that counts, and the codes of what was said. */
export async function marksOf(db: Queries, scope: LedgerScope, after?: string): Promise<Marks> {
  const people = await peopleOf(db, scope)
  const [counted] = await db.query<{ count: number }>(
    `select count(*)::int as count from current_results r
     where ${people ? 'r.student_id = any($1::uuid[])' : '$1::uuid[] is null'} ${scope.day ? ofDay('$2') : 'and $2::uuid is null'}`,
    [people, scope.day ?? null],
  )
  const rows = await readRows(db, people, scope.day, readCursor(after, 2))
  return pageFrom(rows, atOnce, counted!.count, markRow, ({ sorted, id }) => cursorOf(sorted, id))
}

/** All of them as one CSV file, written as fast as it is read. */
export const marksFile = (db: Queries, scope: LedgerScope): Readable =>
  csvFile(
    slices(
      async (last: Row | undefined) =>
        readRows(db, await peopleOf(db, scope), scope.day, last && [last.sorted, last.id]),
      atOnce,
    ),
    (rows) =>
      recordsToCsv(
        rows.map(markRow).map(({ points, verdicts, notes, found, minutes, ...row }) => ({
          ...row,
          fault: readWords(row.fault).map(tell).join('; '),
          found: found ? 'yes' : 'no',
          minutes: Math.round(minutes),
          ...Object.fromEntries(aspects.map((a) => [tell(aspectNames[a]), points[a] ?? ''])),
          verdicts: verdicts.join(' '),
          notes: notes.join('; '),
        })),
      ),
    ['student', 'circuit', 'fault', 'finished', 'readings', 'mark'],
  )
