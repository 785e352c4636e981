import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import { say } from '../../core/document'
import { HttpError } from '../http/http-error'
import type { PasswordTask } from './password-tasks'

/** Passwords that may wait; strangers' stand in a queue before it (`sign-in-queue`). */
const mostWaiting = 100
/** How far these threads stand back where cores are short: whoever answers requests and judges steps goes first. */
const standsBack = 8
/** The same of threads for many at once. */
const standsBehind = 15

/** Built, a thread starts with its tasks as they are; run from the sources, it has to be taught TypeScript first. */
const entry = import.meta.url.endsWith('.ts') ? './password-entry.mjs' : './password-tasks.js'

let pool: Piscina | undefined
/** Half of the cores at most: hashing is slow on purpose, and a flood of wrong passwords must not take them all. */
const threads = Math.max(1, Math.floor(availableParallelism() / 2))
const started = (): Piscina =>
  (pool ??= new Piscina({
    filename: fileURLToPath(new URL(entry, import.meta.url)),
    minThreads: 0,
    maxThreads: threads,
    idleTimeout: 600_000,
    niceIncrement: standsBack,
  }))

async function inThread<T>(name: PasswordTask, task: object): Promise<T> {
  const pool = started()
  if (pool.queueSize >= mostWaiting) throw new HttpError(503, say('school.tooBusy'))
  const result: unknown = await pool.run({ name, task })
  return result as T
}

/** @throws HttpError 503 where too many wait */
export const hashPassword = (password: string): Promise<string> => inThread('hash', { password })
/** @throws HttpError 503 where too many wait */
export const checkPassword = (password: string, stored: string): Promise<boolean> =>
  inThread('check', { password, stored })
/** Whether a password is easily guessed by whoever knows `known` of its owner. @throws HttpError 503 */
export const isGuessed = (password: string, known: readonly string[]): Promise<boolean> =>
  inThread('guessed', { password, known })

/** Passwords between two words on how far it is. */
const told = 5

/**
 * Hashes many at once, as a roster of hundreds needs it: on all cores, in threads of its own that end afterwards, so that
 * nobody who signs in meanwhile waits behind them.
 */
export async function hashMany(
  passwords: readonly string[],
  onProgress: (done: number, of: number) => void = () => undefined,
): Promise<string[]> {
  if (!passwords.length) return []
  const many = new Piscina({
    filename: fileURLToPath(new URL(entry, import.meta.url)),
    maxThreads: availableParallelism(),
    niceIncrement: standsBehind,
  })
  let done = 0
  try {
    return await Promise.all(
      passwords.map(async (password) => {
        const hash = (await many.run({ name: 'hash' satisfies PasswordTask, task: { password } })) as string
        if (++done % told === 0 || done === passwords.length) onProgress(done, passwords.length)
        return hash
      }),
    )
  } finally {
    await many.destroy()
  }
}

/** Ends the threads, for whoever is about to end the process. */
export async function closePasswordThreads(): Promise<void> {
  await pool?.destroy()
  pool = undefined
}
