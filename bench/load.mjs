import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { startNginx } from '../test/nginx.mjs'
import { startPostgres } from '../test/postgres.mjs'

/**
 * A class at work on servers of this machine, loopback only:
 * node bench/load.mjs [--students 60] [--minutes 10] [--kills 0] [--postgres] [--processes 1] [--look] [--attack] [--hoard]
 *   [--backup] [--rolling] [--grown FOLDER_OR_URL] [--orders 20]
 * Each student measures every two to eight seconds and concludes after so many steps, then gets another order; a Floor is
 * watched, and reviews of finished work are opened with their judgement, as a browser does. On a grown school (npm run
 * grow) its own students are at work. With kills, a server is killed
 * without warning so many times, spread over the minutes, and every step is sent again until it is acknowledged. With
 * --attack a stranger tries to stop everybody meanwhile, with --hoard a student opens streams without end besides, with
 * --backup the school is backed up all the time, and with --rolling two processes behind nginx are started anew one after
 * the other.
 */
const { values } = parseArgs({
  options: {
    students: { type: 'string', default: '60' },
    minutes: { type: 'string', default: '10' },
    kills: { type: 'string', default: '0' },
    processes: { type: 'string', default: '1' },
    postgres: { type: 'boolean', default: false },
    look: { type: 'boolean', default: false },
    attack: { type: 'boolean', default: false },
    hoard: { type: 'boolean', default: false },
    backup: { type: 'boolean', default: false },
    rolling: { type: 'boolean', default: false },
    grown: { type: 'string' },
    orders: { type: 'string', default: '20' },
  },
})
const students = Number(values.students)
const until = Number(values.minutes) * 60_000
const kills = Number(values.kills)
const { grown } = values
const stepsOfOrder = Number(values.orders)
if (grown?.startsWith('postgres')) values.postgres = true
const { rolling } = values
const processes = rolling ? 2 : Number(values.processes)
if (rolling) values.postgres = true
// nginx has a certificate of its own.
if (rolling) process.env.NODE_TLS_REJECT_UNAUTHORIZED = '0'
if (processes > 1 && !values.postgres)
  throw new Error('several processes share a PostgreSQL server: add --postgres')
const sleep = (ms) => new Promise((done) => setTimeout(done, ms))
const folder = mkdtempSync(join(tmpdir(), 'brachyon-load-'))
const postgres = !values.postgres
  ? undefined
  : grown
    ? { url: grown, stop: () => undefined }
    : startPostgres()

const freePort = () =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })
let downs = 0
class Server {
  constructor(port, nth) {
    this.url = `http://127.0.0.1:${port}`
    this.port = port
    this.loop = join(folder, `loop-${nth}`)
  }
  async start() {
    const began = performance.now()
    this.child = spawn(
      process.execPath,
      ['--import', './bench/loop-delay.mjs', 'built/server/main.js', '--demo', '--new'],
      {
        env: {
          ...process.env,
          PORT: String(this.port),
          BRACHYON_DATA: grown && !postgres ? grown : join(folder, 'data'),
          BRACHYON_LOOP_FILE: this.loop,
          ...(rolling && { TRUST_PROXY: '1' }),
          ...(postgres && { DATABASE_URL: postgres.url }),
        },
        stdio: ['ignore', 'ignore', 'inherit'],
      },
    )
    this.up = (async () => {
      for (;;) {
        if (
          await fetch(`${this.url}/health`).then(
            (r) => r.ok,
            () => false,
          )
        )
          break
        await sleep(50)
      }
      return performance.now() - began
    })()
    return this.up
  }
  async kill(signal = 'SIGKILL') {
    const ended = new Promise((done) => this.child.once('exit', done))
    this.child.kill(signal)
    await ended
    downs++
  }
}
const servers = []
for (let i = 0; i < processes; i++) servers.push(new Server(await freePort(), i))
for (const server of servers) await server.start()
const front = rolling ? await freePort() : undefined
const nginx = front && (await startNginx({ port: front, servers: servers.map(({ port }) => port) }))

class Person {
  constructor(nth) {
    this.server = servers[nth % servers.length]
  }
  async ask(method, path, body) {
    const response = await fetch(`${front ? `https://127.0.0.1:${front}` : this.server.url}/api${path}`, {
      method,
      headers: {
        ...(front && { host: 'school.example' }),
        ...(this.cookie && { cookie: this.cookie }),
        ...(body && { 'content-type': 'application/json' }),
      },
      ...(body && { body: JSON.stringify(body) }),
    })
    const cookie = response.headers.get('set-cookie')
    if (cookie) this.cookie = cookie.split(';')[0]
    const text = await response.text()
    return { status: response.status, body: text ? JSON.parse(text) : undefined }
  }
  /** Asks until a server answers. */
  async patiently(path) {
    for (;;) {
      const answer = await this.ask('GET', path).catch(() => undefined)
      if (answer?.status === 200) return answer.body
      await sleep(300)
    }
  }
  async enter(login, password) {
    const { status } = await this.ask('POST', '/session', { login, password })
    if (status !== 200) throw new Error(`${login} cannot sign in: ${status}`)
  }
}

