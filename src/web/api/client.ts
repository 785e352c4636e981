import { loadWords, tell } from '../words'
import type { z } from 'zod'
import { failureSchema, type Failure } from '../../contract/failure'
import { say, type Message } from '../../core/document'
import { noteBuild } from './build'

/** A request that the server refused, or that never reached it (`status` 0). */
export class RequestFailure extends Error {
  constructor(
    readonly status: number,
    readonly why: Message,
    readonly problems: Failure['problems'] = [],
  ) {
    super(tell(why))
  }

  /** Nobody there just now: the same may be asked again. */
  get isTemporary(): boolean {
    return this.status === 0 || this.status === 503 || this.status === 507
  }
}

/** Whatever stands between us and the server answers with a page of its own: the server has not been reached. */
const notOurs = (status: number): boolean => status === 502 || status === 503 || status === 504

/** Addresses where “not signed in” is an answer to what was typed, not an ended session. */
const doors = /^\/(session|card)(\/|$)/

let sessionLost = (): void => undefined
/** Hears that the session has ended while somebody was at work: by a password changed elsewhere, or by the time. */
export const onSessionLost = (heard: () => void): void => void (sessionLost = heard)

async function request(method: string, path: string, body?: unknown): Promise<unknown> {
  let response: Response
  let text: string
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
    text = await response.text()
  } catch {
    throw new RequestFailure(0, say('school.noConnection'))
  }
  noteBuild(response.headers.get('x-brachyon-build'))
  const json = jsonOf(text)
  if (json.ok && response.ok) return json.value
  // Before anybody is signed in, what the core says of a form has not been loaded yet.
  await loadWords().catch(() => undefined)
  const failure = json.ok ? failureSchema.safeParse(json.value) : undefined
  if (failure?.success) {
    if (response.status === 401 && !doors.test(path)) sessionLost()
    throw new RequestFailure(response.status, failure.data.message, failure.data.problems)
  }
  // Not our words: a proxy's page, or an answer that was cut off. What was sent may be sent again.
  if (!json.ok || notOurs(response.status)) throw new RequestFailure(0, say('school.noConnection'))
  throw new RequestFailure(response.status, say('school.senseless'))
}

function jsonOf(text: string): { ok: true; value: unknown } | { ok: false } {
  if (!text) return { ok: true, value: undefined }
  try {
    const value: unknown = JSON.parse(text)
    return { ok: true, value }
  } catch {
    return { ok: false }
  }
}

/** Asks for JSON of a known shape. */
export async function ask<S extends z.ZodType>(schema: S, path: string): Promise<z.output<S>> {
  return schema.parse(await request('GET', path))
}

/** Sends JSON and reads an answer of a known shape. */
export async function send<S extends z.ZodType>(
  schema: S,
  path: string,
  body?: unknown,
  method = 'POST',
): Promise<z.output<S>> {
  return schema.parse(await request(method, path, body))
}

/** Sends JSON; nothing comes back. */
export async function post(path: string, body?: unknown, method = 'POST'): Promise<void> {
  await request(method, path, body)
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
/** Milliseconds between two tries, growing: a server that comes back is not met by everybody at once. */
const pauses = [1000, 1500, 2500, 4000]

/** Tries again for as long as there is no connection, or nobody there for the moment; `onWait` hears of each pause. */
export async function retryWhileOffline<T>(
  work: () => Promise<T>,
  onWait: (waiting: boolean) => void,
): Promise<T> {
  for (let tries = 0; ; tries++) {
    try {
      const result = await work()
      onWait(false)
      return result
    } catch (error) {
      if (!(error instanceof RequestFailure) || !error.isTemporary) throw error
      onWait(true)
      await pause(pauses[Math.min(tries, pauses.length - 1)]!)
    }
  }
}

export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
/** The session has ended: what was asked may be asked again once somebody has signed in. */
export const isSignedOut = (error: unknown): boolean =>
  error instanceof RequestFailure && error.status === 401
