import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { openDatabase } from '../built/server/database/index.js'
import { loadDemo } from '../built/server/demo/demo.js'
import { startPostgres } from '../test/postgres.mjs'

/**
 * What a backup of a large school takes, and how long others wait meanwhile; loopback only:
 * node bench/backup.mjs [--steps 60000] [--postgres]
 * Fills a school with so many steps by SQL, thirty to each work order, starts it, and asks its
 * database every 20 ms, before the backup and while it is made.
 */
const { values } = parseArgs({
  options: { steps: { type: 'string', default: '60000' }, postgres: { type: 'boolean', default: false } },
})
const steps = Number(values.steps)
const folder = mkdtempSync(join(tmpdir(), 'brachyon-backup-bench-'))
const postgres = values.postgres ? startPostgres() : undefined
const where = postgres ? { url: postgres.url } : { folder: join(folder, 'data') }
const seconds = (began) => ((performance.now() - began) / 1000).toFixed(1)

const filling = performance.now()
const database = await openDatabase(where, loadDemo)
const body = {
  type: 'test',
  instrument: 'volts',
  settings: { jack: 'volts', range: 'auto' },
  held: { type: 'leads', red: 'E1a', black: 'B1-' },
  prediction: { type: 'value', value: 12.3 },
  reading: { value: 11.72, unit: 'V' },
}
// In slices, as a statement has a limit of time.
for (let from = 0; from < steps; from += 30_000)
  await database.query(
    `with o as (
       insert into work_orders (circuit_id, student_id, instructor_id, complaint, document, faults, rubric, created_at, concluded_at)
       select c.id, s.id, i.id, 'The work lamp is dim.', c.document, '[]', '{}', now() - n * interval '1 minute', now()
       from generate_series(1, $1::int) n,
         (select id, document from circuits order by id limit 1) c,
         (select id from users where role = 'student' order by id limit 1) s,
         (select id from users where role = 'instructor' order by id limit 1) i
       returning id)
     insert into steps (work_order_id, position, key, body)
     select o.id, p, gen_random_uuid(), $2::jsonb || jsonb_build_object('minutes', p * 1.5) from o, generate_series(0, 29) p`,
    [Math.ceil(Math.min(30_000, steps - from) / 30), JSON.stringify(body)],
  )
await database.close()
console.log(`${postgres ? 'PostgreSQL' : 'PGlite'}: filled with ${steps} steps in ${seconds(filling)} s`)

const port = await new Promise((resolve) => {
  const server = createServer().listen(0, '127.0.0.1', () => {
    const { port } = server.address()
    server.close(() => resolve(port))
  })
})
const env = {
  ...process.env,
  PORT: String(port),
  BRACHYON_DATA: join(folder, 'data'),
  DATABASE_URL: postgres?.url ?? '',
}
const server = spawn(process.execPath, ['built/server/main.js', '--demo', '--new'], {
  env,
  stdio: ['ignore', 'ignore', 'inherit'],
})
const url = `http://127.0.0.1:${port}`
const ask = (path) => fetch(`${url}${path}`).then((answer) => answer.text().then(() => answer.status))
while ((await ask('/health').catch(() => 0)) !== 200) await new Promise((done) => setTimeout(done, 100))

let over = false
/** Milliseconds that each of them waited until `over`. */
async function wait() {
  const took = []
  while (!over) {
    const began = performance.now()
    if ((await ask('/health')) !== 200) throw new Error('the database does not answer')
    took.push(performance.now() - began)
    await new Promise((done) => setTimeout(done, 20))
  }
  took.sort((a, b) => a - b)
  const at = (share) => Math.round(took[Math.floor(share * (took.length - 1))])
  return `${took.length} questions to the database, ms median ${at(0.5)}, 95 % ${at(0.95)}, 99 % ${at(0.99)}, most ${at(1)}`
}
const quiet = wait()
await new Promise((done) => setTimeout(done, 10_000))
over = true
console.log(`before: ${await quiet}`)

over = false
const meanwhile = wait()
const file = join(folder, 'school.jsonl.gz')
const command = (...args) =>
  new Promise((done, failed) =>
    spawn(process.execPath, ['built/server/operations/command.js', ...args], {
      env,
      stdio: ['ignore', 'ignore', 'inherit'],
    }).once('exit', (status) =>
      status === 0 ? done() : failed(new Error(`${args[0]} ended with ${status}`)),
    ),
  )
const began = performance.now()
await command('backup', file)
const took = seconds(began)
over = true
console.log(`backup: ${took} s, ${(statSync(file).size / 1e6).toFixed(1)} MB, read back and checked`)
console.log(`meanwhile: ${await meanwhile}`)
const checking = performance.now()
await command('backup', '--check', file)
console.log(`--check: ${seconds(checking)} s`)
server.kill('SIGKILL')
postgres?.stop()
rmSync(folder, { recursive: true, force: true })