let seed = 20261126
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
const demo = JSON.parse(readFileSync('demo/school.json', 'utf8'))
const teacher = demo.instructors[0]
const instructor = new Person(0)
await instructor.enter(teacher.login, teacher.password)
const lessons = (await instructor.ask('GET', '/lessons')).body
const people = []
const grownPassword = demo.students.find(({ login }) => login === 'tam')?.password
const all =
  grown && new Map((await instructor.ask('GET', '/students')).body.map(({ id, login }) => [login, id]))
for (let i = 0; i < students; i++) {
  const person = new Person(i)
  if (grown) {
    // The last classes are those of this year.
    const login = `grown-${all.size - demo.students.length - 1 - i}`
    person.id = all.get(login)
    await person.enter(login, grownPassword)
  } else {
    const login = `load-${i}`
    const { body } = await instructor.ask('POST', '/students', {
      login,
      name: `Student ${i}`,
      password: 'quartz-river-lamp-71',
    })
    person.id = body.id
    await person.enter(login, 'quartz-river-lamp-71')
    await person.ask('PUT', '/password', {
      current: 'quartz-river-lamp-71',
      password: `copper-meadow-${i}-torch`,
    })
  }
  people.push(person)
}
const order = (person, nth) =>
  instructor.ask('POST', `/lessons/${lessons[nth % lessons.length].id}/orders`, {
    students: [person.id],
    set: null,
  })
for (const [i, person] of people.entries()) {
  const { status, body } = await order(person, i)
  if (status !== 201) throw new Error(`no order: ${JSON.stringify(body)}`)
}
// As handing out prepares it: some seconds before the first looks at it.
await sleep(8000)

const took = []
const errors = new Map()
const fail = (what) => errors.set(what, (errors.get(what) ?? 0) + 1)
let acknowledged = 0
/** Orders that were finished, and when; milliseconds until a review of one was there with its judgement. */
const finished = []
const reviews = []
const floors = []
let events = 0
let over = false
const end = Date.now() + until
/** What the machine's cores did since it began: jiffies by kind; `stolen`: what others on the same host took. */
const cores = () => {
  const [user, nice, system, idle, wait, , , stolen] = readFileSync('/proc/stat', 'utf8')
    .split('\n')[0]
    .trim()
    .split(/\s+/)
    .slice(1)
    .map(Number)
  return { user, nice, system, idle, wait, stolen }
}
const coresBefore = existsSync('/proc/stat') ? cores() : undefined

