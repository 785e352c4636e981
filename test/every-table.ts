import { randomUUID } from 'node:crypto'
import type { Database } from '../src/server/database'
import { demoText } from './demo'

/** Names of all tables that a database has, from its catalogue. */
export async function allTables(db: Database): Promise<string[]> {
  const rows = await db.query<{ name: string }>(
    `select table_name as name from information_schema.tables
     where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`,
  )
  return rows.map(({ name }) => name)
}

/** Every row of a table as text, in an order of its own. */
export async function rowsOf(db: Database, table: string): Promise<string[]> {
  const rows = await db.query<{ row: string }>(
    `select row_to_json(t)::text as row from ${table} t order by 1`,
  )
  return rows.map(({ row }) => row)
}

/**
 * Puts a row into every table, with what a text, a number and a document may hold; rows point at each other, also at rows
 * of tables that come later by name. A table that nobody has thought of here stays empty, and fails the test that asks.
 */
export async function fillEveryTable(db: Database): Promise<void> {
  const [orla, tam, circuit, first, second, lesson, day, meter, group, question] = Array.from(
    { length: 10 },
    randomUUID,
  )
  const odd = JSON.stringify({
    text: 'naïve “quotes” \\ \n 🚨 ½',
    n: 0.1,
    big: 12345678901,
    small: 1e-9,
    no: null,
  })
  const put = (sql: string, ...values: unknown[]) => db.query(sql, values)
  await put(
    `insert into users (id, login, name, role, password_hash, language, sourced, bench_code_hash)
     values ($1, 'keeper', 'Ärla “K” O''Neil', 'instructor', 'x', 'de', null, null), ($2, 'learner', 'Tåm', 'student', 'y', '', 's-1', 'z')`,
    orla,
    tam,
  )
  await put(
    `insert into sessions (token_hash, user_id, expires_at, bench) values ('t', $1, now() + interval '1 hour', null)`,
    tam,
  )
  await put(
    `insert into circuits (id, owner_id, document, plant, folder, tags) values ($1, $2, $3, $4, 'a', '["x"]')`,
    circuit,
    orla,
    demoText('sweeper-work-lamp'),
    odd,
  )
  await put(
    `insert into circuit_edits (circuit_id, position, edit, inverse) values ($1, 1, $2, $2)`,
    circuit,
    odd,
  )
  await put(`insert into circuit_versions (circuit_id, name, document) values ($1, 'v', $2)`, circuit, odd)
  await put(`insert into fault_sets (circuit_id, name, plant) values ($1, 'f', $2)`, circuit, odd)
  await put(`insert into rubrics (version, body, instructor_id) values (2, $1, $2)`, odd, orla)
  await put(`insert into classes (id, name, term, sourced) values ($1, 'c', '2026', 'c-1')`, group)
  await put(`insert into class_members (class_id, user_id) values ($1, $2)`, group, tam)
  await put(`insert into class_instructors (class_id, user_id) values ($1, $2)`, group, orla)
  await put(`insert into lessons (id, name, body) values ($1, 'l', $2)`, lesson, odd)
  await put(`insert into lesson_versions (lesson_id, version, body) values ($1, 1, $2)`, lesson, odd)
  await put(
    `insert into lab_days (id, name, day, class_id, body, word) values ($1, 'd', '2026-11-29', $2, $3, 'a-b-12')`,
    day,
    group,
    odd,
  )
  await put(`insert into meters (id, name, host, port) values ($1, 'm', '10.0.0.9', 5025)`, meter)
  // The earlier order points at the later one: no order of rows fits every key.
  await put(
    `insert into work_orders (id, circuit_id, student_id, instructor_id, complaint, document, faults, rubric, frame, bench, taken)
     values ($1, $2, $3, $4, 'c', $5, $5, $5, $5, $5, 1)`,
    second,
    circuit,
    tam,
    orla,
    odd,
  )
  await put(
    `insert into work_orders (id, circuit_id, student_id, instructor_id, complaint, document, faults, rubric, lesson_id, lab_day_id,
       station, round, meter_id, like_of, created_at, concluded_at, released_at, stopped)
     values ($1, $2, $3, $4, 'c', $5, $5, $5, $6, $7, 'Bench 1', 2, $8, $9, now() - interval '1 day', now(), now(), 'why')`,
    first,
    circuit,
    tam,
    orla,
    odd,
    lesson,
    day,
    meter,
    second,
  )
  await put(
    `insert into steps (work_order_id, position, key, body) values ($1, 0, $2, $3)`,
    second,
    randomUUID(),
    odd,
  )
  await put(`insert into judgements (work_order_id, sign, body) values ($1, 's', $2)`, second, odd)
  await put(
    `insert into attempt_progress (work_order_id, steps, suspects, idle, unsafe) values ($1, 1, '[3]', 0, '[]')`,
    second,
  )
  await put(
    `insert into attempt_results (work_order_id, student_id, concluded_at, circuit, fault, found, tests, minutes, doubt, marks, total,
       most, mark, evidence, verdicts, wrong, sure, engine, rubric)
     values ($1, $2, now(), 'c', 'f', true, 3, 1.5, 0.1, $3, 61.5, 100, 61.5, $3, array['1:a', '2:“b”'], null, 90, 'e', 'r')`,
    first,
    tam,
    odd,
  )
  await put(
    `insert into rejudgements (work_order_id, sign, body, mark) values ($1, 's', $2, 70.5)`,
    first,
    odd,
  )
  await put(
    `insert into overrides (work_order_id, aspect, points, note, instructor_id) values ($1, 'safety', 0.1, 'n', $2)`,
    second,
    orla,
  )
  await put(`insert into replies (work_order_id, step, verdict, body) values ($1, 0, 'v', 'b')`, second)
  for (const type of ['nudge', 'stop'])
    await put(
      `insert into acts (work_order_id, type, body, instructor_id) values ($1, $2, 'b', $3)`,
      second,
      type,
      orla,
    )
  await put(`insert into facts (name, body) values ('backup', '')`)
  await put(`insert into prepared (hash, body) values ('h', $1)`, odd)
  await put(
    `insert into questions (id, instructor_id, class_id, body) values ($1, $2, $3, $4)`,
    question,
    orla,
    group,
    odd,
  )
  await put(`insert into answers (question_id, user_id, body) values ($1, $2, $3)`, question, tam, odd)
  await put(`insert into sign_ins (login, address, outcome) values ('learner', '10.0.0.1', 'in')`)
  await put(`insert into devices (token_hash, user_id) values ('d', $1)`, tam)
  await put(`insert into wrong_tries (account, source, wrong) values ('learner', '10.0.0.1', 2)`)
  await put(`insert into request_counts (key, count) values ('k', 2)`)
  await put(
    `insert into bench_claims (secret_hash, lab_day_id, stand, user_id) values ('s', $1, 1, $2)`,
    day,
    tam,
  )
  await put(`insert into identities (issuer, subject, user_id) values ('https://d.example', 's', $1)`, tam)
  await put(`insert into directory_visits (token_hash, body) values ('t', $1)`, odd)
  await put(`insert into done_requests (key, user_id, answer) values ($1, $2, $3)`, randomUUID(), orla, odd)
  await put(
    `insert into difficulties (hash, circuit, fault, difficulty, spread, reasons) values ('h', 'c', 'f', 0.1, 0.8, $1)`,
    odd,
  )
  const [item, exam] = [randomUUID(), randomUUID()]
  await put(
    `insert into drill_sets (class_id, instructor_id, name, kinds, items, due) values ($1, $2, 'n', array['predict'], 20, '2026-12-09')`,
    group,
    orla,
  )
  await put(
    `insert into drill_items (id, user_id, kind, difficulty, circuit, item, answer, share, answered_at) values ($1, $2, 'predict', 0.1, $3, $3, $3, 0.5, now())`,
    item,
    tam,
    odd,
  )
  await put(
    `insert into misbelief_evidence (student_id, source_id, item_id, misbelief, shown, occasions, weight) values ($1, $2, $2, 'equalShares', 1, 2, 0.3)`,
    tam,
    item,
  )
  await put(
    `insert into exams (id, name, lesson_id, instructor_id, opens_at, closes_at, minutes, handbook) values ($1, 'e', $2, $3, now(), now(), 60, 'part')`,
    exam,
    lesson,
    orla,
  )
  await put('update work_orders set exam_id = $1, closes_at = now(), variant = 2 where id = $2', exam, second)
  await put(`insert into bin (work_order_id, student_id, rows) values ($1, $2, $3)`, randomUUID(), tam, odd)
}
