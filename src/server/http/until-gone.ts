import type { Response } from 'express'
import type { Stopping } from '../workers/pool'

/** Stops what is worked out for a request once whoever asked has gone away. */
export function untilGone(res: Response): Stopping {
  const controller = new AbortController()
  res.on('close', () => {
    if (!res.writableFinished) controller.abort()
  })
  return { signal: controller.signal }
}