async function work(person) {
  person.kept = new Map()
  while (Date.now() < end) {
    await workAt(person)
    if (Date.now() >= end) return
    const { status } = await order(person, Math.floor(1000 * random()))
    if (status !== 201 && kills === 0) return fail(`order ${status}`)
    await sleep(500)
  }
}
async function workAt(person) {
  const open = (await person.patiently('/desk')).rows.find(({ concluded }) => !concluded)
  if (!open) return
  const { id } = open
  const desk = await person.patiently(`/desk/${id}`)
  person.kept.set(id, desk.steps.length)
  const on =
    desk.circuit.states.find(({ controls }) => Object.keys(controls).length) ?? desk.circuit.states[0]
  const points = desk.circuit.parts.flatMap((p) =>
    ['lamp', 'motor', 'fuse', 'connector'].includes(p.kind) ? [`${p.id}a`, `${p.id}b`] : [],
  )
  const arrangement = { controls: on.controls, detached: [] }
  while (Date.now() < end) {
    await sleep(2000 + 6000 * random())
    const taken = person.kept.get(id)
    const red = points[Math.floor(random() * points.length)] ?? 'B1+'
    const action =
      taken >= stepsOfOrder
        ? { type: 'conclude', piece: desk.circuit.parts[1].id, kind: 'open', sure: 70 }
        : taken % 7 === 0
          ? { type: 'operate', arrangement, says: 'asComplained' }
          : {
              type: 'test',
              arrangement,
              instrument: 'volts',
              settings: {},
              held: { type: 'leads', red, black: 'B1-' },
              prediction: { type: 'value', value: 12 },
            }
    const key = crypto.randomUUID()
    const start = performance.now()
    for (let tries = 1; ; tries++) {
      const answer = await person.ask('POST', `/desk/${id}/steps`, { key, action }).catch(() => undefined)
      if (answer?.status === 200) {
        person.kept.set(id, taken + 1)
        acknowledged++
        if (tries === 1) took.push(performance.now() - start)
        break
      }
      // Behind nginx nobody is to be refused at all.
      if (answer && (answer.status < 500 || kills === 0)) {
        fail(`${answer.status} ${answer.body?.message?.code}`)
        break
      }
      if (!answer && kills === 0) {
        fail('no answer')
        break
      }
      await sleep(300)
    }
    if (action.type !== 'conclude') continue
    const done = await person.ask('POST', `/desk/${id}/finish`, {}).catch(() => undefined)
    if (done?.status === 200) finished.push({ id, at: performance.now() })
    else if (kills === 0) fail(`finish ${done?.status}`)
    return
  }
}
async function watch() {
  while (!over) {
    try {
      const response = await fetch(`${servers.at(-1).url}/api/floor/live`, {
        headers: { cookie: instructor.cookie },
      })
      const reader = response.body.getReader()
      for (;;) {
        const { done, value } = await reader.read()
        if (done) break
        events += Buffer.from(value).toString().split('event:').length - 1
      }
    } catch {
      await sleep(500)
    }
  }
}
/** As a browser opens it: the review, and its judgement where that is not with it. */
async function review() {
  while (Date.now() < end) {
    await sleep(4000)
    const one = finished[Math.floor(random() * finished.length)]
    if (!one) continue
    const began = performance.now()
    const answer = await instructor.ask('GET', `/orders/${one.id}/review`).catch(() => undefined)
    if (answer?.status === 200 && answer.body.judged === null) {
      const judged = await instructor.ask('GET', `/orders/${one.id}/judgement`).catch(() => undefined)
      if (judged?.status !== 200 && kills === 0) fail(`judgement ${judged?.status}`)
    }
    if (answer?.status === 200) reviews.push(performance.now() - began)
    else if (kills === 0) fail(`review ${answer?.status}`)
  }
}
/** The whole list, as somebody who comes to the Floor gets it. */
async function lookAtFloor() {
  while (Date.now() < end) {
    await sleep(5000)
    const began = performance.now()
    const answer = await instructor.ask('GET', '/floor').catch(() => undefined)
    if (answer?.status === 200) floors.push(performance.now() - began)
    else if (kills === 0) fail(`floor ${answer?.status}`)
  }
}
async function cut() {
  for (let n = 0; n < kills; n++) {
    const server = servers[n % servers.length]
    await sleep(Math.max(200, (end - Date.now()) / (kills - n) - 1500) * (0.5 + random()))
    await server.kill()
    await server.start()
  }
}
/** The Floor as an instructor has it before them: every station drawn, and how long the page stood still at most. */
async function look() {
  const { chromium } = await import('@playwright/test')
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: servers[0].url })
  await page.goto('/sign-in')
  await page.locator('input[name=login]').fill(teacher.login)
  await page.locator('input[type=password]').fill(teacher.password)
  await page.keyboard.press('Enter')
  await page.locator('header nav').waitFor()
  await page.goto('/floor')
  const asked = performance.now()
  await page.locator('.station').first().waitFor({ timeout: 120_000 })
  const stood = performance.now() - asked
  await sleep(3000)
  const seconds = Math.max(10, Math.min(60, (end - Date.now()) / 1000 - 5))
  const seen = await page.evaluate(
    (ms) =>
      new Promise((done) => {
        const gaps = []
        const began = performance.now()
        let last = began
        const frame = (now) => {
          gaps.push(now - last)
          last = now
          if (now - began < ms) requestAnimationFrame(frame)
          else done({ gaps, text: document.querySelector('main')?.innerText.length ?? 0 })
        }
        requestAnimationFrame(frame)
      }),
    1000 * seconds,
  )
  const gaps = seen.gaps.sort((a, b) => a - b)
  const part = (share) => gaps[Math.floor(share * (gaps.length - 1))].toFixed(0)
  await browser.close()
  return `Floor stood after ${stood.toFixed(0)} ms; in a browser for ${seconds.toFixed(0)} s: ${gaps.length} frames, ms median ${part(0.5)}, 95 % ${part(0.95)}, 99 % ${part(0.99)}, most ${part(1)}`
}
/** A backup after the other, as an administrator who is in a hurry. */
async function backups() {
  const took = []
  while (Date.now() < end - 3000) {
    const began = performance.now()
    const child = spawn(
      process.execPath,
      ['built/server/operations/command.js', 'backup', join(folder, 'backup.jsonl.gz')],
      {
        env: {
          ...process.env,
          BRACHYON_DATA: join(folder, 'data'),
          DATABASE_URL: postgres?.url ?? '',
        },
        stdio: ['ignore', 'ignore', 'inherit'],
      },
    )
    const status = await new Promise((done) => child.once('exit', done))
    if (status !== 0) fail('backup')
    took.push(performance.now() - began)
  }
  return `${took.length} backups, each ${Math.round(Math.min(...took))} to ${Math.round(Math.max(...took))} ms`
}
/** As the manual says: the second when the first answers again. */
async function roll() {
  let rounds = 0
  while (Date.now() < end - 25_000) {
    await sleep(5000)
    for (const server of servers) {
      await server.kill('SIGTERM')
      await server.start()
    }
    rounds++
  }
  return `${rounds} rolling restarts of both processes`
}
/** By somebody at another machine: what they do here gives way to what the servers do. */
async function attacked() {
  const child = spawn(
    'nice',
    [
      '-n',
      '10',
      process.execPath,
      'bench/attacks.mjs',
      servers[0].url,
      String(end - Date.now()),
      ...(values.hoard ? [people[0].cookie] : []),
    ],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  )
  let said = ''
  child.stdout.on('data', (part) => (said += part))
  await new Promise((done) => child.once('exit', done))
  const { answers, streams } = JSON.parse(said)
  return `the stranger was answered ${JSON.stringify(answers)}${values.hoard ? `; one student had ${streams} streams at most` : ''}`
}
const extra = Promise.all([
  values.attack ? attacked() : '',
  values.backup ? backups() : '',
  rolling ? roll() : '',
])
const looking = values.look ? look() : undefined
const watching = watch()
await Promise.all([...people.map(work), review(), lookAtFloor(), ...(kills ? [cut()] : [])])
over = true
const coresAfter = coresBefore && cores()

