import { createServer } from 'node:http'
import { once } from 'node:events'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import request from 'supertest'
import { pino } from 'pino'
import { grow } from '../../../bench/grown'
import { startPostgres } from '../../../test/postgres.mjs'
import { passwords } from '../../../test/school'
import { createApp } from '../app'
import { openDatabase, type Database } from '../database'
import { loadDemo } from '../demo/demo'
import { Workers } from '../workers/pool'

/** What the fit of difficulties asks: every attempt counts in it, and nobody waits for it. */
const fitsAll = /select student_id as student, jsonb_build_array\(circuit, fault\)/
/** Rows from which nobody reads a whole table to show a list. */
const large = 10_000

interface Plan {
  readonly 'Node Type': string
  readonly 'Relation Name'?: string
  readonly Plans?: readonly Plan[]
}
const scans = (plan: Plan): string[] => [
  ...(plan['Node Type'] === 'Seq Scan' && plan['Relation Name'] ? [plan['Relation Name']] : []),
  ...(plan.Plans ?? []).flatMap(scans),
]

describe('a school with years behind it, on a PostgreSQL server', () => {
  const postgres = startPostgres()
  let db: Database
  let workers: Workers
  let tables: Set<string>
  beforeAll(async () => {
    db = await openDatabase({ url: postgres.url }, loadDemo)
    await grow(
      db,
      { students: 400, classes: 16, attempts: 12_000, steps: 6, each: 1, lessons: 1, seed: 1 },
      () => undefined,
    )
    const rows = await db.query<{ name: string }>(
      `select relname as name from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace and reltuples > ${large}`,
    )
    tables = new Set(rows.map(({ name }) => name))
    workers = new Workers(1)
  }, 240_000)
  afterAll(async () => {
    await workers.close()
    await db.close()
    postgres.stop()
  })

  it('shows no list by reading a whole table of thousands', async () => {
    for (const name of ['work_orders', 'steps', 'judgements', 'attempt_results'])
      expect(tables).toContain(name)
    const asked: { sql: string; bound: readonly unknown[] }[] = []
    const noting: Database = {
      ...db,
      query: (sql, bound = []) => {
        asked.push({ sql, bound })
        return db.query(sql, bound)
      },
    }
    const server = createServer(
      createApp({ database: noting, workers, logger: pino({ level: 'silent' }) }),
    ).listen(0)
    await once(server, 'listening')
    const orla = request.agent(server)
    await orla.post('/api/session').send({ login: 'orla', password: passwords.orla }).expect(200)
    const classes = (await orla.get('/api/classes').expect(200)).body as {
      id: string
      members: { id: string }[]
    }[]
    const [group] = classes.filter(({ members }) => members.length)
    const student = group!.members[0]!.id
    const page = async (path: string) =>
      ((await orla.get(path).expect(200)).body as { after: string | null }).after
    const paths: string[] = []
    for (const scope of ['', `class=${group!.id}`, `student=${student}`]) {
      for (const state of ['waiting', 'open', 'given']) paths.push(`/api/orders?state=${state}&${scope}`)
      for (const list of ['floor', 'ledger', 'ledger/students', 'ledger/marks', 'students/page'])
        paths.push(`/api/${list}?${scope}`)
    }
    paths.push(`/api/ledger/${student}`, '/api/ledger/judging', '/api/days', '/api/days/near', '/api/classes')
    for (const path of paths) {
      const after = await page(path)
      if (after) await page(`${path}${path.includes('?') ? '&' : '?'}after=${after}`)
    }
    const day = (await db.query<{ id: string }>('select id from lab_days order by day desc limit 1'))[0]!.id
    for (const path of [`/api/floor?day=${day}`, `/api/ledger/students?day=${day}&class=${group!.id}`])
      await orla.get(path).expect(200)
    const tam = request.agent(server)
    const { login } = (
      await db.query<{ login: string }>('select login from users where id = $1', [student])
    )[0]!
    await tam.post('/api/session').send({ login, password: passwords.tam }).expect(200)
    await tam.get('/api/desk').expect(200)
    await tam.get('/api/rounds').expect(200)
    server.closeAllConnections()
    server.close()

    expect(asked.length).toBeGreaterThan(80)
    const found: string[] = []
    const seen = new Set<string>()
    for (const { sql, bound } of asked) {
      if (!/^\s*select\b/i.test(sql) || seen.has(sql) || fitsAll.test(sql)) continue
      seen.add(sql)
      const [row] = await db.query<{ 'QUERY PLAN': [{ Plan: Plan }] }>(`explain (format json) ${sql}`, bound)
      for (const table of scans(row!['QUERY PLAN'][0].Plan))
        if (tables.has(table)) found.push(`${table}: ${sql}`)
    }
    expect(seen.size).toBeGreaterThan(25)
    expect(found).toEqual([])
  }, 120_000)
})
