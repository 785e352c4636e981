import { randomBytes } from 'node:crypto'
import { rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { join } from 'node:path'
import { createApp } from './app'
import { openDatabase } from './database'
import { plainError } from './http/failure'
import { Floor } from './floor/floor'
import { readyAgain } from './orders/hand-out'
import { Judge } from './judging'
import { openLog } from './operations/log'
import { forgetInTime } from './operations/retention'
import { closePasswordThreads } from './accounts/password-threads'
import { Directory, directorySettings } from './accounts/directory'
import { forgetOldCounts } from './http/request-limits'
import { Streams } from './http/streams'
import { Room } from './show/room'
import { demoSchool, loadDemo, loadDemoTerm } from './demo/demo'
import { startDemoStation } from './demo/demo-station'
import { startLive } from './demo/live'
import { Workers } from './workers/pool'

/** Says in one sentence what is wrong and ends: whoever starts it must be able to act on it. */
function giveUp(why: string): never {
  console.error(why)
  process.exit(1)
}

const written = process.env.PORT ?? '4173'
const port = Number(written)
if (!/^\d+$/.test(written) || port > 65535)
  giveUp(`PORT is “${written}”: it must be a whole number from 0 to 65535, such as 4173.`)
const host = process.env.HOST ?? '127.0.0.1'
const demo = process.argv.includes('--demo')
/** The demo school has a term behind it, unless it is to be as new. */
const loadSchool = demo ? (process.argv.includes('--new') ? loadDemo : loadDemoTerm) : undefined
const folder = process.env.BRACHYON_DATA ?? join(process.cwd(), 'data', demo ? 'demo' : 'school')
const logFile = process.env.LOG_FILE
const logger = await openLog(
  { level: process.env.LOG_LEVEL ?? 'warn', serializers: { err: plainError } },
  logFile ? { file: logFile } : undefined,
).catch((error: unknown) => giveUp(`LOG_FILE “${logFile}” cannot be written: ${plainMessage(error)}`))

const url = process.env.DATABASE_URL
const warn = (error: unknown) => logger.warn(plainError(error))
const where = {
  ...(url ? { url, onLost: warn } : { folder }),
  onSlow: (begun: string) => logger.warn({ begun }, 'a transaction has been open for five seconds'),
}
const directory = setting(() => directorySettings(process.env))
const database = await openDatabase(where, loadSchool).catch((error: unknown) => giveUp(startFailure(error)))
const workers = new Workers()
const warm = workers.warm().catch(warn)
void warm
  .then(() => readyAgain(database, workers))
  .catch(warn)
  .then(() => judge.start())
const stopForgetting = forgetInTime(database, warn)
void forgetOldCounts(database).catch(warn)
const proxy = process.env.TRUST_PROXY
const trustProxy = proxy && /^\d+$/.test(proxy) ? Number(proxy) : proxy
/** Whoever can read the data folder can read the school: the same is asked of whoever looks after it while it is open. */
const operationsKey = randomBytes(24).toString('base64url')
const control = join(folder, 'control.json')
const judge = new Judge(database, workers, warn)
const floor = new Floor(database)
const room = new Room(database)
const streams = new Streams(database)
const app = setting(() =>
  createApp({
    database,
    workers,
    logger,
    judge,
    floor,
    room,
    streams,
    directory: directory && new Directory(directory),
    meterOnLoopback: demo || process.env.METER_LOOPBACK === '1',
    ...(trustProxy !== undefined && { trustProxy }),
    ...(!url && { operationsKey, folder }),
  }),
)
const server = createServer(app)
// Longer than whoever keeps a connection for its next request: none is cut off just as it is used again.
server.keepAliveTimeout = 65_000
// Whoever sends a request byte by byte holds a connection for so long at most.
server.headersTimeout = 20_000
server.requestTimeout = 40_000
server.listen(port, host, () => {
  const address = server.address()
  const shown = typeof address === 'object' && address ? address.port : port
  if (!url) {
    const reached = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host
    writeFileSync(control, JSON.stringify({ port: shown, host: reached, key: operationsKey }), {
      mode: 0o600,
    })
  }
  console.log(`\nBrachyon is at http://${host}:${shown}/`)
  if (!demo) return
  // Nobody waits for it: the school is there without.
  void warm
    .then(() => startDemoStation(database, workers))
    .then(() =>
      process.argv.includes('--live') ? startLive({ database, workers, judge, failed: warn }) : undefined,
    )
    .catch(warn)
  const school = demoSchool()
  console.log(`Demo school: ${school.name}`)
  for (const { name, login, password } of school.instructors)
    console.log(`  instructor  ${name}: ${login} / ${password}`)
  for (const { name, login, password } of school.students)
    console.log(`  student     ${name}: ${login} / ${password}`)
})
server.on('error', (error: NodeJS.ErrnoException) =>
  giveUp(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken: set PORT to another one.`
      : error.code === 'EACCES'
        ? `Port ${port} is not open to this user: set PORT to one above 1023.`
        : error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND'
          ? `HOST is “${host}”, which is no address of this machine: set it to 127.0.0.1 or 0.0.0.0.`
          : error.message,
  ),
)

/** A setting that does not fit is said in one sentence. */
function setting<T>(read: () => T): T {
  try {
    return read()
  } catch (error) {
    return giveUp(
      /invalid IP address|invalid range/.test(plainMessage(error))
        ? `TRUST_PROXY is “${process.env.TRUST_PROXY}”: it must be the number of proxies in front, such as 1, “loopback”, or their addresses.`
        : plainMessage(error),
    )
  }
}

function plainMessage(error: unknown): string {
  return error instanceof Error ? error.message : String(error)
}

function startFailure(error: unknown): string {
  if (!(error instanceof Error)) return String(error)
  if (/database: unreachable/.test(error.message))
    return 'The PostgreSQL server that DATABASE_URL names cannot be reached: start it, or correct the address.'
  if (/database: full|no space left|ENOSPC/i.test(error.message))
    return `The disk of ${url ? 'the database' : folder} is full: make room on it, then start again.`
  return error.message
}

/** Seconds in which what has begun is answered before the doors are shut. */
const lastAnswers = 8

async function stop(): Promise<void> {
  stopForgetting()
  const answered = new Promise<void>((resolve) => server.close(() => resolve()))
  server.closeIdleConnections()
  const late = new Promise<void>((resolve) => setTimeout(resolve, lastAnswers * 1000).unref())
  // Event streams never end by themselves: they come back by themselves instead.
  await Promise.all([streams.close(), floor.close(), room.close()])
  await Promise.race([answered, late])
  server.closeAllConnections()
  if (!url) rmSync(control, { force: true })
  await Promise.all([judge.close(), workers.close(), closePasswordThreads()])
  await database.close()
  process.exit(0)
}
process.once('SIGINT', () => void stop())
process.once('SIGTERM', () => void stop())
