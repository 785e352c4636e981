import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { startPostgres } from '../test/postgres.mjs'

/**
 * Requests that make no sense, to every route there is, as nobody, as a student and as an instructor; loopback only:
 * node bench/malformed.mjs [--requests 10000] [--postgres]
 * Nothing may be answered with a 5xx, and every circuit, lesson, lab day and attempt must be afterwards what it was before.
 */
const { values } = parseArgs({
  options: { requests: { type: 'string', default: '10000' }, postgres: { type: 'boolean', default: false } },
})
const port = 4198
const url = `http://127.0.0.1:${port}`
const postgres = values.postgres ? startPostgres() : undefined
const server = spawn(process.execPath, ['built/server/main.js', '--demo', '--new'], {
  env: {
    ...process.env,
    PORT: String(port),
    BRACHYON_DATA: mkdtempSync(join(tmpdir(), 'brachyon-malformed-')),
    ...(postgres && { DATABASE_URL: postgres.url }),
  },
  stdio: ['ignore', 'ignore', 'inherit'],
})
for (;;) {
  if (
    await fetch(`${url}/health`).then(
      (r) => r.ok,
      () => false,
    )
  )
    break
  await new Promise((done) => setTimeout(done, 100))
}

const folder = 'src/server'
const files = readdirSync(folder, { recursive: true })
  .filter((name) => name.endsWith('routes.ts'))
  .map((name) => join(folder, name))
const routes = files
  .flatMap((file) => [...readFileSync(file, 'utf8').matchAll(/router\.(get|post|put|delete)\(\s*'([^']+)'/g)])
  .map((m) => ({ method: m[1].toUpperCase(), path: m[2] }))
  .filter(
    ({ method, path }) =>
      // What needs no body is no request without sense; streams never end; /ops is for whoever reads the key on the disk.
      !path.endsWith('/live') &&
      !path.startsWith('/ops/') &&
      !(method === 'DELETE' && /^\/sessions?$/.test(path)) &&
      !['/orders/released', '/bin/restored', '/clock/right'].includes(path),
  )

let seed = 7_654_321
const random = (n) => Math.floor(((seed = (seed * 48271) % 2147483647) / 2147483647) * n)
const one = (list) => list[random(list.length)]
let deep = {}
for (let i = 0; i < 800; i++) deep = { a: deep }
const words = [
  '',
  '0',
  'x',
  '../../etc',
  '%00',
  "'; drop table users; --",
  '\u202e',
  'a'.repeat(3000),
  'null',
  '{{7*7}}',
  '🚨',
  '<script>',
]
const values_ = [
  null,
  true,
  -1,
  1e308,
  0.1,
  '',
  'x',
  [],
  {},
  [[]],
  { a: 1 },
  '2026-13-45',
  { toString: 1 },
  'a'.repeat(20000),
  '\u0000',
  '\ud800',
]
const keys = [
  'id',
  'name',
  'circuit',
  'student',
  'faults',
  'frame',
  'revision',
  'edit',
  'body',
  'key',
  'action',
  'lesson',
  'set',
  'sets',
  'class',
  'day',
  'login',
  'password',
  'points',
  'aspect',
  'value',
  'months',
  'word',
  'stand',
  '__proto__',
  'constructor',
  'type',
  'states',
  'parts',
]
const bodyOf = () => {
  const kind = random(8)
  if (kind === 0) return one(['{', '[1,', 'undefined', '{"a":}', '\u0000', '<xml/>', ''])
  if (kind === 1) return JSON.stringify(one(values_))
  if (kind === 2) return JSON.stringify(deep)
  return JSON.stringify(
    Object.fromEntries(Array.from({ length: 1 + random(6) }, () => [one(keys), one(values_)])),
  )
}

async function enter(login, password) {
  const response = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ login, password }),
  })
  const cookies = response.headers.getSetCookie().map((cookie) => cookie.split(';')[0])
  return cookies.join('; ')
}
const school = JSON.parse(readFileSync('demo/school.json', 'utf8'))
const orla = await enter(school.instructors[0].login, school.instructors[0].password)
const tam = await enter(school.students[0].login, school.students[0].password)
const get = async (path) => (await fetch(`${url}/api${path}`, { headers: { cookie: orla } })).json()
const lessons = await get('/lessons')
const [student] = await get('/students')
await fetch(`${url}/api/lessons/${lessons[0].id}/orders`, {
  method: 'POST',
  headers: { 'content-type': 'application/json', cookie: orla },
  body: JSON.stringify({ students: [student.id], set: 0 }),
})
// The demo’s own bench hands its order out a little later.
/** A list, whether it comes whole or by pages. */
const list = async (path) => {
  const found = await get(path)
  return found.rows ?? found
}
while ((await list('/orders')).length < 2) await new Promise((done) => setTimeout(done, 200))
const known = [
  ...(await list('/circuits')),
  ...lessons,
  ...(await list('/days')),
  ...(await list('/orders')),
].map((o) => o.id)

