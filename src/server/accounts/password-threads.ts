import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import { say } from '../../contract'
import { Refusal } from '../refusal'
import { FairQueue } from './fair-queue'
import type { PasswordTask } from './password-tasks'

/** Passwords that may wait in all, and those of one address: a stranger's thousand leave room for everybody else. */
const mostWaiting = 150
const mostOfAddress = 60
/** How far these threads stand back where cores are short: whoever answers requests and judges steps goes first. */
const standsBack = 8

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

const queue = new FairQueue({ atOnce: threads, mostWaiting, mostOfGroup: mostOfAddress })

/** Whose password it is and where it comes from: each account of each address has its turn. */
export interface From {
  readonly address: string
  readonly account: string
}
/** Somebody who is signed in already, or a command at the server itself. */
export const ownRequest: From = { address: '', account: '' }

async function inThread<T>(from: From, name: PasswordTask, task: object): Promise<T> {
  const done = queue.run(from.address, `${from.address} ${from.account}`, async () => {
    const result: unknown = await started().run({ name, task })
    return result as T
  })
  if (!done) throw new Refusal(503, say('tooBusy'))
  return done
}

/** @throws Refusal 503 where too many wait */
export const hashPassword = (password: string, from: From = ownRequest): Promise<string> =>
  inThread(from, 'hash', { password })
/** @throws Refusal 503 where too many wait */
export const checkPassword = (password: string, stored: string, from: From = ownRequest): Promise<boolean> =>
  inThread(from, 'check', { password, stored })
/** Whether a password is easily guessed by whoever knows `known` of its owner. @throws Refusal 503 */
export const isGuessed = (
  password: string,
  known: readonly string[],
  from: From = ownRequest,
): Promise<boolean> => inThread(from, 'guessed', { password, known })

/** Ends the threads, for whoever is about to end the process. */
export async function closePasswordThreads(): Promise<void> {
  await pool?.destroy()
  pool = undefined
}
