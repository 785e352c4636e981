import type { Request, Response } from 'express'
import type { Progressed } from '../../contract'
import { failureOf } from './failure'

/**
 * Answers a request that takes long: a line of JSON for each step of the way, `{"done", "of"}`, and last of all `{"answer"}`
 * or `{"failure"}`. Whoever stands between passes each line on at once.
 */
export async function answerWithProgress<T>(
  req: Request,
  res: Response,
  work: (tell: (done: number, of: number) => void) => Promise<T>,
): Promise<void> {
  res.status(200).set({ 'Content-Type': 'application/x-ndjson', 'X-Accel-Buffering': 'no' })
  const line = (said: Progressed) => {
    res.write(`${JSON.stringify(said)}\n`)
    // What packs answers holds them back until there is enough.
    if ('flush' in res && typeof res.flush === 'function') res.flush()
  }
  try {
    line({ answer: await work((done, of) => line({ done, of })) })
  } catch (error) {
    const { status, body, log } = failureOf(error)
    if (log) req.log.error(log)
    line({ failure: body, status })
  }
  res.end()
}