/** What has to stay as it is, by its address. */
async function documents() {
  const all = new Map()
  const keep = (path, what) => all.set(path, createHash('sha256').update(JSON.stringify(what)).digest('hex'))
  for (const path of ['/circuits', '/lessons', '/days', '/orders', '/people', '/classes']) {
    const rows = await list(path)
    keep(path, rows.map(({ id }) => id).toSorted())
    for (const { id } of rows) {
      if (path === '/circuits') keep(`${path}/${id}`, (await get(`${path}/${id}`)).circuit)
      if (path === '/lessons' || path === '/days') keep(`${path}/${id}`, await get(`${path}/${id}`))
      if (path !== '/orders') continue
      const { steps, faults, overrides } = await get(`/orders/${id}/review`)
      keep(`${path}/${id}`, [steps, faults, overrides])
    }
  }
  return all
}
const before = await documents()

const found = new Map()
const bad = []
async function strange() {
  const { method, path } = one(routes)
  const takesBody = method === 'POST' || method === 'PUT'
  // A body without sense may come to something that is there; without a body the address itself has to make none.
  const real =
    (takesBody &&
      /(edits|plant|steps|days\/:id|lessons\/:id|overrides|members|replies|released)$/.test(path)) ||
    method === 'GET'
  const filled = path.replace(/:\w+/g, () =>
    real && random(2) ? one(known) : encodeURIComponent(one(words) || ' '),
  )
  const query = random(4) ? '' : `?${one(['day', 'version', 'q'])}=${encodeURIComponent(one(words))}`
  const cookie = one([orla, orla, tam, '', 'brachyon_session=x'])
  const body = takesBody ? bodyOf() : undefined
  const headers = {
    ...(cookie && { cookie }),
    ...(takesBody && {
      'content-type': random(12)
        ? 'application/json'
        : one(['text/plain', 'application/xml', 'multipart/form-data']),
    }),
  }
  const response = await fetch(`${url}/api${filled}${query}`, {
    method,
    headers,
    ...(body !== undefined && { body }),
  }).catch((error) => ({ status: 0, text: () => Promise.resolve(String(error)) }))
  const text = await response.text()
  found.set(response.status, (found.get(response.status) ?? 0) + 1)
  if (response.status >= 500 || response.status === 0)
    bad.push(
      `${response.status} ${method} ${filled.slice(0, 80)} ${String(body).slice(0, 120)} → ${text.slice(0, 120)}`,
    )
}
const all = Number(values.requests)
for (let n = 0; n < all; n += 8) await Promise.all(Array.from({ length: Math.min(8, all - n) }, strange))
const after = await documents()
console.log(
  `${postgres ? 'PostgreSQL' : 'PGlite'}: ${all} requests without sense to ${routes.length} routes: ${JSON.stringify([...found].sort((a, b) => a[0] - b[0]))}`,
)
for (const line of new Set(bad)) console.log(line)
const changed = [...new Set([...before.keys(), ...after.keys()])].filter(
  (path) => before.get(path) !== after.get(path),
)
console.log(changed.length ? `CHANGED: ${changed.join(', ')}` : 'every document is what it was')
server.kill('SIGKILL')
postgres?.stop()
process.exit(bad.length || changed.length ? 1 : 0)
