import { createServer } from 'node:http'
import { join } from 'node:path'
import { pino } from 'pino'
import { createApp } from './app'
import { openDatabase } from './database'
import { demoSchool, loadDemo } from './demo'
import { JudgePool } from './workers/pool'

const port = Number(process.env.PORT ?? 4173)
const host = process.env.HOST ?? '127.0.0.1'
const demo = process.argv.includes('--demo')
const folder = process.env.BRACHYON_DATA ?? join(process.cwd(), 'data', demo ? 'demo' : 'school')
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' })

const url = process.env.DATABASE_URL
const database = await openDatabase(url ? { url } : { folder }).catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error)
  process.exit(1)
})
if (demo) await loadDemo(database)
const judges = new JudgePool()
const server = createServer(createApp({ database, judges, logger }))
server.listen(port, host, () => {
  console.log(`\nBrachyon is at http://${host}:${port}/`)
  if (!demo) return
  const school = demoSchool()
  console.log(`Demo school: ${school.name}`)
  for (const { name, login, password } of school.instructors)
    console.log(`  instructor  ${name}: ${login} / ${password}`)
  for (const { name, login, password } of school.students)
    console.log(`  student     ${name}: ${login} / ${password}`)
})
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE' ? `Port ${port} is taken: set PORT to another one.` : error.message,
  )
  process.exit(1)
})

async function stop(): Promise<void> {
  server.close()
  server.closeAllConnections()
  await judges.close()
  await database.close()
  process.exit(0)
}
process.once('SIGINT', () => void stop())
process.once('SIGTERM', () => void stop())
