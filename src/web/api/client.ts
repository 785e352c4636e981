import { loadCore, tell } from '../words'
import type { z } from 'zod'
import { failureSchema, type Failure } from '../../contract/failure'
import { say } from '../../contract/phrases'
import type { Message } from '../../core/document'

/** A request that the server refused, or that never reached it (`status` 0). */
export class RequestFailure extends Error {
  constructor(
    readonly status: number,
    readonly why: Message,
    readonly problems: Failure['problems'] = [],
  ) {
    super(tell(why))
  }
}

/** Whatever stands between us and the server answers with a page of its own: the server has not been reached. */
const notOurs = (status: number): boolean => status === 502 || status === 503 || status === 504

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
    throw new RequestFailure(0, say('noConnection'))
  }
  const json = jsonOf(text)
  if (json.ok && response.ok) return json.value
  // Before anybody is signed in, what the core says of a form has not been loaded yet.
  await loadCore().catch(() => undefined)
  const failure = json.ok ? failureSchema.safeParse(json.value) : undefined
  if (failure?.success) throw new RequestFailure(response.status, failure.data.message, failure.data.problems)
  // Not our words: a proxy's page, or an answer that was cut off. What was sent may be sent again.
  if (!json.ok || notOurs(response.status)) throw new RequestFailure(0, say('noConnection'))
  throw new RequestFailure(response.status, say('senseless'))
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

/** Tries again for as long as there is no connection, or nobody there for the moment; `onWait` hears of each pause. */
export async function persist<T>(work: () => Promise<T>, onWait: (waiting: boolean) => void): Promise<T> {
  for (;;) {
    try {
      const result = await work()
      onWait(false)
      return result
    } catch (error) {
      if (!(error instanceof RequestFailure) || (error.status !== 0 && error.status !== 503)) throw error
      onWait(true)
      await pause(1500)
    }
  }
}

export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