let lost = 0
let twice = 0
for (const person of people)
  for (const [id, count] of person.kept) {
    const { steps } = await person.patiently(`/desk/${id}`)
    lost += Math.max(0, count - steps.length)
    twice += Math.max(0, steps.length - count)
  }
/** Work that is finished and has no judgement kept yet, at the end. */
let unjudged = 0
for (const { id } of finished.slice(-40)) {
  const { body } = await instructor.ask('GET', `/orders/${id}/review`)
  if (body.judged === null) unjudged++
}
const spread = (list) => {
  const sorted = list.toSorted((a, b) => a - b)
  const at = (share) =>
    Math.round(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0)
  return `${sorted.length}; ms median ${at(0.5)}, 95 % ${at(0.95)}, most ${at(1)}`
}
took.sort((a, b) => a - b)
const at = (share) => Math.round(took[Math.min(took.length - 1, Math.floor(share * took.length))])
console.log(
  `${values.postgres ? 'PostgreSQL' : 'PGlite'}, ${processes} process${processes > 1 ? 'es' : ''}, ${students} students, ${values.minutes} min, ${downs} kills`,
)
if (coresBefore) {
  const kinds = Object.keys(coresBefore).map((kind) => [kind, coresAfter[kind] - coresBefore[kind]])
  const whole = kinds.reduce((sum, [, spent]) => sum + spent, 0)
  console.log(
    `cores: ${kinds.map(([kind, spent]) => `${kind} ${Math.round((100 * spent) / whole)} %`).join(', ')}`,
  )
}
console.log(
  `steps acknowledged ${acknowledged}; ms median ${at(0.5)}, 95 % ${at(0.95)}, 99 % ${at(0.99)}, most ${at(1)}`,
)
console.log(`reviews of finished work, with judgement: ${spread(reviews)}`)
console.log(`Floor, the whole list: ${spread(floors)}; events ${events}`)
console.log(
  `finished ${finished.length}, not judged at the end ${unjudged} of the last 40; errors ${JSON.stringify([...errors])}`,
)
if (looking) console.log(await looking)
for (const line of await extra) if (line) console.log(line)
console.log(`acknowledged and lost ${lost}, kept twice ${twice}`)
for (const { loop } of servers)
  if (existsSync(loop)) {
    const seconds = readFileSync(loop, 'utf8')
      .trim()
      .split('\n')
      .map((line) => line.split(' ').map(Number))
    for (const [name, from, to] of [
      ['while accounts and orders were made', seconds[15]?.[0] ?? 0, end - until],
      ['while the class worked', end - until, end],
    ]) {
      const meant = seconds.filter(([at]) => at > from && at <= to)
      const held = meant.filter(([, ms]) => ms > 100)
      console.log(
        `event loop ${name}: held at most ${Math.max(0, ...meant.map(([, ms]) => ms))} ms; seconds over 100 ms: ${held.length} of ${meant.length}${held
          .toSorted(([, a], [, b]) => b - a)
          .slice(0, 8)
          .map(([at, ms]) => `, ${ms} ms at ${Math.round((at - from) / 1000)} s`)
          .join('')}`,
      )
    }
  }
for (const server of servers) await server.kill()
nginx?.stop()
void watching
postgres?.stop()
process.exit(errors.size || lost || twice ? 1 : 0)
