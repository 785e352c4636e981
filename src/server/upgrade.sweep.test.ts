import { spawn, type ChildProcess } from 'node:child_process'
import { scryptSync } from 'node:crypto'
import { once } from 'node:events'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoText } from '../../test/demo'
import { defaultRubric, rubricDoor } from '../core/assessment'
import { defaultFrame, frameDoor, plantedDoor } from '../core/attempt'
import { startPostgres } from '../../test/postgres.mjs'
import { program } from '../../test/program'

/** The newest migration of the version before this one. */
const last = '009-language.sql'
const migrations = 'src/server/database/migrations'

/** Sign-ins by bench, wrong tries and doubles that the version before let happen: all as it wrote them. */
async function asBefore(run: (sql: string, values?: unknown[]) => Promise<unknown>): Promise<void> {
  await run('create table migrations (name text primary key, at timestamptz not null default now())')
  for (const name of readdirSync(migrations)
    .sort()
    .filter((file) => file <= last)) {
    for (const statement of readFileSync(join(migrations, name), 'utf8')
      .replace(/^\s*--.*$/gm, '')
      .split(';'))
      if (statement.trim()) await run(statement)
    await run('insert into migrations (name) values ($1)', [name])
  }
  const salt = Buffer.alloc(16, 7)
  const key = scryptSync('gritter-amber-7', salt, 32, { N: 1 << 15, r: 8, p: 1, maxmem: 64 << 20 })
  const hash = `${salt.toString('hex')}:${key.toString('hex')}`
  const id = (n: number) => `00000000-0000-4000-8000-00000000000${n}`
  await run(
    `insert into users (id, login, name, role, password_hash) values ($1, 'orla', 'Orla Venning', 'instructor', $3), ($2, 'tam', 'Tam Pellow', 'student', $3)`,
    [id(1), id(2), hash],
  )
  await run(
    `insert into sessions (token_hash, user_id, expires_at, by_card) values ('a', $1, now() + interval '1 day', true), ('b', $1, now() + interval '1 day', false)`,
    [id(2)],
  )
  await run(`insert into tries (login, wrong, until) values ('orla', 40, now() + interval '10 years')`)
  await run(`insert into lab_days (id, name, day, body) values ($1, 'Day', '2026-11-20', $2)`, [
    id(3),
    JSON.stringify({ start: '08:00', minutes: 45, rounds: 1, stands: [], groups: [], seats: [], out: [0] }),
  ])
  // What is stored of an order has the same shape as in the version before.
  const faults = JSON.stringify(
    plantedDoor.write({ list: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }] }),
  )
  const rubric = JSON.stringify(rubricDoor.write(defaultRubric))
  const frame = JSON.stringify(frameDoor.write(defaultFrame()))
  const order = `insert into work_orders (id, student_id, instructor_id, complaint, document, faults, rubric, frame, lab_day_id, round, like_of, taken)
    values ($1, $2, $3, 'It is dim.', $4, $5, $10, $11, $6, $7, $8, $9)`
  const lamp = demoText('sweeper-work-lamp')
  // Four presses on one button.
  for (const n of [4, 5, 6])
    await run(order, [id(n), id(2), id(1), lamp, faults, id(3), 1, null, n === 5 ? 1 : 0, rubric, frame])
  for (const n of [7, 8])
    await run(order, [id(n), id(2), id(1), lamp, faults, null, null, id(4), 0, rubric, frame])
  await run(`insert into acts (work_order_id, type) values ($1, 'nudge')`, [id(5)])
}

describe.each(['embedded', 'server'] as const)(
  'a school of the version before, on a database that is %s',
  (kind) => {
    const folder = mkdtempSync(join(tmpdir(), 'brachyon-upgrade-'))
    let postgres: ReturnType<typeof startPostgres> | undefined
    let server: ChildProcess
    let url: string

    beforeAll(async () => {
      if (kind === 'embedded') {
        const db = await PGlite.create(join(folder, 'pg'))
        await asBefore((sql, values) => db.query(sql, values))
        await db.close()
      } else {
        postgres = startPostgres()
        const client = new pg.Client(postgres.url)
        await client.connect()
        await asBefore((sql, values) => client.query(sql, values))
        await client.end()
      }
      server = spawn(process.execPath, program('main'), {
        env: { ...process.env, PORT: '0', BRACHYON_DATA: folder, DATABASE_URL: postgres?.url ?? '' },
        stdio: ['ignore', 'pipe', 'inherit'],
      })
      url = await new Promise<string>((resolve, reject) => {
        let text = ''
        server.stdout!.on('data', (chunk: Buffer) => {
          text += chunk.toString()
          const found = /at (http:\S+)\//.exec(text)
          if (found) resolve(found[1]!)
        })
        server.once('exit', (code) => reject(new Error(`ended with ${code}`)))
      })
      server.removeAllListeners('exit')
    }, 60_000)
    afterAll(async () => {
      const gone = once(server, 'exit')
      server.kill('SIGTERM')
      await gone
      postgres?.stop()
      rmSync(folder, { recursive: true, force: true })
    })

    it('opens, lets its people in, and has all of their work', async () => {
      const entered = await fetch(`${url}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ login: 'orla', password: 'gritter-amber-7' }),
      })
      expect(entered.status).toBe(200)
      const cookie = entered.headers
        .getSetCookie()
        .find((one) => one.startsWith('brachyon_session'))!
        .split(';')[0]!
      const get = async (path: string) => {
        const answer = await fetch(`${url}/api${path}`, { headers: { cookie } })
        expect(answer.status, path).toBe(200)
        return (await answer.json()) as never
      }
      let count = 0
      for (const state of ['waiting', 'open', 'given'])
        count += ((await get(`/orders?state=${state}`)) as { count: number }).count
      expect(count).toBe(5)
      expect(await get('/days')).toMatchObject({ count: 1 })
      await get('/orders/00000000-0000-4000-8000-000000000005/review')
      await get('/floor')
      await get('/status')
      // Of the doubles the one that was worked at has kept its round.
      const floor = (await get('/floor?day=00000000-0000-4000-8000-000000000003')) as {
        rows: { id: string; round: number }[]
      }
      expect(floor.rows.filter(({ round }) => round === 1).map(({ id }) => id.at(-1))).toEqual(['5'])
    })
  },
)
