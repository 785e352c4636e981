import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'

/**
 * How quick a grown school is (npm run grow), loopback only:
 * node bench/measure-grown.mjs --data FOLDER | --postgres URL [--times 60]
 * How long it takes to start; what Today, the Floor, one class's Ledger and one student's course take; what the whole
 * school's results take as a file, and how much memory.
 */
const { values } = parseArgs({
  options: {
    data: { type: 'string' },
    postgres: { type: 'string' },
    times: { type: 'string', default: '60' },
  },
})
const times = Number(values.times)
const sleep = (ms) => new Promise((done) => setTimeout(done, ms))
const port = await new Promise((resolve) => {
  const server = createServer().listen(0, '127.0.0.1', () => {
    const { port } = server.address()
    server.close(() => resolve(port))
  })
})
const data = values.data ?? mkdtempSync(join(tmpdir(), 'brachyon-grown-'))
const env = { ...process.env, PORT: String(port), BRACHYON_DATA: data, DATABASE_URL: values.postgres ?? '' }
const starting = performance.now()
const server = spawn(process.execPath, ['built/server/main.js', '--demo', '--new'], {
  env,
  stdio: ['ignore', 'ignore', 'inherit'],
})
const url = `http://127.0.0.1:${port}`
while ((await fetch(`${url}/health`).catch(() => ({ status: 0 }))).status !== 200) await sleep(20)
console.log(
  `${values.postgres ? 'PostgreSQL' : 'PGlite'}: starts in ${((performance.now() - starting) / 1000).toFixed(1)} s`,
)

const { instructors } = JSON.parse(readFileSync('demo/school.json', 'utf8'))
const [teacher] = instructors
let cookie = ''
async function ask(method, path, body) {
  const response = await fetch(`${url}/api${path}`, {
    method,
    headers: { ...(cookie && { cookie }), ...(body && { 'content-type': 'application/json' }) },
    ...(body && { body: JSON.stringify(body) }),
  })
  cookie ||= (response.headers.get('set-cookie') ?? '').split(';')[0]
  if (response.status >= 400) throw new Error(`${path}: ${response.status} ${await response.text()}`)
  const text = await response.text()
  return text && /json/.test(response.headers.get('content-type') ?? '') ? JSON.parse(text) : text
}
await ask('POST', '/session', { login: teacher.login, password: teacher.password })
// What a start does beside answering is over.
await sleep(15_000)
const classes = await ask('GET', '/classes')
const group = (n) => classes[n % classes.length]
const someone = (n) => group(n).members[n % group(n).members.length].id
async function measure(what, requests) {
  const took = []
  for (let n = 0; n < times; n++) {
    const began = performance.now()
    // As a page asks: all at once.
    await Promise.all(requests(n).map((path) => ask('GET', path)))
    took.push(performance.now() - began)
  }
  took.sort((a, b) => a - b)
  const at = (share) => took[Math.min(took.length - 1, Math.floor(share * took.length))].toFixed(0)
  console.log(`${what.padEnd(44)} ms median ${at(0.5)}, 95 % ${at(0.95)}, most ${at(1)}`)
}
const states = ['waiting', 'open', 'given']
await measure('Today, everybody', () => [
  ...states.map((state) => `/orders?state=${state}`),
  '/scope',
  '/classes',
  '/circuits',
  '/days/near',
  '/students/page',
])
await measure('Today, one class', (n) => [
  ...states.map((state) => `/orders?state=${state}&class=${group(n).id}`),
  '/scope',
  '/classes',
  '/circuits',
  '/days/near',
  `/students/page?class=${group(n).id}`,
])
await measure('Floor, everybody', () => ['/floor'])
await measure('Floor, one class', (n) => [`/floor?class=${group(n).id}`])
await measure('Ledger, one class', (n) => [
  `/ledger?class=${group(n).id}`,
  `/ledger/students?class=${group(n).id}`,
  '/ledger/judging',
])
await measure('Ledger, everybody (first page)', () => ['/ledger', '/ledger/students', '/ledger/judging'])
await measure('one student’s course', (n) => [`/ledger/${someone(n)}`])
await measure('what to re-teach, one class', (n) => [`/ideas/reteach?class=${group(n).id}`])
await measure('what to re-teach, everybody', () => ['/ideas/reteach'])
const lines = async (name) => {
  const before = await memory()
  let most = before
  let over = false
  const watching = (async () => {
    while (!over) {
      most = Math.max(most, await memory())
      await sleep(100)
    }
  })()
  const began = performance.now()
  const text = await ask('GET', `/ledger/${name}.csv`)
  const took = performance.now() - began
  over = true
  await watching
  console.log(
    `${`${name}.csv of the whole school`.padEnd(44)} ${(took / 1000).toFixed(1)} s, ${text.split('\n').length - 2} rows, ${(text.length / 1e6).toFixed(1)} MB; memory + ${((most - before) / 1e6).toFixed(0)} MB (${(before / 1e6).toFixed(0)} before)`,
  )
}
/** Resident memory of the server, in bytes. */
async function memory() {
  const status = readFileSync(`/proc/${server.pid}/status`, 'utf8')
  return Number(/VmRSS:\s+(\d+)/.exec(status)[1]) * 1024
}
for (const name of ['results', 'marks', 'lineItems']) await lines(name)
server.kill('SIGTERM')
await new Promise((done) => server.once('exit', done))
process.exit(0)
