import { readFileSync } from 'node:fs'
import { pino } from 'pino'
import { inject } from 'vitest'
import request from 'supertest'
import { createApp } from '../src/server/app'
import { openDatabase, type Database } from '../src/server/database'
import type {} from './image'
import { loadDemo, loadDemoTerm } from '../src/server/demo/demo'
import { Judge } from '../src/server/judging'
import { Workers } from '../src/server/workers/pool'

/** An empty embedded database to start from, made once for the whole run. */
export const emptyDatabase = (): Blob => new Blob([readFileSync(inject('emptyDatabase'))])
/** One with the demo school in it. */
const demoDatabase = (): Blob => new Blob([readFileSync(inject('demoDatabase'))])

/** Threads to judge in, once for all schools of a process: each school judges orders of its own in them. */
const workers = new Workers()

/** A whole server with the demo school, with its term behind it or as new, in memory or on the PostgreSQL server at `url`. */
export async function startSchool({
  url,
  demo = true,
  term = false,
  log,
  trustProxy,
}: { url?: string; demo?: boolean; term?: boolean; log?: (line: string) => void; trustProxy?: number } = {}) {
  const database: Database = await openDatabase(
    url ? { url } : { image: demo && !term ? demoDatabase() : emptyDatabase() },
    term ? loadDemoTerm : undefined,
  )
  if (url)
    await database.script(
      'truncate users, circuits, work_orders, steps, sessions, circuit_edits, circuit_versions, fault_sets, judgements restart identity cascade',
    )
  if (url && demo) await loadDemo(database)
  const logger = pino({ level: log ? 'info' : 'silent' }, { write: (line: string) => log?.(line) })
  const judge = new Judge(database, workers)
  const app = createApp({ database, workers, judge, logger, ...(trustProxy && { trustProxy }) })
  return {
    app,
    database,
    workers,
    /** Judges what nobody waits for. */
    judge,
    /** A browser of its own: keeps its cookie. */
    visitor: () => request.agent(app),
    signedIn: async (login: string, password: string) => {
      const agent = request.agent(app)
      await agent.post('/api/session').send({ login, password }).expect(200)
      return agent
    },
    close: async () => {
      await judge.close()
      await database.close()
    },
  }
}
export type School = Awaited<ReturnType<typeof startSchool>>
export const passwords = {
  orla: 'gritter-amber-7',
  tam: 'sweeper-brush-3',
  idris: 'hopper-chain-5',
  maeve: 'beacon-lens-9',
}
