import { afterEach, describe, expect, it, vi } from 'vitest'
import { z } from 'zod'
import { ask, retryWhileOffline, RequestFailure, send } from './client'

const answers = (status: number, body: string) =>
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(body, { status })))
const failure = async (work: Promise<unknown>): Promise<RequestFailure> => {
  const error = await work.then(
    () => undefined,
    (thrown: unknown) => thrown,
  )
  if (!(error instanceof RequestFailure)) throw new Error(`no failure: ${String(error)}`)
  return error
}

afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('an answer that is not the server’s own', () => {
  it.each([
    [502, '<html><h1>Bad gateway</h1></html>'],
    [200, '<html>Sign in to the workshop network</html>'],
    [503, ''],
    [500, '{"half":'],
  ])('of %s counts as no connection: what was sent is kept for later', async (status, body) => {
    answers(status, body)
    expect(await failure(send(z.object({}), '/desk/x/steps', {}))).toMatchObject({ status: 0 })
  })

  it('is waited out, and the step is sent once more', async () => {
    vi.useFakeTimers()
    const pages = [new Response('<html>', { status: 502 }), new Response('{"n":1}', { status: 200 })]
    vi.stubGlobal('fetch', () => Promise.resolve(pages.shift()!))
    const waits: boolean[] = []
    const done = retryWhileOffline(
      () => send(z.object({ n: z.number() }), '/x', {}),
      (waiting) => waits.push(waiting),
    )
    await vi.advanceTimersByTimeAsync(2000)
    expect(await done).toEqual({ n: 1 })
    expect(waits).toEqual([true, false])
  })

  it('that refuses in our words is told, and not tried again', async () => {
    answers(409, JSON.stringify({ message: { code: 'attempt.concluded' }, problems: [] }))
    const told = await failure(
      retryWhileOffline(
        () => ask(z.object({}), '/x'),
        () => undefined,
      ),
    )
    expect(told).toMatchObject({ status: 409, why: { code: 'attempt.concluded' } })
    expect(told.message).toMatch(/[a-z] /)
  })
})
