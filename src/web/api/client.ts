import type { z } from 'zod'
import { failureSchema, type Failure } from '../../contract'

/** A request that the server refused, or that never reached it (`status` 0). */
export class RequestFailure extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: Failure['problems'] = [],
  ) {
    super(message)
  }
}

async function send(method: string, path: string, body?: unknown): Promise<unknown> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
  } catch {
    throw new RequestFailure(0, 'No connection to the server')
  }
  const text = await response.text()
  const json: unknown = text ? JSON.parse(text) : undefined
  if (response.ok) return json
  const failure = failureSchema.safeParse(json)
  throw failure.success
    ? new RequestFailure(response.status, failure.data.message, failure.data.problems)
    : new RequestFailure(response.status, 'The server gave an answer that makes no sense')
}

/** Asks for JSON of a known shape. */
export async function ask<S extends z.ZodType>(schema: S, path: string): Promise<z.output<S>> {
  return schema.parse(await send('GET', path))
}

/** Sends JSON and reads an answer of a known shape. */
export async function tell<S extends z.ZodType>(
  schema: S,
  path: string,
  body?: unknown,
  method = 'POST',
): Promise<z.output<S>> {
  return schema.parse(await send(method, path, body))
}

/** Sends JSON; nothing comes back. */
export async function post(path: string, body?: unknown, method = 'POST'): Promise<void> {
  await send(method, path, body)
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** Tries again for as long as there is no connection; `onWait` hears of each pause. */
export async function persist<T>(work: () => Promise<T>, onWait: (waiting: boolean) => void): Promise<T> {
  for (;;) {
    try {
      const result = await work()
      onWait(false)
      return result
    } catch (error) {
      if (!(error instanceof RequestFailure) || error.status !== 0) throw error
      onWait(true)
      await pause(1500)
    }
  }
}

export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
